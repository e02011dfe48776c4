import type { Schemas } from '$lib/api/client';

type Verdict = Schemas['Judged']['verdict'];

const SIGNS: Record<Verdict, string> = {
	LIGHTER: '◁',
	AS_PROTOTYPE: '=',
	HEAVIER: '▷',
	OTHER_COLOUR: '≠',
	CANNOT_TELL: '?'
};

const WORDS: Record<Verdict, string> = {
	LIGHTER: 'lighter',
	AS_PROTOTYPE: 'as the prototype',
	HEAVIER: 'heavier',
	OTHER_COLOUR: 'in another colour',
	CANNOT_TELL: 'cannot tell'
};

/**
 * A verdict in words, its sign before it. A region is judged by its colour; where a measure of it differs all the same, the
 * words say that only the colour is meant.
 */
export function said(one: { verdict: Verdict; differences: { verdict: Verdict }[] }): string {
	const differs = one.differences.some((d) => d.verdict !== 'AS_PROTOTYPE');
	const words =
		one.verdict === 'AS_PROTOTYPE' && differs ? 'in colour, not in measure' : WORDS[one.verdict];
	return `${SIGNS[one.verdict]} ${words}`;
}
