import { beforeEach, expect, test, vi } from 'vitest';
import { answer, refused, stored, type Call } from '$lib/api/stand-in';
import { Desk } from '$lib/ui/desk.svelte';
import { ShelfDesk } from './shelf-desk.svelte';
import type { BottleView } from './shelf';

type Versioned = Call<{ version?: number | null }> & {
	params: { query?: { version: number } };
};

/** A bottle and a recipe on a server that refuses what rests on an old version. */
function shelfServer() {
	const things = { bottle: { version: 1, gone: false }, recipe: { version: 0, gone: true } };
	const log: string[] = [];
	const of = (path: string) => (path.includes('/recipes') ? things.recipe : things.bottle);
	const change = (path: string, seen: number | null | undefined, what: string, gone: boolean) => {
		const t = of(path);
		if (seen !== undefined && seen !== null && seen !== t.version) {
			return refused(409, 'was changed in another window');
		}
		t.version += 1;
		t.gone = gone;
		log.push(what);
		return stored({});
	};
	const get = answer<unknown>('GET', () => stored({}));
	get.mockImplementation((path) => Promise.resolve(stored({ ...of(path) })));
	const put = answer<{ version?: number | null }>('PUT', () => stored({}));
	put.mockImplementation((path, call) => {
		if (path.includes('/cards')) {
			things.bottle.version += 1;
			log.push('card');
			return Promise.resolve(stored({}));
		}
		return Promise.resolve(change(path, call.body.version, 'put', false));
	});
	const del = answer<unknown>('DELETE', () => stored({}));
	del.mockImplementation((path, call) => {
		if (path.includes('/cards')) {
			things.bottle.version += 1;
			log.push('card off');
			return Promise.resolve(stored({}));
		}
		return Promise.resolve(change(path, (call as Versioned).params.query?.version, 'gone', true));
	});
	const post = answer<unknown>('POST', () => stored({}));
	post.mockImplementation((path, call) =>
		Promise.resolve(change(path, (call as Versioned).params.query?.version, 'back', false))
	);
	return { things, log };
}

let desk: Desk;
let shelf: ShelfDesk;
beforeEach(() => {
	vi.restoreAllMocks();
	desk = new Desk();
	shelf = new ShelfDesk(desk, null);
});

const bottle = (version: number) =>
	({ id: 'b', version, bottle: { name: 'warm black' } }) as unknown as BottleView;
const recipe = (version: number) =>
	({ id: 'r', version, recipe: { name: 'grime' } }) as unknown as Parameters<
		ShelfDesk['forget']
	>[0];

test('a recipe kept and taken away is taken back twice', async () => {
	const { things, log } = shelfServer();
	expect(await shelf.keep({ name: 'grime' } as Parameters<ShelfDesk['keep']>[0], null)).toBe(true);
	expect(await shelf.forget(recipe(things.recipe.version))).toBe(true);
	await desk.undo();
	await desk.undo();
	expect(log).toEqual(['put', 'gone', 'back', 'gone']);
	expect(desk.toasts.filter((t) => t.kind === 'failed')).toEqual([]);
});

test('a card that taught a bottle which was away does not stand in the way of its way back', async () => {
	const { things, log } = shelfServer();
	await shelf.takeAway(bottle(1));
	await shelf.card(recipe(1), { l: 40, a: 0, b: 0 });
	await desk.undo();
	await desk.undo();
	expect(log).toEqual(['gone', 'card', 'card off', 'back']);
	expect(things.bottle.gone).toBe(false);
});

test('ten edits of a bottle are taken back one by one', async () => {
	const { things, log } = shelfServer();
	for (let i = 0; i < 10; i++) {
		await shelf.save(bottle(things.bottle.version), bottle(0).bottle);
	}
	for (let i = 0; i < 10; i++) await desk.undo();
	expect(log).toHaveLength(20);
	expect(desk.lastLabel).toBeUndefined();
	expect(desk.toasts.filter((t) => t.kind === 'failed')).toEqual([]);
});
