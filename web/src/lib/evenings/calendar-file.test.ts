import ICAL from 'ical.js';
import { describe, expect, test } from 'vitest';
import written from './example.ics?raw';

/** What the server writes, read by a parser that shares nothing with the one that wrote it. */
const calendar = new ICAL.Component(ICAL.parse(written) as unknown[]);
const events = calendar.getAllSubcomponents('vevent').map((e) => new ICAL.Event(e));
const event = (uid: string) => {
	const found = events.find((e) => e.uid.startsWith(uid));
	if (!found) throw new Error(`no ${uid}`);
	return found;
};

describe('the diary as a calendar', () => {
	test('is iCalendar 2.0, each event named once', () => {
		expect(calendar.getFirstPropertyValue('version')).toBe('2.0');
		expect(new Set(events.map((e) => e.uid)).size).toBe(events.length);
		expect(events).toHaveLength(3);
	});

	test('a sitting has its hours and its list', () => {
		const sitting = event('sitting-');
		expect(sitting.startDate.toJSDate().toISOString()).toBe('2026-03-20T19:00:00.000Z');
		expect(sitting.endDate.toJSDate().toISOString()).toBe('2026-03-20T22:00:00.000Z');
		expect(sitting.summary).toBe('At the bench: Peat hopper OVR 3041, grey');
		expect(sitting.description).toBe(
			'Airbrush: chalk fade\n19:00 pin wash, brown wash; thin, "as tea" (Peat hopper OVR 3041, grey)'
		);
	});

	test('a window warns a quarter of an hour before it closes, and leaves its time free', () => {
		const window = event('window-');
		expect(window.component.getFirstPropertyValue('transp')).toBe('TRANSPARENT');
		const trigger = window.component.getFirstSubcomponent('valarm')?.getFirstProperty('trigger');
		expect(trigger?.getFirstParameter('related')).toBe('END');
		expect((trigger?.getFirstValue() as ICAL.Duration).toSeconds()).toBe(-900);
	});

	test('a date is a whole day', () => {
		const date = event('date-');
		expect(date.startDate.isDate).toBe(true);
		expect(date.startDate.toString()).toBe('2026-04-01');
	});
});
