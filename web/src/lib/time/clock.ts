/**
 * The clock of the server as this page knows it. Each answer carries its moment; between answers this
 * device counts on. A telephone that is minutes off would else close windows too early or too late.
 */
class BenchClock {
	#aheadMs = 0;

	/** Milliseconds since 1970 on the server's clock. */
	now(): number {
		return Date.now() + this.#aheadMs;
	}

	/** Takes the moment of an answer, an ISO instant; without one nothing changes. */
	hear(iso: string | null): void {
		const heard = iso === null ? NaN : Date.parse(iso);
		if (Number.isFinite(heard)) this.#aheadMs = heard - Date.now();
	}
}

export const benchClock = new BenchClock();
