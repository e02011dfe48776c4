import { describe, expect, test } from 'vitest';
import { number, numberIn, scaleIn } from './number';

describe('a number', () => {
	test.each([
		['12', 12],
		[' 12,5 ', 12.5],
		['0,125', 0.125],
		['-3.5', -3.5]
	])('%s is %d', (text, value) => {
		expect(number(text)).toBe(value);
		expect(numberIn('Amount', text)).toBe(value);
	});

	test.each(['', ' ', 'soon', '1..2', '1,000'])('%s is none', (text) => {
		expect(number(text)).toBeNaN();
		expect(() => numberIn('Amount', text)).toThrow(/^Amount /);
	});
});

test('what can be a thousand or one is asked about', () => {
	expect(() => numberIn('Length', '1,000')).toThrow('Write 1000, or 1.000 with a point.');
});

test.each(['87.1', '1:87.1', '1 : 87,1', '1/87.1'])('the scale %s', (text) => {
	expect(scaleIn(text)).toBe(87.1);
});
