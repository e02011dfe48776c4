import { expect, test } from 'vitest';
import { takenBack } from './taken-back';

const list = (text: string) =>
	text
		.split('')
		.flatMap((c) => (c === ' ' ? [] : [{ id: c.toLowerCase(), big: c !== c.toLowerCase() }]));

test.each([
	['what nobody touched since is as it was', 'ab', 'abc', 'abc', 'ab'],
	['what was put in goes, what others put in stays', 'ab', 'abc', 'abcx', 'abx'],
	['what was taken out comes back where it stood', 'abc', 'ac', 'acx', 'abcx'],
	['the first comes back as the first', 'abc', 'bc', 'bcx', 'abcx'],
	['what was changed is as it was', 'ab', 'aB', 'aBx', 'abx'],
	['what others changed again stays theirs', 'ab', 'aB', 'ab x', 'abx'],
	['an order is turned round', 'abc', 'bac', 'bacx', 'abcx'],
	['an order that others changed too stays theirs', 'abc', 'bac', 'bcax', 'bcax'],
	['what others took out stays out', 'abc', 'bac', 'bc', 'bc'],
	['a list made wholly anew gives way', 'abc', 'xyz', 'xyzo', 'abco']
])('%s', (_, before, after, now, then) => {
	expect(takenBack(list(before), list(after), list(now))).toEqual(list(then));
});
