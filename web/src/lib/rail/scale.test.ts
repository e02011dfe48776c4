import { describe, expect, test } from 'vitest';
import { dryings, RailScale, type Slot } from './scale';

const HOUR = 3_600_000;
const evening = (day: number) => ({ from: (day * 24 + 19) * HOUR, until: (day * 24 + 22) * HOUR });

describe('the scale of the rail', () => {
	const scale = new RailScale(0, 72 * HOUR, [evening(0), evening(1), evening(2)], 900);

	test('runs from edge to edge and never back', () => {
		expect(scale.x(0)).toBe(0);
		expect(scale.x(72 * HOUR)).toBeCloseTo(900);
		let last = -1;
		for (let t = 0; t <= 72 * HOUR; t += HOUR / 4) {
			expect(scale.x(t)).toBeGreaterThanOrEqual(last);
			last = scale.x(t);
		}
	});

	test('an hour at the bench is about eleven times as wide as one away from it', () => {
		const bench = scale.x(20 * HOUR) - scale.x(19 * HOUR);
		const away = scale.x(5 * HOUR) - scale.x(4 * HOUR);
		expect(bench / away).toBeCloseTo(1 / 0.09);
	});

	test('what lies outside stays at the edge', () => {
		expect(scale.x(-HOUR)).toBe(0);
		expect(scale.x(100 * HOUR)).toBeCloseTo(900);
	});

	test('bench time that began before is cut at the edge', () => {
		const cut = new RailScale(20 * HOUR, 30 * HOUR, [evening(0)], 100);
		expect(cut.spans).toEqual([{ from: 20 * HOUR, until: 22 * HOUR }]);
		expect(cut.x(22 * HOUR)).toBeCloseTo((100 * 2) / (2 + 8 * 0.09));
	});

	test('a time of nothing has no width and breaks nothing', () => {
		expect(new RailScale(5, 5, [], 100).x(5)).toBe(0);
	});
});

describe('what dries', () => {
	const iso = (h: number) => new Date(h * HOUR).toISOString();
	const slot = (end: number, touch: number | null, recoat = end + 5): Slot =>
		({
			end: iso(end),
			touchAt: touch === null ? null : iso(touch),
			recoatAt: iso(recoat),
			fullAt: iso(end + 48)
		}) as Slot;

	test('steps without a film do not dry, and numbers are those of the steps', () => {
		const out = dryings([slot(1, 2), slot(2, null), slot(3, 4)], 0, 10 * HOUR, 3);
		expect(out.map((d) => d.number)).toEqual([1, 3]);
		expect(out.map((d) => d.lane)).toEqual([0, 1]);
	});

	test('what was dry before, or is laid after, is left out', () => {
		expect(dryings([slot(1, 2)], 7 * HOUR, 9 * HOUR, 3)).toEqual([]);
		expect(dryings([slot(12, 13)], 7 * HOUR, 9 * HOUR, 3)).toEqual([]);
	});

	test('lanes are taken in turn', () => {
		const many = Array.from({ length: 5 }, (_, i) => slot(i, i + 1));
		expect(dryings(many, 0, 20 * HOUR, 2).map((d) => d.lane)).toEqual([0, 1, 0, 1, 0]);
	});
});
