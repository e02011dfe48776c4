import type { Schemas } from '$lib/api/client';
import { describe, expect, test } from 'vitest';
import { EffectEdit, USUAL } from './effect-edit';
import type { Effect } from './study-desk.svelte';

const way = (key: string, ...materials: string[]) => ({
	key,
	name: key,
	technique: 't',
	techniqueName: 't',
	materials
});
const lists = {
	effects: [
		{
			key: 'FADE',
			label: 'fade',
			technique: 't',
			materials: [],
			kinds: [],
			ways: [way('mist', 'chalk', 'buff'), way('dots', 'oil')]
		}
	],
	materials: [
		{ key: 'chalk', name: 'chalk', family: 'f', own: false, lays: true, thinners: ['water'] },
		{ key: 'oil', name: 'oil', family: 'f', own: false, lays: true, hex: '#ffffff', thinners: [] }
	]
} as unknown as Schemas['Lists'];
const effect = (part: Partial<Effect> = {}): Effect => ({
	id: 'e',
	kind: 'FADE',
	zones: ['roof'],
	strength: 2,
	note: '',
	...part
});

describe('an effect while it is chosen how it is made', () => {
	test('without tones one open line stands there', () => {
		const e = new EffectEdit(effect(), lists, undefined);
		expect(e.tones).toEqual(['']);
		expect(e.asked).toEqual([]);
		expect(e.how).toEqual(USUAL);
		expect(e.usable('')).toEqual(['chalk', 'buff', 'oil']);
		expect(e.thinners).toEqual(['water']);
		expect(e.liquids).toEqual([]);
	});

	test('a tone is put at the end, changed and taken off', () => {
		const one = new EffectEdit(effect({ tones: ['chalk'] }), lists, undefined);
		expect(one.another).toBe('buff');
		expect(one.withTone(1, 'buff')).toEqual({ tones: ['chalk', 'buff'] });
		expect(one.withTone(0, 'buff')).toEqual({ tones: ['buff'] });
		expect(one.withTone(0, '')).toEqual({ tones: [] });
		expect(one.hexOf('oil')).toBe('#ffffff');
		expect(one.hexOf('chalk')).toBeUndefined();
	});

	test('what stands there is always offered', () => {
		const e = new EffectEdit(effect({ tones: ['bottle-1'] }), lists, undefined);
		expect(e.usable('bottle-1')[0]).toBe('bottle-1');
	});

	test('another way forgets what only the one before could use', () => {
		const e = new EffectEdit(
			effect({ tones: ['chalk'], how: { ...USUAL, thinner: 'water', set: 'door' } }),
			lists,
			undefined
		);
		const dots = e.withWay('dots');
		expect(dots.tones).toEqual([]);
		expect(dots.how).toEqual({ ...USUAL, way: 'dots', set: 'door' });
		expect(e.withWay('mist').tones).toEqual(['chalk']);
		expect(e.withWay(null)).toEqual({ how: { ...USUAL, set: 'door' } });
	});

	test('the school says what can be used', () => {
		const made = {
			effect: 'e',
			way: 'dots',
			name: 'dots',
			technique: 't',
			start: 'oil',
			startReason: 'nearest to what was measured',
			steps: [],
			materials: ['oil'],
			liquids: ['spirit'],
			beside: [{ step: 'release-coat', name: 'release layer', start: 'a', materials: ['a', 'b'] }],
			strength: '',
			problem: null,
			remedy: null
		};
		const e = new EffectEdit(effect(), lists, made);
		expect(e.usable('')).toEqual(['oil']);
		expect(e.liquids).toEqual(['spirit']);
		expect(e.with({ rounds: true }).how?.rounds).toBe(true);
		const with2 = e.withBeside('release-coat', 'b');
		expect(with2.how?.beside).toEqual({ 'release-coat': 'b' });
		const back = new EffectEdit(effect(with2), lists, made).withBeside('release-coat', '');
		expect(back.how?.beside).toBeNull();
		expect(e.started).toBe('nearest to what was measured: oil');
		expect(new EffectEdit(effect(), lists, undefined).started).toBe('as it starts');
	});

	test('opens what is asked otherwise', () => {
		const usual = new EffectEdit(effect(), lists, undefined);
		expect(usual.isOtherwise).toBe(false);
		expect(new EffectEdit(effect(usual.with({ set: 'b' })), lists, undefined).isOtherwise).toBe(
			true
		);
	});

	test('goes on zones and off them, never off the last', () => {
		const on = new EffectEdit(effect({ zones: ['side'] }), lists, undefined);
		expect(on.isOnlyOn('side')).toBe(true);
		expect(on.onZone('side', false)).toEqual({ zones: ['side'] });
		const two = new EffectEdit(effect(on.onZone('glass', true)), lists, undefined);
		expect(two.isOnlyOn('side')).toBe(false);
		expect(two.onZone('side', false)).toEqual({ zones: ['glass'] });
		expect(two.onZone('glass', true)).toEqual({ zones: ['side', 'glass'] });
	});
});
