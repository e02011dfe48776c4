import { beforeEach, describe, expect, it, vi } from 'vitest';
import { Quick } from './quick.svelte';

const kept = new Map<string, string>();

describe('small answers', () => {
	beforeEach(() => {
		kept.clear();
		vi.stubGlobal('localStorage', {
			getItem: (k: string) => kept.get(k) ?? null,
			setItem: (k: string, v: string) => kept.set(k, v)
		});
	});

	it('remembers what was typed, and only what it knows', async () => {
		kept.set('thumb.test', JSON.stringify({ a: '7', b: 3, other: 'x' }));
		const q = new Quick('test', { a: '1', b: '2' }, (f) => Promise.resolve(`${f.a} ${f.b}`));
		expect(q.fields).toEqual({ a: '7', b: '2' });
		q.fields.b = '9';
		await q.ask();
		expect(q.answer).toBe('7 9');
		expect(JSON.parse(kept.get('thumb.test') ?? '')).toEqual({ a: '7', b: '9' });
	});

	it('starts anew from what cannot be read', () => {
		kept.set('thumb.test', '{');
		expect(new Quick('test', { a: '1' }, () => Promise.resolve(1)).fields.a).toBe('1');
	});

	it('drops an answer that was overtaken', async () => {
		const waiting: ((v: string) => void)[] = [];
		const q = new Quick(
			'late',
			{ a: '1' },
			() => new Promise<string>((resolve) => waiting.push(resolve))
		);
		const first = q.ask();
		const second = q.ask();
		waiting[1]?.('second');
		waiting[0]?.('first');
		await Promise.all([first, second]);
		expect(q.answer).toBe('second');
	});

	it('keeps the last answer beside a refusal', async () => {
		const q = new Quick('bad', { a: '1' }, (f) =>
			f.a === 'x' ? Promise.reject(new Error('A (x) is not a number.')) : Promise.resolve(f.a)
		);
		await q.ask();
		q.fields.a = 'x';
		await q.ask();
		expect(q.answer).toBe('1');
		expect(q.problem).toContain('is not a number');
		q.fields.a = '2';
		await q.ask();
		expect(q.problem).toBe('');
	});
});
