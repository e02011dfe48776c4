import { expect, test } from 'vitest';
import type { Schemas } from '$lib/api/client';
import { joinedOf, leadingOf, spreadOf } from './joined';

const photo = (id: string, part: Partial<Schemas['Photograph']> = {}) =>
	({ id, located: true, sister: false, leads: false, ...part }) as Schemas['Photograph'];

test('the first that is located leads until another one is chosen', () => {
	const first = photo('first');
	const second = photo('second');
	expect(leadingOf([photo('bare', { located: false }), first, second])).toBe(first);
	const chosen = photo('chosen', { leads: true });
	expect(leadingOf([first, second, chosen])).toBe(chosen);
});

test('one that leads and is not located any more does not', () => {
	const first = photo('first');
	expect(leadingOf([first, photo('lost', { located: false, leads: true })])).toBe(first);
});

test('sister cars tell nothing of the side, and where nothing is located the newest is shown', () => {
	const sister = photo('sister', { sister: true });
	const bare = photo('bare', { located: false });
	const newest = photo('newest', { located: false });
	expect(joinedOf([sister, bare])).toEqual([]);
	expect(leadingOf([sister, bare, newest])).toBe(newest);
	expect(leadingOf([])).toBeUndefined();
});

test('a spread is a range, and says when it is more than the photographs leave open', () => {
	const spread = { measure: 'fresh rust', unit: '%', least: 3.1, most: 7.3, apart: true };
	expect(spreadOf(spread)).toBe('fresh rust 3.1 to 7.3 %, apart by more than they leave open');
	expect(spreadOf({ ...spread, least: 7.26, apart: false })).toBe('fresh rust 7.3 %');
	expect(
		spreadOf({ measure: 'dust up to', unit: 'mm', least: 240.4, most: 301, apart: false })
	).toBe('dust up to 240 to 301 mm');
});
