import { beforeEach, describe, expect, test, vi } from 'vitest';
import { answer, refused, stored } from '$lib/api/stand-in';
import { MixingTable } from './mixing.svelte';
import { rails, stateOf, type BottleView } from './shelf';

type Body = { drops: { bottle: string; drops: number }[] };

describe('the mixing table', () => {
	beforeEach(() => {
		vi.stubGlobal(
			'EventSource',
			class {
				close() {}
			}
		);
	});

	test('a bottle that went off the shelf is out of the cup and of the rules', async () => {
		answer<Body>('POST', ({ body }) => stored({ drops: body.drops.length }));
		const table = new MixingTable();
		await table.add('white', 2);
		await table.add('black', 1);
		table.rule('black', 'must');
		table.rule('white', 'not');
		await table.keepTo([{ id: 'white', version: 1 }]);
		expect(table.drops).toEqual([{ bottle: 'white', drops: 2 }]);
		expect(table.chosen).toBe(0);
		expect(table.limits.must).toEqual([]);
		expect(table.limits.not).toEqual(['white']);
		await table.keepTo([]);
		expect(table.view).toBeUndefined();
	});

	test('what was found holds until a bottle comes, goes or is known otherwise', async () => {
		answer('POST', () => stored({ drops: [] }));
		const shelf = [
			{ id: 'white', version: 1 },
			{ id: 'black', version: 4 }
		];
		for (const [now, holds] of [
			[shelf, true],
			[shelf.slice(1), false],
			[[...shelf, { id: 'green', version: 1 }], false],
			[shelf.map((b) => ({ ...b, version: 5 })), false]
		] as const) {
			const table = new MixingTable(() => shelf);
			await table.aim({ l: 40, a: 0, b: 0 });
			await table.search();
			expect(table.found).toBeDefined();
			await table.keepTo(now);
			expect(table.found !== undefined).toBe(holds);
		}
	});

	test('drops are added, taken, and a bottle without drops leaves the cup', async () => {
		const cups: unknown[] = [];
		answer<Body>('POST', ({ body }) => {
			cups.push(body.drops);
			return stored({ drops: body.drops.length });
		});
		const table = new MixingTable();
		await table.add('white', 1);
		await table.add('white', 1);
		await table.add('black', 1);
		expect(table.drops).toEqual([
			{ bottle: 'white', drops: 2 },
			{ bottle: 'black', drops: 1 }
		]);
		expect(table.chosen).toBe(1);
		await table.addChosen(-1);
		expect(table.drops).toEqual([{ bottle: 'white', drops: 2 }]);
		expect(table.chosen).toBe(0);
		await table.add('green', -1);
		expect(cups).toHaveLength(4);
		await table.add('white', -2);
		expect(table.view).toBeUndefined();
	});

	test('an answer that was overtaken is dropped', async () => {
		const waiting: (() => void)[] = [];
		const { api } = await import('$lib/api/client');
		vi.spyOn(api, 'POST').mockImplementation(
			((_: string, call: { body: Body }) =>
				new Promise((resolve) =>
					waiting.push(() => {
						resolve(stored({ drops: call.body.drops[0]?.drops }));
					})
				)) as never
		);
		const table = new MixingTable();
		const first = table.add('white', 1);
		const second = table.add('white', 1);
		waiting[1]?.();
		waiting[0]?.();
		await Promise.all([first, second]);
		expect(table.view).toEqual({ drops: 2 });
	});

	test('a search fills the cup; what is refused is said and the cup stays', async () => {
		answer<Body>('POST', ({ body }) =>
			'mostPaints' in body
				? stored({ drops: [{ bottle: 'ochre', drops: 3 }] })
				: stored({ drops: 3 })
		);
		const table = new MixingTable();
		await table.search();
		expect(table.found).toBeUndefined();
		await table.aim({ l: 50, a: 5, b: 20 });
		await table.search();
		expect(table.problem).toBe('');
		expect(table.drops).toEqual([{ bottle: 'ochre', drops: 3 }]);
		answer('POST', () => refused(422, 'Recipe (none) cannot be found.'));
		await table.search();
		expect(table.problem).toContain('cannot be found');
		expect(table.drops).toEqual([{ bottle: 'ochre', drops: 3 }]);
	});

	test('a bottle must be in, stays out, or may be either', () => {
		const table = new MixingTable();
		table.rule('ochre', 'must');
		expect(table.ruleOf('ochre')).toBe('must');
		table.rule('ochre', 'not');
		expect(table.ruleOf('ochre')).toBe('not');
		expect(table.limits.must).toEqual([]);
		table.rule('ochre', 'may');
		expect(table.ruleOf('ochre')).toBe('may');
	});

	test('a target fades by what is asked for', async () => {
		let asked: unknown;
		answer<{ by: number }>('POST', ({ body }) => {
			asked = body.by ?? asked;
			return stored({ colour: { l: 44, a: 28, b: 20 } });
		});
		const table = new MixingTable();
		await table.fade(8);
		expect(asked).toBeUndefined();
		await table.aim({ l: 38, a: 33, b: 23 });
		await table.fade(8);
		expect(asked).toBe(8);
		expect(table.target).toEqual({ l: 44, a: 28, b: 20 });
	});

	test('a target is seen while the cup is empty, and one that was overtaken is dropped', async () => {
		let last: ((view: unknown) => void) | undefined;
		answer<{ l: number }>('POST', ({ body }) =>
			body.l === 50
				? new Promise<ReturnType<typeof stored>>((resolve) => {
						last = () => resolve(stored({ under: { D65: '#777777' }, clamped: false }));
					})
				: stored({ under: { D65: '#999999' }, clamped: false })
		);
		const table = new MixingTable();
		const slow = table.aim({ l: 50, a: 0, b: 0 });
		await table.aim({ l: 63, a: 0, b: 0 });
		expect(table.wanted?.under.D65).toBe('#999999');
		last?.(undefined);
		await slow;
		expect(table.wanted?.under.D65).toBe('#999999');
		await table.aim(undefined);
		expect(table.wanted).toBeUndefined();
	});

	test('the lamp goes round', () => {
		const table = new MixingTable();
		const seen = new Set([table.light]);
		for (let i = 0; i < 4; i++) {
			table.nextLamp();
			seen.add(table.light);
		}
		expect(seen.size).toBe(5);
		table.nextLamp();
		expect(table.light).toBe('D65');
	});
});

const bottle = (l: number, a: number, b: number, state = 'FINE') =>
	({ id: `${l} ${a} ${b}`, state, bottle: { colour: { l, a, b } } }) as BottleView;
const onRail = (rail: BottleView['rail'], l: number) => ({ ...bottle(l, 0, 0), rail });

describe('the shelf', () => {
	test('stands rail by rail, dark to light', () => {
		const all = rails([
			onRail('GREYS', 90),
			onRail('WITHOUT_COLOUR', 0),
			onRail('VIOLETS', 35),
			onRail('REDS', 40),
			onRail('GREYS', 20),
			onRail('GREENS', 40)
		]);
		expect(all.map((r) => r.name)).toEqual([
			'greys',
			'reds',
			'greens',
			'violets',
			'without a colour'
		]);
		expect(all[0]?.bottles.map((b) => b.bottle.colour?.l)).toEqual([20, 90]);
	});

	test('says only what needs an eye', () => {
		expect(stateOf(bottle(1, 1, 1))).toBe('');
		expect(stateOf(bottle(1, 1, 1, 'PERISHED'))).toBe('perished');
	});
});
