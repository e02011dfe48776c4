import { expect, test } from 'vitest';
import type { Schemas } from '$lib/api/client';
import { said } from './verdict';

type Verdict = Schemas['Judged']['verdict'];

const region = (verdict: Verdict, differsAllTheSame = false) =>
	said({ verdict, deltaE00: 1, differsAllTheSame } as Schemas['Judged']);
const edge = (verdict: Verdict, differsAllTheSame = false) =>
	said({ verdict, differsAllTheSame } as Schemas['JudgedEdge']);

test('a verdict is said in words, with a sign of its own', () => {
	expect(region('AS_PROTOTYPE')).toBe('= as the prototype');
	expect(region('LIGHTER')).toBe('◁ lighter');
	expect(region('HEAVIER')).toBe('▷ heavier');
	expect(region('OTHER_COLOUR')).toBe('≠ in another colour');
	expect(edge('CANNOT_TELL')).toBe('? cannot tell');
});

test('what differs all the same is alike only in what it is judged by', () => {
	expect(region('AS_PROTOTYPE', true)).toBe('= in colour, not in measure');
	expect(edge('AS_PROTOTYPE', true)).toBe('= in what is worn, not in measure');
});
