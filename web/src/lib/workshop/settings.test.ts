import { expect, test } from 'vitest';
import type { Schemas } from '$lib/api/client';
import { SettingsEntry } from './settings.svelte';

const workshop = {
	name: 'Bench',
	zoneId: 'Europe/Vienna',
	celsius: 19,
	humidity: 0.455,
	viewingMm: 600,
	benchTime: [{ weekday: 'MONDAY', fromTime: '19:00:00', untilTime: '21:30:00' }],
	version: 3
} as Schemas['Workshop'];

test('settings come back as they went in, humidity as people say it', () => {
	const entry = new SettingsEntry(workshop);
	expect(entry.humidityPercent).toBe(45.5);
	expect(entry.workshop).toEqual({
		...workshop,
		benchTime: [{ weekday: 'MONDAY', fromTime: '19:00', untilTime: '21:30' }]
	});
});

test('an evening is added and taken out without touching the others', () => {
	const entry = new SettingsEntry(workshop);
	entry.add('FRIDAY');
	expect(entry.workshop.benchTime.map((t) => t.weekday)).toEqual(['MONDAY', 'FRIDAY']);
	const monday = entry.times[0];
	if (monday) entry.drop(monday);
	expect(entry.workshop.benchTime.map((t) => t.weekday)).toEqual(['FRIDAY']);
});
