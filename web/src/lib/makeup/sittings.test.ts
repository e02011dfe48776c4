import { describe, expect, test } from 'vitest';
import type { Step } from './plan-desk.svelte';
import { liesOpen, sittingsOf } from './sittings';

const step = (id: string, sitting: number, done = false) =>
	({ id, sitting, done, minutes: 10 }) as Step;

describe('a plan in sittings', () => {
	test('steps of one stretch stand together, what is done in front', () => {
		const all = sittingsOf([
			step('a', 1, true),
			step('b', 2, true),
			step('c', 2),
			step('d', 2),
			step('e', 3)
		]);
		expect(all.map((s) => s.steps.map((x) => x.id))).toEqual([['a', 'b'], ['c', 'd'], ['e']]);
		expect(all.map((s) => s.minutes)).toEqual([20, 20, 10]);
		expect(all.map((s) => s.done)).toEqual([true, false, false]);
	});

	test('a short plan lies open, of a long one where work goes on and what is chosen', () => {
		const short = sittingsOf([step('a', 1), step('b', 2)]);
		expect(short.every((s) => liesOpen(short, s, undefined))).toBe(true);
		const long = sittingsOf([
			step('z', 1, true),
			...Array.from({ length: 20 }, (_, i) => step(`s${i}`, 2 + Math.floor(i / 5)))
		]);
		expect(long.map((s) => liesOpen(long, s, undefined))).toEqual([
			false,
			true,
			false,
			false,
			false
		]);
		expect(long.map((s) => liesOpen(long, s, 's12'))).toEqual([false, true, false, true, false]);
	});
});
