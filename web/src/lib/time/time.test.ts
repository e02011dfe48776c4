import { describe, expect, test } from 'vitest';
import { away, countdown, day, span, toIso, when } from './time';

const at = (d: number, h: number, m = 0) => new Date(2026, 10, d, h, m);
const NOW = at(25, 14).getTime();
const MIN = 60_000;

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
