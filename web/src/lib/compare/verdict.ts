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
 * A verdict in words, its sign before it. A region is judged by its colour, an edge by the share of it that is worn; where a
 * measure differs all the same, the words say that only this is meant.
 */
export function said(one: Schemas['Judged'] | Schemas['JudgedEdge']): string {
	const alike = 'deltaE00' in one ? 'in colour' : 'in what is worn';
	return `${SIGNS[one.verdict]} ${one.differsAllTheSame ? `${alike}, not in measure` : WORDS[one.verdict]}`;
}
