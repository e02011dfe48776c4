import { describe, expect, test } from 'vitest';
import { placeOf } from './own-step';

const PREPARING = ['wash-model', 'parts-off'];
const steps = (...techniques: string[]) =>
	techniques.map((technique, i) => ({ id: `s${i}`, technique }));

describe('where a step of one’s own goes', () => {
	const all = steps('wash-model', 'gloss', 'wash', 'flat');

	test('behind the chosen one, whatever it is', () => {
		expect(placeOf(all, 1, 's2', 'parts-off', PREPARING)).toBe(3);
	});

	test('never among what is done', () => {
		expect(placeOf(all, 2, 's0', 'photograph', PREPARING)).toBe(2);
	});

	test('to the end when none is chosen', () => {
		expect(placeOf(all, 0, undefined, 'photograph', PREPARING)).toBe(4);
	});

	test('what prepares goes in front of the rest, behind what prepares already', () => {
		expect(placeOf(all, 0, undefined, 'parts-off', PREPARING)).toBe(1);
		expect(placeOf(all, 2, undefined, 'parts-off', PREPARING)).toBe(2);
		expect(placeOf([], 0, undefined, 'parts-off', PREPARING)).toBe(0);
		expect(placeOf(steps('wash-model'), 0, undefined, 'parts-off', PREPARING)).toBe(1);
	});
});
