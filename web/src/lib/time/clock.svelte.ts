const JITTER_MS = 300;

/**
 * The clock of the server as this page knows it. Each answer carries its moment; between answers this
 * device counts on. A telephone that is minutes off would else close windows too early or too late.
 */
class BenchClock {
	/** How far the server is ahead of this device, in milliseconds. */
	ahead = $state(0);

	/** Milliseconds since 1970 on the server's clock. */
	now(): number {
		return Date.now() + this.ahead;
	}

	/** Takes the moment of an answer, an ISO instant; without one, or for its way through the wire, nothing changes. */
	hear(iso: string | null): void {
		const heard = iso === null ? NaN : Date.parse(iso);
		if (!Number.isFinite(heard)) return;
		const ahead = heard - Date.now();
		if (Math.abs(ahead - this.ahead) > JITTER_MS) this.ahead = ahead;
	}
}

export const benchClock = new BenchClock();
