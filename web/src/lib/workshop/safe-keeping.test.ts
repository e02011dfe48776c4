import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { answer, refused, stored } from '$lib/api/stand-in';
import { Desk } from '$lib/ui/desk.svelte';
import { SafeKeeping, type Kept } from './safe-keeping.svelte';

const KEPT: Kept = {
	name: 'pendrik-2026-11-25T120000.zip',
	madeAt: '2026-11-25T12:00:00Z',
	bytes: 1
};

let desk: Desk;
let again: ReturnType<typeof vi.fn<() => void>>;
let keeping: SafeKeeping;
beforeEach(() => {
	vi.restoreAllMocks();
	vi.useFakeTimers();
	desk = new Desk();
	again = vi.fn<() => void>();
	keeping = new SafeKeeping(desk, again);
});
afterEach(() => vi.useRealTimers());

test('a backup is said to be made once the server says so, one at a time', async () => {
	const post = answer('POST', () => stored({}));
	const first = keeping.make();
	expect(keeping.running).not.toBe('');
	await keeping.make();
	await first;
	expect(post).toHaveBeenCalledTimes(1);
	expect(keeping.running).toBe('');
	expect(desk.toasts.map((t) => t.text)).toEqual(['The backup is made, and was read back whole']);
});

test('one that could not be made is said where it was asked for', async () => {
	answer('POST', () => refused(507, 'The disk is full.'));
	await keeping.make();
	expect(keeping.problem).toBe('The disk is full.');
	expect(desk.toasts).toEqual([]);
});

test('what the look through the photographs found is also said where the eye is', async () => {
	answer('GET', () => stored([]));
	await keeping.check();
	expect(keeping.broken).toEqual([]);
	answer('GET', () => stored([{ id: 'a', missing: true, caption: '', jobName: 'Kiln house' }]));
	await keeping.check();
	expect(keeping.broken).toHaveLength(1);
	expect(desk.toasts.map((t) => [t.kind, t.text])).toEqual([
		['warned', '1 of the photographs is damaged or gone']
	]);
});

test('nothing is put back before somebody says yes', async () => {
	const post = answer('POST', () => stored({}));
	await keeping.restore();
	keeping.ask(KEPT);
	keeping.ask(undefined);
	await keeping.restore();
	expect(post).not.toHaveBeenCalled();
	expect(again).not.toHaveBeenCalled();
});

test('the page comes anew once the program was gone and answers again', async () => {
	answer('POST', () => stored({}));
	let asked = 0;
	answer('GET', () => {
		asked += 1;
		if (asked > 1 && asked < 4) throw new Error('nobody there');
		return stored({});
	});
	keeping.ask(KEPT);
	const done = keeping.restore();
	await vi.advanceTimersByTimeAsync(1_900);
	expect(again).not.toHaveBeenCalled();
	await vi.advanceTimersByTimeAsync(200);
	await done;
	expect(again).toHaveBeenCalledTimes(1);
	expect(keeping.asked).toBeUndefined();
});

test('a refused archive leaves everything and the question open', async () => {
	answer('POST', () => refused(422, 'Archive is damaged.'));
	keeping.ask(KEPT);
	await keeping.restore();
	expect(keeping.problem).toBe('Archive is damaged.');
	expect(keeping.asked).toEqual(KEPT);
	expect(again).not.toHaveBeenCalled();
});
