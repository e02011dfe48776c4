import { createContext } from 'svelte';

export type Key = { key: string; label: string; run: () => void };

const [getKeys, setKeys] = createContext<Keys>();

function stored(): boolean {
	try {
		return localStorage.getItem('letters') !== 'off';
	} catch {
		return true;
	}
}

/** The letters that do something in the view at hand. A view adds its own and takes them away again. */
export class Keys {
	#groups = $state.raw<{ title: string; keys: Key[] }[]>([]);
	showing = $state(false);
	/** Whether single letters do something: who dictates or types with a stick may switch them off. */
	letters = $state(stored());

	static create(): Keys {
		return setKeys(new Keys());
	}

	/** Adds the keys of a view for as long as it is shown; call it while a component starts. */
	static use(title: string, keys: () => Key[]): void {
		const all = getKeys();
		$effect(() => all.add(title, keys()));
	}

	get groups() {
		return this.#groups;
	}

	/** Adds a group of keys, in place of one of the same title; returns what takes it away again. */
	add(title: string, keys: Key[]): () => void {
		const group = { title, keys };
		// read without becoming dependent on it: only the view's own keys may run this again
		queueMicrotask(() => {
			this.#groups = [...this.#groups.filter((g) => g.title !== title), group];
		});
		return () => {
			queueMicrotask(() => {
				this.#groups = this.#groups.filter((g) => g !== group);
			});
		};
	}

	/** Switches single letters on or off; arrows and escape stay. */
	setLetters(on: boolean): void {
		this.letters = on;
		try {
			localStorage.setItem('letters', on ? 'on' : 'off');
		} catch {
			// storage is blocked: the choice holds until the page closes
		}
	}

	/** Runs what a key means here; keys that are typed into a field, held down or with a modifier mean nothing. */
	press(event: KeyboardEvent): void {
		const target = event.target as HTMLElement | null;
		const escape = event.key === 'Escape';
		const typing =
			target?.closest('input:not([type="checkbox"]), textarea, [contenteditable]') !== null ||
			// letters and arrows choose from a list also while it is closed
			(!escape && target?.closest('[aria-haspopup="listbox"]') !== null);
		if (event.altKey || event.metaKey || typing) {
			return;
		}
		if (escape && event.defaultPrevented) {
			// it has closed a list, a hint or a window already
			return;
		}
		if (!this.letters && event.key.length === 1) {
			return;
		}
		if (event.ctrlKey || (event.repeat && !event.key.startsWith('Arrow'))) {
			return;
		}
		const onButton = target?.closest('button, a, [role="button"], [type="checkbox"]') !== null;
		if ((event.key === ' ' || event.key === 'Enter') && onButton) {
			return;
		}
		for (const group of [...this.#groups].reverse()) {
			const hit = group.keys.find((k) => k.key === event.key);
			if (hit) {
				event.preventDefault();
				hit.run();
				return;
			}
		}
	}
}
