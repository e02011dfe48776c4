const CALM_MS = 1500;

/**
 * Whether a hand rests: what takes the server long is asked for when nothing was moved for a moment,
 * not after every corner.
 */
export class Rest {
	resting = $state(true);
	#timer: ReturnType<typeof setTimeout> | undefined;

	/** A move begins, or everything moved is stored. */
	at(work: boolean): void {
		clearTimeout(this.#timer);
		if (work) this.resting = false;
		else if (!this.resting) this.#timer = setTimeout(() => (this.resting = true), CALM_MS);
	}
}
