import type { Schemas } from '$lib/api/client';

type Verdict = Schemas['Judged']['verdict'];
type Told = Pick<Schemas['Judged'], 'verdict' | 'by' | 'others'>;

const SIGNS: Record<Verdict, string> = {
	LIGHTER: '◁',
	AS_PROTOTYPE: '=',
	HEAVIER: '▷',
	OTHER_COLOUR: '≠',
	DIFFERS: '≠',
	CANNOT_TELL: '?'
};

const WORDS: Record<Verdict, string> = {
	LIGHTER: 'lighter',
	AS_PROTOTYPE: 'as the prototype',
	HEAVIER: 'heavier',
	OTHER_COLOUR: 'another colour',
	DIFFERS: 'differs',
	CANNOT_TELL: 'cannot tell'
};

/** The verdict from all measures of a region or an edge in words, its sign before it. */
export function said(one: Told): string {
	return `${SIGNS[one.verdict]} ${WORDS[one.verdict]}`;
}

/** What the verdict rests on: the measure that differs most, or cannot be told, and how many more there are. */
export function restsOn(one: Told): string {
	if (!one.by || one.verdict === 'OTHER_COLOUR') return one.others ? `and ${one.others} more` : '';
	return one.others ? `${one.by} and ${one.others} more` : one.by;
}
