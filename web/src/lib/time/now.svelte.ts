import { benchClock } from './clock.svelte';

/** The moment, stepping on its own while something looks at it. Make it while a component starts. */
export class Now {
	#device = $state(Date.now());

	constructor(everyMs: number) {
		$effect(() => {
			const timer = setInterval(() => (this.#device = Date.now()), everyMs);
			return () => clearInterval(timer);
		});
	}

	/** Milliseconds since 1970 on the server's clock, as soon as that is heard. */
	get current(): number {
		return this.#device + benchClock.ahead;
	}
}
