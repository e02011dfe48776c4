import { describe as group, expect, test } from 'vitest';
import {
	describe,
	finishName,
	heightFor,
	inkOn,
	place,
	surface,
	type BandData,
	type Core
} from './core';

const band = (um: number, part: Partial<BandData> = {}): BandData =>
	({
		material: 'satin clear',
		finish: 'SATIN',
		filmMicrometres: um,
		done: true,
		...part
	}) as BandData;
const core = (...bands: BandData[]): Core =>
	({ name: 'roof', substrate: 'factory paint', substrateFinish: 'SEMI_GLOSS', bands }) as Core;

group('the bands of a core', () => {
	test('lie on each other from the substrate up, without gaps', () => {
		const { bands, baseTop } = place(core(band(12), band(4), band(30)), 300);
		let top = baseTop;
		for (const b of bands) {
			expect(b.top + b.height).toBeCloseTo(top);
			top = b.top;
		}
		expect(bands.map((b) => b.index)).toEqual([0, 1, 2]);
	});

	test('a thicker film is a higher band', () => {
		const [thin, thick] = place(core(band(5), band(20)), 300).bands;
		expect(thick?.height).toBeGreaterThan(thin?.height ?? Infinity);
	});

	test.each([1, 8, 25, 60])('%d coats stay within the height', (count) => {
		const { bands } = place(core(...Array.from({ length: count }, () => band(15))), 220);
		expect(bands.at(-1)?.top).toBeGreaterThanOrEqual(0);
		expect(Math.min(...bands.map((b) => b.height))).toBeGreaterThan(0);
	});

	test('a bare core has its substrate only', () => {
		expect(place(core(), 110).bands).toEqual([]);
	});
});

test('cores are as high as the fullest needs, up to the most', () => {
	expect(heightFor([core()], 300)).toBe(110);
	const full = core(...Array.from({ length: 60 }, () => band(15)));
	expect(heightFor([core(), full], 300)).toBe(300);
	const some = core(band(15), band(15), band(15), band(15));
	expect(heightFor([some], 300)).toBeGreaterThan(110);
});

test.each([
	['#ffffff', '#000'],
	['#000000', '#fff'],
	['#d8c060', '#000'],
	['#1c2440', '#fff']
])('on %s one writes in %s', (ground, ink) => {
	expect(inkOn(ground)).toBe(ink);
});

test('a core is said in words, planned coats as planned', () => {
	expect(describe(core())).toBe('roof: factory paint; surface semi-gloss');
	expect(describe(core(band(9), band(3, { material: 'dust', finish: 'LOOSE', done: false })))).toBe(
		'roof: factory paint, satin clear, dust (planned); surface loose powder'
	);
});

test('a finish that has no word of its own is said as it is', () => {
	expect(finishName('MATTE')).toBe('dead flat');
	expect(finishName('PEARL')).toBe('pearl');
});

group('the surface that a step meets', () => {
	const found = (rule: string, numbers: Record<string, number> = {}) =>
		[{ rule, numbers }] as unknown as Parameters<typeof surface>[0];

	test.each([
		['TOOTH', { tooth: 0.1, 'works from': 0.55, 'works to': 1 }, 'slick'],
		['TOOTH', { tooth: 0.85, 'works from': 0, 'works to': 0.35 }, 'rough'],
		['STAINS', {}, 'stains'],
		['LOOSE', {}, 'loose']
	])('%s %o is drawn as %s', (rule, numbers, drawn) => {
		expect(surface(found(rule, numbers))).toBe(drawn);
	});

	test('is plain when nothing speaks of it', () => {
		expect(surface(found('REACH'))).toBeUndefined();
		expect(surface([])).toBeUndefined();
	});
});
