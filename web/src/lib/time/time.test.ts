import { afterEach, describe, expect, test } from 'vitest';
import { benchClock } from './clock.svelte';
import { away, countdown, date, day, dayOfMonth, inFull, span, toIso, when } from './time';

const at = (d: number, h: number, m = 0) => new Date(2026, 10, d, h, m);
const NOW = at(25, 14).getTime();
const MIN = 60_000;
const here = benchClock.zone;

afterEach(() => {
	benchClock.zone = here;
	benchClock.hours = 24;
});

describe('when', () => {
	test.each([
		[at(25, 19), 'today 19:00'],
		[at(25, 0), 'today 00:00'],
		[at(26, 0, 5), 'tomorrow 00:05'],
		[at(24, 23, 59), 'yesterday 23:59'],
		[at(28, 12), 'Sat 12:00'],
		[at(1, 8), '1 Nov 08:00'],
		[new Date(2026, 11, 2, 14), '2 Dec 14:00']
	])('%s is %s', (date, words) => {
		expect(when(date.toISOString(), NOW)).toBe(words);
	});

	test.each([
		[at(25, 19), 'today 7:00 PM', '25 November 2026 at 7:00 PM'],
		[at(25, 12, 30), 'today 12:30 PM', '25 November 2026 at 12:30 PM'],
		[at(25, 0, 5), 'today 12:05 AM', '25 November 2026 at 12:05 AM'],
		[at(28, 9), 'Sat 9:00 AM', '28 November 2026 at 9:00 AM']
	])('%s is %s where hours are counted to twelve', (date, words, whole) => {
		benchClock.hours = 12;
		expect(when(date.toISOString(), NOW)).toBe(words);
		expect(inFull(date.toISOString())).toBe(whole);
	});

	test('a minute after midnight, an hour ago was yesterday', () => {
		expect(when(at(24, 23, 1).toISOString(), at(25, 0, 1).getTime())).toBe('yesterday 23:01');
	});
});

test.each([
	[-5 * MIN, '0 min'],
	[0, '0 min'],
	[59.4 * MIN, '59 min'],
	[60 * MIN, '1 h'],
	[190 * MIN, '3 h 10 min'],
	[47 * 60 * MIN, '47 h'],
	[52 * 60 * MIN, '2 days 4 h'],
	[72 * 60 * MIN, '3 days']
])('a span of %d ms is said as %s', (ms, words) => {
	expect(span(ms)).toBe(words);
});

test('what lies ahead is in, what lies behind is ago', () => {
	expect(away(at(25, 14, 25).toISOString(), NOW)).toBe('in 25 min');
	expect(away(at(25, 13, 20).toISOString(), NOW)).toBe('40 min ago');
});

test.each([
	[-1, '00:00'],
	[999, '00:00'],
	[59_999, '00:59'],
	[12 * MIN + 7_000, '12:07'],
	[3_600_000 + 61_000, '1:01:01']
])('%d ms are counted down as %s', (ms, words) => {
	expect(countdown(ms)).toBe(words);
});

test('a day is said with its weekday', () => {
	expect(day(at(28, 12).toISOString())).toBe('Sat 28 Nov');
});

test('an empty field is no moment, a filled one is that of the clock on the wall', () => {
	expect(toIso('')).toBeNull();
	expect(toIso('2026-11-25T14:00')).toBe(at(25, 14).toISOString());
});

describe('a device elsewhere shows what the clock in the workshop shows', () => {
	test.each([
		['Europe/Berlin', 'today 00:30'],
		['America/New_York', 'today 18:30'],
		['Australia/Sydney', 'today 10:30']
	])('in %s it is %s', (zone, words) => {
		benchClock.zone = zone;
		expect(when('2026-11-25T23:30:00Z', Date.parse('2026-11-25T23:10:00Z'))).toBe(words);
	});

	test('the day is that of the workshop', () => {
		benchClock.zone = 'Australia/Sydney';
		expect(day('2026-11-25T23:30:00Z')).toBe('Thu 26 Nov');
		expect(date('2026-11-25T23:30:00Z')).toBe('26 Nov');
		expect(dayOfMonth(Date.parse('2026-11-25T23:30:00Z'))).toBe(26);
	});

	test('a field that was filled in holds a time of the workshop, on the day the clocks change too', () => {
		benchClock.zone = 'Europe/Berlin';
		expect(toIso('2026-11-25T14:00')).toBe('2026-11-25T13:00:00.000Z');
		expect(toIso('2026-10-25T01:00')).toBe('2026-10-24T23:00:00.000Z');
		expect(toIso('2026-10-25T23:55')).toBe('2026-10-25T22:55:00.000Z');
	});

	test('a day with 25 hours is one day', () => {
		benchClock.zone = 'Europe/Berlin';
		expect(when('2026-10-25T22:30:00Z', Date.parse('2026-10-24T22:30:00Z'))).toBe('today 23:30');
		expect(when('2026-10-25T23:30:00Z', Date.parse('2026-10-24T22:30:00Z'))).toBe('tomorrow 00:30');
	});
});

test('a zone that the browser does not know changes nothing', () => {
	benchClock.hearZone('America/New_York');
	expect(benchClock.zone).toBe('America/New_York');
	benchClock.hearZone('Middle/Nowhere');
	benchClock.hearZone(null);
	expect(benchClock.zone).toBe('America/New_York');
});
