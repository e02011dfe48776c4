import type { Schemas } from '$lib/api/client';

type Photograph = Schemas['Photograph'];

/** Where the side lies on it is marked. */
export const located = (p: Photograph | undefined) => p?.located === true;

/** The located photographs of the prototype that tell of one side together: sister cars do not. */
export const joinedOf = (ofSide: Photograph[]) => ofSide.filter((p) => located(p) && !p.sister);

/**
 * The photograph that measures a side of the prototype: the one chosen to lead, else the first that is located, else
 * the newest. The server counts in the same way.
 */
export function leadingOf(ofSide: Photograph[]): Photograph | undefined {
	const joined = joinedOf(ofSide);
	return joined.find((p) => p.leads) ?? joined[0] ?? ofSide.filter((p) => !p.sister).at(-1);
}

/** What a measure spreads over the photographs, in words. */
export function spreadOf(s: Schemas['Spread']): string {
	const figure = (v: number) => (Math.abs(v) >= 100 ? Math.round(v).toString() : v.toFixed(1));
	const range =
		figure(s.least) === figure(s.most)
			? figure(s.least)
			: `${figure(s.least)} to ${figure(s.most)}`;
	return `${s.measure} ${range} ${s.unit}${s.apart ? ', apart by more than they leave open' : ''}`;
}
