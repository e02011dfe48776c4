import { api, must, said, type Schemas } from '$lib/api/client';

export type Then = Schemas['WhatIfView'];

/** The plan asked about under other conditions; nothing is stored. */
export class WhatIf {
	open = $state(false);
	celsius = $state(20);
	humidity = $state(50);
	thicker = $state('');
	then = $state.raw<Then>();
	failed = $state('');
	#asked = 0;

	constructor(private readonly jobId: string) {}

	/** Starts from the air at the bench. */
	begin(celsius: number, humidity: number): void {
		this.celsius = celsius;
		this.humidity = Math.round(humidity * 100);
		this.thicker = '';
		this.then = undefined;
		this.failed = '';
		this.open = true;
	}

	close(): void {
		this.#asked++;
		this.open = false;
		this.then = undefined;
	}

	/** Asks; an answer that was overtaken by a later question is dropped. */
	async ask(): Promise<void> {
		const mine = ++this.#asked;
		try {
			const then = await must(
				api.POST('/api/jobs/{jobId}/makeup/what-if', {
					params: { path: { jobId: this.jobId } },
					body: {
						celsius: this.celsius,
						humidity: this.humidity / 100,
						thicker: this.thicker || null,
						thickness: this.thicker ? 'WET' : null
					}
				})
			);
			if (mine === this.#asked) {
				this.then = then;
				this.failed = '';
			}
		} catch (e) {
			if (mine === this.#asked) this.failed = said(e);
		}
	}

	/** A cold evening, a damp one: ten degrees less, or eighty per cent. */
	set(part: { celsius?: number; humidity?: number }): void {
		this.celsius = part.celsius ?? this.celsius;
		this.humidity = part.humidity ?? this.humidity;
		void this.ask();
	}
}
