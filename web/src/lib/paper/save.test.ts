import { describe, expect, test } from 'vitest';
import { ApiError } from '$lib/api/client';
import { made } from './save';

const answering = (body: string, init: ResponseInit) => () =>
	Promise.resolve(new Response(body, init));

describe('a file to save', () => {
	test('has the name that the server gives it', async () => {
		const file = await made(
			'/api/jobs/1/paper/card.pdf?paper=A4',
			answering('%PDF', { headers: { 'Content-Disposition': 'attachment; filename="side.pdf"' } })
		);
		expect(file.name).toBe('side.pdf');
		expect(await file.blob.text()).toBe('%PDF');
	});

	test('has the name of its address when the server gives none', async () => {
		const file = await made('/api/jobs/1/paper/card.pdf?paper=A4', answering('%PDF', {}));
		expect(file.name).toBe('card.pdf');
	});

	test('is not made of a refusal: the sentence is thrown', async () => {
		const refusal = JSON.stringify({ title: 'Kerf', detail: 'A knife has 0.', field: 'Kerf' });
		await expect(made('/mask.svg', answering(refusal, { status: 422 }))).rejects.toThrow(
			'A knife has 0.'
		);
	});

	test('a server that is not there, or says nothing readable, is told too', async () => {
		await expect(made('/x', () => Promise.reject(new TypeError('gone')))).rejects.toThrow(
			'does not answer'
		);
		const failed = made('/x', answering('<html>', { status: 502 }));
		await expect(failed).rejects.toBeInstanceOf(ApiError);
	});
});
