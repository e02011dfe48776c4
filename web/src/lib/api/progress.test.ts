import { beforeEach, describe, expect, test, vi } from 'vitest';
import { api } from './client';
import { Progress } from './progress.svelte';

class Source {
	static last: Source;
	onmessage: ((e: { data: string }) => void) | undefined;
	onerror: (() => void) | undefined;
	closed = false;

	constructor(readonly url: string) {
		Source.last = this;
	}

	close() {
		this.closed = true;
	}

	say(what: string, share: number, over = false) {
		this.onmessage?.({ data: JSON.stringify({ what, share, over }) });
	}
}

describe('the progress of long work', () => {
	let done: (value: string) => void;
	let progress: Progress;

	beforeEach(() => {
		vi.stubGlobal('EventSource', Source);
		progress = new Progress();
	});

	const begin = () => {
		let task = '';
		const answer = progress.ask((t) => {
			task = t;
			return new Promise<string>((resolve) => (done = resolve));
		});
		return { answer, task: () => task };
	};

	test('is shown while it runs and gone when it is over', async () => {
		const { answer, task } = begin();
		expect(Source.last.url).toBe(`/api/tasks/${task()}`);
		Source.last.say('Sorting every pixel', 0.3);
		expect(progress).toMatchObject({ running: true, what: 'Sorting every pixel', share: 0.3 });
		done('measured');
		expect(await answer).toBe('measured');
		expect(progress.running).toBe(false);
		expect(Source.last.closed).toBe(true);
	});

	test('is stopped by its name', async () => {
		const stopped = vi.spyOn(api, 'DELETE').mockResolvedValue({ response: new Response() });
		const { answer, task } = begin();
		progress.stop();
		expect(stopped).toHaveBeenCalledWith('/api/tasks/{id}', {
			params: { path: { id: task() } }
		});
		done('');
		await answer;
		stopped.mockClear();
		progress.stop();
		expect(stopped).not.toHaveBeenCalled();
	});

	test('a later question takes the place of an earlier one', async () => {
		const first = begin();
		const finishFirst = done;
		const source = Source.last;
		const second = begin();
		expect(source.closed).toBe(true);
		finishFirst('old');
		await first.answer;
		expect(progress.running).toBe(true);
		done('new');
		expect(await second.answer).toBe('new');
		expect(progress.running).toBe(false);
	});

	test('a failed question ends it too', async () => {
		await expect(progress.ask(() => Promise.reject(new Error('no')))).rejects.toThrow('no');
		expect(progress.running).toBe(false);
	});
});
