import { describe, expect, test } from 'vitest';
import { factorySaid, grouped } from './factory-colour';

const red = { source: 'BOTTLE' as const, name: 'Wagon red', l: 38, a: 27.5, b: 19 };

describe('the factory colour', () => {
	test('says where it comes from', () => {
		expect(factorySaid(red, 'plate')).toEqual([
			'Wagon red',
			'a bottle, as its colour was then · L* 38.0 a* 27.5 b* 19.0'
		]);
		expect(factorySaid({ ...red, source: 'TYPED', name: '' }, undefined)[0]).toBe(
			'L* 38.0 a* 27.5 b* 19.0'
		);
		expect(factorySaid(null, 'plate')[0]).toBe('plate');
		expect(factorySaid(undefined, undefined)[0]).toBe('Not known yet');
	});

	test('offers stand under headings, each known by its place in the list', () => {
		const offers = [
			{ paint: { ...red, source: 'JOB' as const, name: 'Tank car 7' }, hex: '#884433' },
			{ paint: red, hex: '#884433' }
		];
		expect(grouped(offers, undefined).map(([h, of]) => [h, of.map(([k]) => k)])).toEqual([
			['', ['region', 'typed']],
			['Bottles on the shelf', ['1']],
			['Other jobs', ['0']]
		]);
	});
});
