import { createContext } from 'svelte';
import { ApiError, said } from '$lib/api/client';

/** A short message: something is stored, something wants an eye, or something is not stored. */
export type Toast = {
	id: number;
	text: string;
	kind: 'saved' | 'warned' | 'failed';
	undo: boolean;
};
type Reversal = { label: string; run: () => Promise<unknown> };

const [getDesk, setDesk] = createContext<Desk>();

/** What all pages share: short messages, and the way back from the last edits. */
export class Desk {
	toasts = $state<Toast[]>([]);
	busy = $state(false);
	#reversals = $state.raw<Reversal[]>([]);
	#next = 1;
	#last: Promise<void> = Promise.resolve();

	static create(): Desk {
		return setDesk(new Desk());
	}

	static get(): Desk {
		return getDesk();
	}

	get lastLabel(): string | undefined {
		return this.#reversals.at(-1)?.label;
	}

	say(text: string, kind: Toast['kind'], undo = false): void {
		const id = this.#next++;
		// one line says what is stored last; what wants an eye stays until it is read
		const before = this.toasts.filter((t) => t.kind !== 'saved').slice(-2);
		this.toasts = [...before, { id, text, kind, undo }];
		setTimeout(() => this.drop(id), kind === 'saved' ? 5_000 : 12_000);
	}

	drop(id: number): void {
		this.toasts = this.toasts.filter((t) => t.id !== id);
	}

	/**
	 * Runs an edit, says how it went, and remembers the way back. Returns whether it was stored.
	 *
	 * @param after loads what the edit changed; `overtaken` when a newer version elsewhere refused it,
	 *   so that nothing that is shown can be trusted
	 */
	async edit(
		label: string,
		run: () => Promise<unknown>,
		after: (overtaken: boolean) => Promise<unknown>,
		back?: () => Promise<unknown>
	): Promise<boolean> {
		// one after the other: each sees what the one before has stored
		const before = this.#last;
		let finished = () => {};
		this.#last = new Promise<void>((resolve) => (finished = resolve));
		await before;
		this.busy = true;
		try {
			await run();
			if (back) {
				this.remember(label, back);
			}
			await after(false);
			this.say(label, 'saved', back !== undefined);
			return true;
		} catch (error) {
			this.say(said(error), 'failed');
			if (error instanceof ApiError && error.status === 409) {
				await after(true);
			}
			return false;
		} finally {
			this.busy = false;
			finished();
		}
	}

	/** Remembers the way back of an edit that ran elsewhere. */
	remember(label: string, run: () => Promise<unknown>): void {
		this.#reversals = [...this.#reversals.slice(-49), { label, run }];
	}

	async undo(): Promise<void> {
		const before = this.#last;
		let finished = () => {};
		this.#last = new Promise<void>((resolve) => (finished = resolve));
		await before;
		const last = this.#reversals.at(-1);
		this.#reversals = this.#reversals.slice(0, -1);
		try {
			if (!last) {
				this.say('There is nothing to take back', 'saved');
				return;
			}
			await last.run();
			this.say(`Taken back: ${last.label.toLowerCase()}`, 'saved');
		} catch (error) {
			// what was refused would stand in the way of what came before; no answer can be tried again
			const refused = error instanceof ApiError && error.status >= 400 && error.status < 500;
			if (last && !refused) this.#reversals = [...this.#reversals, last];
			this.say(said(error), 'failed');
		} finally {
			finished();
		}
	}
}
