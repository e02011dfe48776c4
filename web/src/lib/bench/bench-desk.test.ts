import { beforeEach, describe, expect, test, vi } from 'vitest';
import type { Schemas } from '$lib/api/client';
import { queryClient } from '$lib/api/queries';
import { answer, refused, stored } from '$lib/api/stand-in';
import { Desk } from '$lib/ui/desk.svelte';
import { BenchDesk, type Bench } from './bench-desk.svelte';

type LogDraft = Schemas['LogDraft'];

const step = (id: string, running: unknown = null) =>
	({ id, name: 'pin wash', material: 'wash-brown', running }) as unknown as NonNullable<
		Bench['step']
	>;

describe('at the bench', () => {
	let bench: Bench;
	let hands: BenchDesk;
	let desk: Desk;
	const written: { id: string; body: LogDraft }[] = [];
	let put: ReturnType<typeof answer<LogDraft>>;

	beforeEach(() => {
		written.length = 0;
		bench = { step: step('a') } as Bench;
		desk = new Desk();
		hands = new BenchDesk('job', desk, () => bench);
		vi.spyOn(queryClient, 'invalidateQueries').mockResolvedValue();
		vi.spyOn(queryClient, 'setQueryData').mockImplementation((_, fresh) => {
			bench = fresh as Bench;
		});
		put = answer<LogDraft>('PUT', ({ params, body }) => {
			const id = params.path['id'] ?? '';
			written.push({ id, body });
			return stored({ step: body.finished ? step('b') : step('a', { id, version: 1 }) });
		});
	});

	test('a step is begun and done under one entry', async () => {
		await hands.begin();
		await hands.done();
		expect(written.map((w) => w.body.finished)).toEqual([false, true]);
		expect(written[1]?.id).toBe(written[0]?.id);
		expect(written[1]?.body.version).toBe(1);
		expect(hands.step?.id).toBe('b');
	});

	test('a second tap before the first is written means nothing', async () => {
		await Promise.all([hands.begin(), hands.begin(), hands.done()]);
		expect(written).toHaveLength(1);
		await Promise.all([hands.done(), hands.done()]);
		expect(written.map((w) => w.body.stepId)).toEqual(['a', 'a']);
	});

	test('what was really used goes with the step, and the next one starts clean', async () => {
		hands.material = 'wash-black';
		hands.note = 'ran well';
		hands.photographId = 'photo';
		hands.startedAt = '2026-11-25T19:00';
		await hands.done();
		expect(written[0]?.body).toMatchObject({
			material: 'wash-black',
			note: 'ran well',
			photographId: 'photo',
			startedAt: new Date(2026, 10, 25, 19).toISOString(),
			finishedAt: null
		});
		expect([hands.note, hands.photographId, hands.startedAt]).toEqual(['', null, '']);
		expect(hands.chosenMaterial).toBe('wash-brown');
	});

	test('a photograph goes to the side that it shows, called by what it was taken after', async () => {
		const sent: unknown[] = [];
		answer('PUT', ({ params }) => {
			sent.push((params as { query?: unknown }).query);
			return stored({});
		});
		hands.side = 'ROOF';
		await hands.addPhotograph(new File(['x'], 'image.jpg'), 'pin wash');
		expect(sent).toEqual([{ role: 'MODEL', side: 'ROOF', caption: 'After pin wash' }]);
		expect(hands.photographId).not.toBeNull();
		expect(hands.coming).toBe(false);
	});

	test('what the server refuses keeps what was typed, and can be tried again', async () => {
		put.mockResolvedValueOnce(refused(422, 'Time must not lie ahead.'));
		hands.note = 'two passes';
		await hands.done();
		expect(desk.toasts.at(-1)?.text).toBe('Time must not lie ahead.');
		expect(hands.note).toBe('two passes');
		await hands.done();
		expect(written[0]?.body.note).toBe('two passes');
	});

	test('without a plan there is nothing to begin', async () => {
		bench = { step: null } as unknown as Bench;
		await hands.begin();
		await hands.done();
		expect(written).toEqual([]);
		expect(hands.chosenMaterial).toBe('');
	});

	test('undo takes the entry back', async () => {
		const del = answer('DELETE', () => stored({ step: step('a') }));
		await hands.done();
		await desk.undo();
		expect(del.mock.calls[0]?.[1]).toEqual({
			params: { path: { jobId: 'job', id: written[0]?.id } }
		});
		expect(hands.step?.id).toBe('a');
	});
});
