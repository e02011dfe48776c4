import { benchClock } from './clock';

/** The moment, stepping on its own while something looks at it. Make it while a component starts. */
export class Now {
	current = $state(benchClock.now());

	constructor(everyMs: number) {
		$effect(() => {
			const timer = setInterval(() => (this.current = benchClock.now()), everyMs);
			return () => clearInterval(timer);
		});
	}
}
