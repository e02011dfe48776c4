import { describe, expect, test } from 'vitest';
import { commonScale, dryings, numbers, RailScale, type Slot } from './scale';

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

describe('step numbers', () => {
	test('stand over their steps while there is room', () => {
		expect(
			numbers([
				{ number: 1, x: 10 },
				{ number: 2, x: 40 }
			])
		).toEqual([
			{ x: 10, text: '1' },
			{ x: 40, text: '2' }
		]);
	});

	test('never lie on each other, and none is left out', () => {
		for (let seed = 1; seed < 200; seed++) {
			let at = 0;
			const steps = Array.from({ length: 40 }, (_, i) => {
				at += (i * seed * 7919) % 17;
				return { number: i + 1, x: at };
			});
			const all = numbers(steps);
			let next = 1;
			all.forEach((l, i) => {
				const before = all[i - 1];
				if (before) {
					expect(l.x - before.x).toBeGreaterThanOrEqual(
						((l.text.length + before.text.length) * 8) / 2
					);
				}
				const [first = 0, last = first] = l.text.split('–').map(Number);
				expect(first).toBe(next);
				next = last + 1;
			});
			expect(next).toBe(41);
		}
	});
});

describe('one scale for several rails', () => {
	const iso = (h: number) => new Date(h * HOUR).toISOString();
	const diary = (finish: number, bench: [number, number][]) =>
		({
			finish: iso(finish),
			deadline: null,
			bench: bench.map(([a, b]) => ({ from: iso(a), until: iso(b) }))
		}) as unknown as Parameters<typeof commonScale>[0][number];

	test('reaches to the last finish, and bench time that several have is there once', () => {
		const scale = commonScale(
			[
				diary(300, [[19, 22]]),
				diary(400, [
					[19, 23],
					[43, 46]
				])
			],
			10 * HOUR,
			undefined,
			800
		);
		expect(scale.until).toBe(410 * HOUR);
		expect(scale.spans).toEqual([
			{ from: 19 * HOUR, until: 23 * HOUR },
			{ from: 43 * HOUR, until: 46 * HOUR }
		]);
	});

	test('a date far behind the last finish does not push everything together', () => {
		const far = { ...diary(300, []), deadline: iso(2000) };
		const near = { ...diary(300, []), deadline: iso(400) };
		expect(commonScale([far], 0, undefined, 800).until).toBe(310 * HOUR);
		expect(commonScale([far, near], 0, undefined, 800).until).toBe(410 * HOUR);
	});

	test('ends where it is asked to, a day ahead at least', () => {
		expect(commonScale([diary(400, [])], 0, 100 * HOUR, 800).until).toBe(100 * HOUR);
		expect(commonScale([diary(400, [])], 0, 2 * HOUR, 800).until).toBe(24 * HOUR);
	});
});
