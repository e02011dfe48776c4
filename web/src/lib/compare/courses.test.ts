import { describe, expect, test } from 'vitest';
import type { Schemas } from '$lib/api/client';
import { coursesOf, figure, newest, plot } from './courses';

const value = (measure: string, prototype: number, model: number, plusMinus = 2) => ({
	regionId: 'door',
	region: 'Door',
	measure,
	unit: '%',
	prototype,
	model,
	plusMinus
});
const stage = (day: number, values: Schemas['StageValue'][]): Schemas['Stage'] => ({
	photographId: `p${day}`,
	at: `2026-05-0${day}T18:00:00Z`,
	coats: [],
	values
});

describe('how measures came closer', () => {
	test('each measure of a region is one course over the photographs', () => {
		const courses = coursesOf([
			stage(1, [value('rust', 12, 0), value('dust', 40, 5)]),
			stage(2, [value('rust', 12, 7), value('dust', 40, 38)])
		]);
		expect(courses.map((c) => [c.label, c.values])).toEqual([
			['Door: rust', [0, 7]],
			['Door: dust', [5, 38]]
		]);
	});

	test('a photograph on which it could not be told leaves a gap, not a zero', () => {
		const [c] = coursesOf([
			stage(1, [value('rust', 12, 3)]),
			stage(2, []),
			stage(3, [value('rust', 12, 9)])
		]);
		if (!c) throw new Error('no course');
		expect(c.values).toEqual([3, undefined, 9]);
		expect(plot(c, 30).places.map(([x]) => x)).toEqual([4, 96]);
		expect(newest(c)).toBe(9);
	});

	test('what neither side ever has is left out', () => {
		expect(coursesOf([stage(1, [value('soot', 0.2, 0.1)])])).toEqual([]);
		expect(coursesOf([stage(1, [value('soot', 0.2, 4)])])).toHaveLength(1);
	});

	test('everything is drawn inside the field, also angles to the left', () => {
		const [c] = coursesOf([
			stage(1, [value('angle', -20, -4)]),
			stage(2, [value('angle', -20, 11)])
		]);
		if (!c) throw new Error('no course');
		const p = plot(c, 30);
		for (const y of [p.prototype, ...p.places.map(([, y]) => y)]) {
			expect(y).toBeGreaterThanOrEqual(0);
			expect(y).toBeLessThanOrEqual(30);
		}
		expect(p.prototype).toBeGreaterThan(15);
		expect(p.places[1]?.[1]).toBeLessThan(15);
	});

	test('one photograph stands in the middle', () => {
		const [c] = coursesOf([stage(1, [value('rust', 12, 3)])]);
		expect(c && plot(c, 30).places[0]?.[0]).toBe(50);
	});

	test('figures are as long as they mean something', () => {
		expect([undefined, 3, 99.94, 120.4, -250.6].map(figure)).toEqual([
			'–',
			'3.0',
			'99.9',
			'120',
			'-251'
		]);
	});
});
