import { expect, test } from 'vitest';
import type { Schemas } from '$lib/api/client';
import { said } from './verdict';

type Verdict = Schemas['Judged']['verdict'];

const measures = (all: Verdict[]) => all.map((verdict) => ({ verdict })) as Schemas['Difference'][];
const region = (verdict: Verdict, ...of: Verdict[]) =>
	said({ verdict, deltaE00: 1, differences: measures(of) } as Schemas['Judged']);
const edge = (verdict: Verdict, ...of: Verdict[]) =>
	said({ verdict, differences: measures(of) } as Schemas['JudgedEdge']);

test('a region is as the prototype only where nothing that was measured differs', () => {
	expect(region('AS_PROTOTYPE')).toBe('= as the prototype');
	expect(region('AS_PROTOTYPE', 'AS_PROTOTYPE', 'AS_PROTOTYPE')).toBe('= as the prototype');
	expect(region('AS_PROTOTYPE', 'AS_PROTOTYPE', 'LIGHTER')).toBe('= in colour, not in measure');
});

test('what the colour says goes first', () => {
	expect(region('LIGHTER', 'AS_PROTOTYPE')).toBe('◁ lighter');
	expect(region('HEAVIER', 'LIGHTER')).toBe('▷ heavier');
	expect(region('OTHER_COLOUR')).toBe('≠ in another colour');
	expect(region('CANNOT_TELL', 'LIGHTER')).toBe('? cannot tell');
});

test('an edge is never said to be alike in colour, which it has none of', () => {
	expect(edge('AS_PROTOTYPE', 'AS_PROTOTYPE', 'HEAVIER')).toBe('= as the prototype');
});
