import { describe, expect, test } from 'vitest';
import { around, axlesOf, drawnOf, freshKey, halves } from './zones';

describe('zones of a subject', () => {
	test('a box in a line is drawn, none is not seen', () => {
		const zone = {
			zoneKey: 'roof',
			name: 'roof',
			lettering: false,
			areaShare: 0.4,
			box: '0.1 0 0.8 0.07'
		};
		expect(drawnOf([zone, { ...zone, zoneKey: 'load', box: '' }])).toEqual([
			{ key: 'roof', name: 'roof', box: { x: 0.1, y: 0, width: 0.8, height: 0.07 } },
			{ key: 'load', name: 'roof', box: null }
		]);
	});

	test('a new key is plain and free', () => {
		expect(freshKey('Stove pipe!', [])).toBe('stove-pipe');
		expect(freshKey('Roof', ['roof', 'roof-2'])).toBe('roof-3');
		expect(freshKey('***', [])).toBe('zone');
	});

	test('halves and what lies around two', () => {
		expect(halves('0 0 0.8 0.2')).toEqual(['0 0 0.4 0.2', '0.4 0 0.4 0.2']);
		expect(halves('0.1 0 0.1 0.4')).toEqual(['0.1 0 0.1 0.2', '0.1 0.2 0.1 0.2']);
		expect(halves('')).toEqual(['', '']);
		expect(around('0 0 0.4 0.2', '0.4 0 0.4 0.2')).toBe('0 0 0.8 0.2');
		expect(around('', '0.4 0 0.4 0.2')).toBe('0.4 0 0.4 0.2');
	});

	test('a building has no axles', () => {
		expect(axlesOf('BRICK_BUILDING', false)).toEqual([]);
		expect(axlesOf('BRAKE_VAN', true)).toHaveLength(2);
		expect(axlesOf('VAN', true)).toHaveLength(4);
	});
});
