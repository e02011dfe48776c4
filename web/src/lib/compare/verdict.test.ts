import { expect, test } from 'vitest';
import { said } from './verdict';

const less = { verdict: 'LIGHTER' as const };
const same = { verdict: 'AS_PROTOTYPE' as const };

test('a region is as the prototype only where nothing that was measured differs', () => {
	expect(said({ ...same, differences: [] })).toBe('= as the prototype');
	expect(said({ ...same, differences: [same, same] })).toBe('= as the prototype');
	expect(said({ ...same, differences: [same, less] })).toBe('= in colour, not in measure');
});

test('what the colour says goes first', () => {
	expect(said({ verdict: 'LIGHTER', differences: [same] })).toBe('◁ lighter');
	expect(said({ verdict: 'HEAVIER', differences: [less] })).toBe('▷ heavier');
	expect(said({ verdict: 'OTHER_COLOUR', differences: [] })).toBe('≠ in another colour');
	expect(said({ verdict: 'CANNOT_TELL', differences: [less] })).toBe('? cannot tell');
});
