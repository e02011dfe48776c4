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
 * words say that only the colour is meant. An edge has no colour and is judged by what is worn.
 */
export function said(one: Schemas['Judged'] | Schemas['JudgedEdge']): string {
	const colourOnly =
		'deltaE00' in one &&
		one.verdict === 'AS_PROTOTYPE' &&
		one.differences.some((d) => d.verdict !== 'AS_PROTOTYPE');
	return `${SIGNS[one.verdict]} ${colourOnly ? 'in colour, not in measure' : WORDS[one.verdict]}`;
}
