import { expect, test } from 'vitest';
import { saidOfWays } from './ways';

test('when every way was tried, what is missing is said for certain', () => {
	expect(saidOfWays(0, 0)).toContain('cannot be made in any school');
	expect(saidOfWays(1, 0)).toContain('No other school is better');
	expect(saidOfWays(3, 0)).toBe('');
});

test.each([0, 1, 3])('nothing is claimed of ways that were not tried, with %i found', (found) => {
	for (const untried of [1, 15]) {
		const said = saidOfWays(found, untried);
		expect(said).toContain(`${untried} other way`);
		expect(said).toContain('not tried');
		expect(said).not.toMatch(/cannot be made|No other school/);
	}
	expect(saidOfWays(found, 1)).toContain('1 other way was not');
});
