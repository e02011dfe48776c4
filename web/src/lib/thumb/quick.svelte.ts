import { said } from '$lib/api/client';

const PAUSE_MS = 180;

/** One small question: its fields, remembered from last time, and the answer to what they say now. */
export class Quick<Fields extends Record<string, string>, Answer> {
	fields: Fields;
	answer = $state.raw<Answer | undefined>(undefined);
	problem = $state('');
	#asked = 0;
	#timer: ReturnType<typeof setTimeout> | undefined;

	constructor(
		private readonly key: string,
		start: Fields,
		private readonly question: (fields: Fields) => Promise<Answer>
	) {
		const fields = $state({ ...start, ...Quick.remembered(key, start) });
		this.fields = fields;
	}

	private static remembered<F extends Record<string, string>>(key: string, start: F): Partial<F> {
		try {
			const kept: unknown = JSON.parse(localStorage.getItem(`thumb.${key}`) ?? '{}');
			const known = Object.entries(kept as Record<string, unknown>).filter(
				([k, v]) => k in start && typeof v === 'string'
			);
			return Object.fromEntries(known) as Partial<F>;
		} catch {
			return {};
		}
	}

	/** Asks once the typing rests; what was typed is remembered. */
	changed(): void {
		clearTimeout(this.#timer);
		this.#timer = setTimeout(() => void this.ask(), PAUSE_MS);
	}

	async ask(): Promise<void> {
		const asked = ++this.#asked;
		const now = { ...this.fields };
		try {
			localStorage.setItem(`thumb.${this.key}`, JSON.stringify(now));
		} catch {
			// a browser that keeps nothing answers all the same
		}
		try {
			const answer = await this.question(now);
			if (asked === this.#asked) {
				this.answer = answer;
				this.problem = '';
			}
		} catch (error) {
			if (asked === this.#asked) {
				this.problem = said(error);
			}
		}
	}
}
