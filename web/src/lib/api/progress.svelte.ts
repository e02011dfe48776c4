import { api } from './client';

type Said = { what: string; share: number; over: boolean };

/** Long work of the server: named when it is asked for, watched while it runs, stopped on demand. */
export class Progress {
	what = $state('');
	share = $state(0);
	#running = $state.raw<string | undefined>(undefined);
	#source: EventSource | undefined;

	get running(): boolean {
		return this.#running !== undefined;
	}

	/** Runs a question under a name of its own and shows how far it is. */
	async ask<T>(question: (task: string) => Promise<T>): Promise<T> {
		const task = crypto.randomUUID();
		this.#watch(task);
		try {
			return await question(task);
		} finally {
			if (this.#running === task) this.#end();
		}
	}

	stop(): void {
		const id = this.#running;
		if (id) void api.DELETE('/api/tasks/{id}', { params: { path: { id } } });
	}

	#watch(task: string): void {
		this.#end();
		this.#running = task;
		this.what = '';
		this.share = 0;
		const source = new EventSource(`/api/tasks/${task}`);
		source.onmessage = (event: MessageEvent<string>) => {
			const said = JSON.parse(event.data) as Said;
			if (said.over) {
				source.close();
			} else {
				this.what = said.what;
				this.share = said.share;
			}
		};
		// it would come again by itself for ever
		source.onerror = () => source.close();
		this.#source = source;
	}

	#end(): void {
		this.#source?.close();
		this.#source = undefined;
		this.#running = undefined;
	}
}

/** Measuring a photograph, wherever it is asked for. */
export const measuring = new Progress();

/** Comparing two sides. */
export const comparing = new Progress();

/** Measuring every photograph of the model, for how it came closer. */
export const recalling = new Progress();

/** Searching the shelf for a recipe. */
export const searching = new Progress();

/** Laying plans of other schools beside one another. */
export const weighing = new Progress();

/** Deciding the evenings of the workshop. */
export const deciding = new Progress();
