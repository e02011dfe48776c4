import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { ApiError } from '$lib/api/client';
import { Desk } from './desk.svelte';

const nothing = () => Promise.resolve();
const texts = (desk: Desk) => desk.toasts.map((t) => `${t.kind}: ${t.text}`);

function gate() {
	let open = () => {};
	const wait = new Promise<void>((resolve) => (open = resolve));
	return { wait, open };
}

describe('the desk', () => {
	let desk: Desk;

	beforeEach(() => {
		vi.useFakeTimers();
		desk = new Desk();
	});

	afterEach(() => void vi.useRealTimers());

	test('says that an edit is stored and offers the way back', async () => {
		const back = vi.fn(nothing);
		expect(await desk.edit('Region marked', nothing, nothing, back)).toBe(true);
		expect(desk.toasts).toMatchObject([{ text: 'Region marked', kind: 'saved', undo: true }]);
		expect(desk.lastLabel).toBe('Region marked');
		await desk.undo();
		expect(back).toHaveBeenCalledOnce();
		expect(texts(desk)).toEqual(['saved: Taken back: region marked']);
	});

	test('runs edits one after the other, however fast they come', async () => {
		const first = gate();
		const ran: string[] = [];
		const one = desk.edit('one', () => first.wait.then(() => ran.push('one')), nothing);
		const two = desk.edit('two', () => Promise.resolve(ran.push('two')), nothing);
		await nothing();
		expect(ran).toEqual([]);
		expect(desk.busy).toBe(true);
		first.open();
		await Promise.all([one, two]);
		expect(ran).toEqual(['one', 'two']);
		expect(desk.busy).toBe(false);
	});

	test('an edit that fails says why, stores no way back and stops nothing', async () => {
		const failed = desk.edit(
			'one',
			() => Promise.reject(new Error('The disk is full.')),
			nothing,
			nothing
		);
		const next = desk.edit('two', nothing, nothing);
		expect(await failed).toBe(false);
		expect(await next).toBe(true);
		expect(texts(desk)).toEqual(['failed: The disk is full.', 'saved: two']);
		expect(desk.lastLabel).toBeUndefined();
	});

	test('what another tab changed is loaded at once', async () => {
		const after = vi.fn(nothing);
		const stale = new ApiError(409, 'The plan was changed.', undefined, 'Changed elsewhere');
		await desk.edit('one', () => Promise.reject(stale), after);
		expect(after).toHaveBeenCalledOnce();
		const refused = new ApiError(422, 'Length (0 mm) must be above 0.', 'Length', 'Not right');
		await desk.edit('two', () => Promise.reject(refused), after);
		expect(after).toHaveBeenCalledOnce();
	});

	test('goes back edit by edit, then says that there is no more', async () => {
		const ran: string[] = [];
		for (const name of ['one', 'two']) {
			await desk.edit(name, nothing, nothing, () => Promise.resolve(ran.push(name)));
		}
		await desk.undo();
		await desk.undo();
		await desk.undo();
		expect(ran).toEqual(['two', 'one']);
		expect(texts(desk).at(-1)).toBe('saved: There is nothing to take back');
	});

	test('a way back that fails says why', async () => {
		await desk.edit('one', nothing, nothing, () => Promise.reject(new Error('It was changed.')));
		await desk.undo();
		expect(texts(desk).at(-1)).toBe('failed: It was changed.');
	});

	test('a way back that nobody answered can be gone again, one that was refused cannot', async () => {
		let answers = false;
		const ran: string[] = [];
		const gone = new ApiError(0, 'Pendrik does not answer.', undefined, 'No answer');
		const stale = new ApiError(409, 'It was changed.', undefined, 'Changed elsewhere');
		await desk.edit('one', nothing, nothing, () => Promise.resolve(ran.push('one')));
		await desk.edit('two', nothing, nothing, () => Promise.reject(stale));
		await desk.edit('three', nothing, nothing, () =>
			answers ? Promise.resolve(ran.push('three')) : Promise.reject(gone)
		);
		await desk.undo();
		expect(texts(desk).at(-1)).toBe('failed: Pendrik does not answer.');
		answers = true;
		await desk.undo();
		await desk.undo();
		await desk.undo();
		expect(ran).toEqual(['three', 'one']);
	});

	test('remembers the last fifty edits', () => {
		for (let i = 1; i <= 60; i++) desk.remember(`edit ${i}`, nothing);
		expect(desk.lastLabel).toBe('edit 60');
	});

	test('one line says what is stored last; failures stay beside it, and for longer', () => {
		for (const text of ['one', 'two', 'three']) desk.say(text, 'saved');
		expect(desk.toasts.map((t) => t.text)).toEqual(['three']);
		for (const text of ['four', 'five', 'six']) desk.say(text, 'failed');
		desk.say('seven', 'saved');
		expect(desk.toasts.map((t) => t.text)).toEqual(['five', 'six', 'seven']);
		vi.advanceTimersByTime(5_000);
		expect(desk.toasts.map((t) => t.text)).toEqual(['five', 'six']);
		vi.advanceTimersByTime(7_000);
		expect(desk.toasts).toEqual([]);
	});
});
