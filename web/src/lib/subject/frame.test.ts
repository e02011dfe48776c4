import { expect, test } from 'vitest';
import { frameOf } from './frame';

test('a car is measured from the rail to the upper edge of the side, a trailer from the road', () => {
	expect(frameOf('FREIGHT_CAR', 'LEFT').height).toBe(
		'from the top of the rail to the upper edge of the side'
	);
	expect(frameOf('ROAD_TRAILER', 'RIGHT').height).toContain('from the road');
	expect(frameOf('FREIGHT_CAR', 'B_END').shape).toBe('end');
});

test('a roof is seen from above, whatever it is on', () => {
	expect(frameOf('FREIGHT_CAR', 'ROOF')).toEqual(frameOf('STRUCTURE', 'ROOF'));
	expect(frameOf('FREIGHT_CAR', 'ROOF').height).toBe('from eave to eave');
});

test('what has no wheels stands on its lower edge or on the ground', () => {
	expect(frameOf('CONTAINER', 'LEFT').height).toBe('from its lower to its upper edge');
	expect(frameOf('STRUCTURE', 'LEFT').height).toBe('from the ground to the eaves');
	expect(frameOf('STRUCTURE', 'DETAIL').shape).toBe('piece');
});
