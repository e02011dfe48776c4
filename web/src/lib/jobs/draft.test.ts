import { describe, expect, test } from 'vitest';
import { JobEntry, LengthEntry } from './draft.svelte';

describe('a length', () => {
	test('is millimetres, or feet and inches', () => {
		const entry = new LengthEntry();
		entry.mm = '6400';
		entry.feet = '21';
		entry.inches = '1.5';
		expect(entry.value(false)).toBe(6400);
		expect(entry.value(true)).toBeCloseTo(6438.9);
	});

	test.each(['', '  ', 'six', '6,4'])('%j is no number', (typed) => {
		const entry = new LengthEntry();
		entry.mm = typed;
		expect(entry.value(false)).toBeNaN();
	});

	test('feet alone are enough', () => {
		const entry = new LengthEntry();
		entry.feet = '10';
		expect(entry.value(true)).toBeCloseTo(3048);
	});
});

describe('a new job', () => {
	test('says what is still to be said, one thing at a time', () => {
		const job = new JobEntry();
		expect(job.missing).toContain('Name it');
		job.name = 'OVR 3052';
		expect(job.missing).toContain('length');
		job.length.mm = '6400';
		expect(job.missing).toContain('height');
		job.height.mm = '-2600';
		expect(job.missing).toContain('height as a number above 0');
		job.height.mm = '2600';
		expect(job.missing).toBe('');
	});

	test('leaves the date open unless one is named', () => {
		const job = new JobEntry();
		expect(job.draft.wantedOn).toBeNull();
		job.wantedOn = '2026-12-24';
		expect(job.draft.wantedOn).toBe('2026-12-24');
		expect(job.draft.version).toBe(0);
	});
});
