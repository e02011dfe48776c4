import { expect, test } from 'vitest';
import type { Schemas } from '$lib/api/client';
import { restsOn, said } from './verdict';

type Verdict = Schemas['Judged']['verdict'];

const told = (verdict: Verdict, by = '', others = 0) => ({ verdict, by, others });

test('a verdict is said in words, with a sign of its own', () => {
	expect(said(told('AS_PROTOTYPE'))).toBe('= as the prototype');
	expect(said(told('LIGHTER'))).toBe('◁ lighter');
	expect(said(told('HEAVIER'))).toBe('▷ heavier');
	expect(said(told('OTHER_COLOUR'))).toBe('≠ another colour');
	expect(said(told('DIFFERS'))).toBe('≠ differs');
	expect(said(told('CANNOT_TELL'))).toBe('? cannot tell');
});

test('it names the measure that differs most and counts the others', () => {
	expect(restsOn(told('LIGHTER', 'fresh rust'))).toBe('fresh rust');
	expect(restsOn(told('DIFFERS', 'streaks off the vertical', 2))).toBe(
		'streaks off the vertical and 2 more'
	);
	expect(restsOn(told('OTHER_COLOUR', 'colour', 1))).toBe('and 1 more');
	expect(restsOn(told('AS_PROTOTYPE'))).toBe('');
});
