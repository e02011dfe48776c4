import { beforeEach, describe, expect, test, vi } from 'vitest';
import { Keys } from './keys.svelte';

type On = 'page' | 'field' | 'list' | 'button' | 'checkbox';

function event(key: string, on: On = 'page', part: Partial<KeyboardEvent> = {}) {
	const closest = (selector: string) =>
		(on === 'field' && selector.includes('input')) ||
		(on === 'list' && selector.includes('listbox')) ||
		(on === 'button' && selector.includes('button')) ||
		(on === 'checkbox' && /(?<!:not\()\[type="checkbox"\]/.test(selector))
			? {}
			: null;
	return {
		key,
		target: { closest },
		preventDefault: vi.fn(),
		...part
	} as unknown as KeyboardEvent;
}

describe('keys', () => {
	let keys: Keys;
	const begin = vi.fn();
	const left = vi.fn();
	const view = [
		{ key: ' ', label: 'Begin', run: begin },
		{ key: 'ArrowLeft', label: 'Left', run: left }
	];

	beforeEach(async () => {
		begin.mockReset();
		left.mockReset();
		keys = new Keys();
		keys.add('Bench', view);
		await Promise.resolve();
	});

	test('single letters can be switched off; arrows stay', () => {
		keys.setLetters(false);
		keys.press(event(' '));
		keys.press(event('ArrowLeft'));
		expect(begin).not.toHaveBeenCalled();
		expect(left).toHaveBeenCalledOnce();
		keys.setLetters(true);
		keys.press(event(' '));
		expect(begin).toHaveBeenCalledOnce();
	});

	test('run what they mean and keep the page still', () => {
		const still = vi.fn();
		keys.press(event(' ', 'page', { preventDefault: still }));
		expect(begin).toHaveBeenCalledOnce();
		expect(still).toHaveBeenCalled();
	});

	test('mean nothing here unless a view says so', () => {
		const still = vi.fn();
		keys.press(event('x', 'page', { preventDefault: still }));
		expect(still).not.toHaveBeenCalled();
	});

	test.each([
		['typed into a field', event(' ', 'field')],
		['typed to find something in a list', event(' ', 'list')],
		['on a button, which has a space of its own', event(' ', 'button')],
		['on a checkbox, which has one too', event(' ', 'checkbox')],
		['held down', event(' ', 'page', { repeat: true })],
		['with control', event(' ', 'page', { ctrlKey: true })],
		['with alt', event(' ', 'page', { altKey: true })],
		['with the system key', event(' ', 'page', { metaKey: true })]
	])('do not run when %s', (_, e) => {
		keys.press(e);
		expect(begin).not.toHaveBeenCalled();
	});

	test('an Escape that has closed a list closes nothing else', async () => {
		const close = vi.fn();
		keys.add('Panel', [{ key: 'Escape', label: 'Close', run: close }]);
		await Promise.resolve();
		keys.press(event('Escape', 'list', { defaultPrevented: true }));
		keys.press(event('Escape', 'field'));
		expect(close).not.toHaveBeenCalled();
		keys.press(event('Escape', 'list'));
		expect(close).toHaveBeenCalledOnce();
	});

	test('run on a checkbox, into which nothing is typed', () => {
		keys.press(event('ArrowLeft', 'checkbox'));
		expect(left).toHaveBeenCalledOnce();
	});

	test('an arrow may be held down', () => {
		keys.press(event('ArrowLeft', 'page', { repeat: true }));
		expect(left).toHaveBeenCalledOnce();
	});

	test('the view that came last comes first', async () => {
		const other = vi.fn();
		keys.add('Dialog', [{ key: ' ', label: 'Close', run: other }]);
		await Promise.resolve();
		keys.press(event(' '));
		expect(other).toHaveBeenCalledOnce();
		expect(begin).not.toHaveBeenCalled();
	});

	test('a view takes its keys with it', async () => {
		const take = keys.add('Study', [{ key: 'f', label: 'Factory', run: vi.fn() }]);
		await Promise.resolve();
		expect(keys.groups.map((g) => g.title)).toEqual(['Bench', 'Study']);
		take();
		await Promise.resolve();
		expect(keys.groups.map((g) => g.title)).toEqual(['Bench']);
	});

	test('a group of the same title replaces the one before', async () => {
		const again = vi.fn();
		keys.add('Bench', [{ key: ' ', label: 'Done', run: again }]);
		await Promise.resolve();
		keys.press(event(' '));
		expect(again).toHaveBeenCalledOnce();
		expect(keys.groups).toHaveLength(1);
	});
});
