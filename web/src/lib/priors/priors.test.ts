import { describe, expect, test } from 'vitest';
import { bites, columnName, learned, own, type Line } from './priors';

const line = {
	cells: [
		{ column: 'touch_min', shipped: '15', own: null },
		{ column: 'recoat_min', shipped: '45', own: '60' }
	]
} as unknown as Line;

describe('own figures', () => {
	test('are what differs from the tables', () => {
		expect(own(line, {})).toEqual({ recoat_min: '60' });
		expect(own(line, { touch_min: ' 20 ' })).toEqual({ touch_min: '20', recoat_min: '60' });
	});

	test('that say the same as the tables are none', () => {
		expect(own(line, { recoat_min: '45' })).toEqual({});
	});
});

test.each([
	[{ factor: 1.18, low: 1, high: 1.4, observations: 6 }, '18 % slower', '6 entries'],
	[{ factor: 0.9, low: 0.7, high: 1.2, observations: 1 }, '10 % faster', 'one entry'],
	[{ factor: 1.001, low: 0.7, high: 1.2, observations: 3 }, 'as the tables say', '3 entries']
])('a pace of %o is said', (pace, how, times) => {
	expect(learned(pace)).toContain(how);
	expect(learned(pace)).toContain(times);
});

test.each([
	[0.82, 3, '18 % less', '3 steps'],
	[1.1, 1, '10 % harder', 'one step'],
	[1, 2, 'as the tables say', '2 steps']
])('a bite of %d is said', (factor, observations, how, times) => {
	const said = bites({
		pair: 'odourless spirit on oil',
		binder: 'OIL',
		solvent: 'MS',
		factor,
		low: 0.6,
		high: 1.2,
		observations
	});
	expect(said).toContain(`odourless spirit on oil bites ${how} here, learned from ${times}`);
	expect(said).toContain('×0.60 to ×1.20');
});

test('nothing learned is not said', () => {
	expect(learned(null)).toBe('');
});

test('a column without a word of its own is said as it is', () => {
	expect(columnName('share')).toBe('share of the zone');
	expect(columnName('new_one')).toBe('new_one');
});
