import { describe, expect, test } from 'vitest';
import { answer, refused, stored } from '$lib/api/stand-in';
import { WhatIf } from './what-if.svelte';

describe('what if', () => {
	test('asks with the air of the bench until another is set', async () => {
		const asked: unknown[] = [];
		answer('POST', ({ body }) => {
			asked.push(body);
			return stored({ laterMinutes: 60 });
		});
		const ask = new WhatIf('job');
		ask.begin(19, 0.55);
		await ask.ask();
		ask.set({ celsius: 11 });
		await Promise.resolve();
		expect(asked).toEqual([
			{ celsius: 19, humidity: 0.55, thicker: null, thickness: null },
			{ celsius: 11, humidity: 0.55, thicker: null, thickness: null }
		]);
	});

	test('a step laid wet is named', async () => {
		let body: unknown;
		answer('POST', (q) => {
			body = q.body;
			return stored({ laterMinutes: 0 });
		});
		const ask = new WhatIf('job');
		ask.begin(20, 0.5);
		ask.thicker = 'wash';
		await ask.ask();
		expect(body).toMatchObject({ thicker: 'wash', thickness: 'WET' });
	});

	test('what was refused is said, and closing forgets the answer', async () => {
		answer('POST', () => refused(422, 'Humidity (300 %) must be from 0 to 100 %.'));
		const ask = new WhatIf('job');
		ask.begin(20, 3);
		await ask.ask();
		expect(ask.failed).toContain('Humidity');
		answer('POST', () => stored({ laterMinutes: 5 }));
		await ask.ask();
		expect(ask.failed).toBe('');
		expect(ask.then?.laterMinutes).toBe(5);
		ask.close();
		expect(ask.then).toBeUndefined();
	});
});
