import type { Schemas } from '$lib/api/client';

export type Slot = Schemas['Slot'];
export type Span = { from: number; until: number };

const MS_PER_HOUR = 3_600_000;
/** An hour away from the bench is drawn this much narrower than one at it. */
const AWAY = 0.09;

/** Maps time to width, with nights and absences narrowed. */
export class RailScale {
	readonly #at: number[] = [];
	readonly #x: number[] = [];
	readonly spans: Span[];

	constructor(
		readonly from: number,
		readonly until: number,
		bench: Span[],
		width: number
	) {
		this.spans = bench
			.map((s) => ({ from: Math.max(from, s.from), until: Math.min(until, s.until) }))
			.filter((s) => s.until > s.from);
		const cuts = [from, ...this.spans.flatMap((s) => [s.from, s.until]), until];
		const weights: number[] = [];
		for (let i = 1; i < cuts.length; i++) {
			const hours = ((cuts[i] ?? 0) - (cuts[i - 1] ?? 0)) / MS_PER_HOUR;
			weights.push(hours * (i % 2 === 0 ? 1 : AWAY));
		}
		const total = weights.reduce((a, b) => a + b, 0) || 1;
		let x = 0;
		this.#at.push(from);
		this.#x.push(0);
		weights.forEach((w, i) => {
			x += (w / total) * width;
			this.#at.push(cuts[i + 1] ?? until);
			this.#x.push(x);
		});
	}

	x(time: number): number {
		const t = Math.min(Math.max(time, this.from), this.until);
		for (let i = 1; i < this.#at.length; i++) {
			const a = this.#at[i - 1] ?? 0;
			const b = this.#at[i] ?? 0;
			if (t <= b) {
				const xa = this.#x[i - 1] ?? 0;
				const xb = this.#x[i] ?? 0;
				return b === a ? xb : xa + ((t - a) / (b - a)) * (xb - xa);
			}
		}
		return this.#x.at(-1) ?? 0;
	}
}

const time = (iso: string | null | undefined) => (iso ? new Date(iso).getTime() : undefined);

export type Drying = {
	slot: Slot;
	number: number;
	lane: number;
	laid: number;
	touch: number;
	recoat: number;
	full: number;
};

/** Coats that are drying in a span of time, in lanes so that no two lie on each other. */
export function dryings(slots: Slot[], from: number, until: number, lanes: number): Drying[] {
	const out: Drying[] = [];
	slots.forEach((slot, i) => {
		const touch = time(slot.touchAt);
		const recoat = time(slot.recoatAt);
		const full = time(slot.fullAt);
		const laid = new Date(slot.end).getTime();
		if (touch === undefined || recoat === undefined || full === undefined) return;
		if (recoat < from || laid > until) return;
		const lane = out.length % lanes;
		out.push({ slot, number: i + 1, lane, laid, touch, recoat, full });
	});
	return out;
}

export type Numbered = { x: number; text: string };

/** Step numbers above a line, none closer to the next than it is wide: neighbours become "8–12". */
export function numbers(steps: { number: number; x: number }[], perLetter = 8): Numbered[] {
	type Group = { first: number; last: number; from: number; until: number };
	const text = (g: Group) => (g.first === g.last ? `${g.first}` : `${g.first}–${g.last}`);
	const middle = (g: Group) => (g.from + g.until) / 2;
	const half = (g: Group) => (text(g).length * perLetter) / 2;
	const groups: Group[] = [];
	for (const s of steps) {
		groups.push({ first: s.number, last: s.number, from: s.x, until: s.x });
		for (let i = groups.length - 1; i > 0; i--) {
			const a = groups[i - 1];
			const b = groups[i];
			if (!a || !b || middle(b) - middle(a) >= half(a) + half(b)) break;
			groups.splice(i - 1, 2, { first: a.first, last: b.last, from: a.from, until: b.until });
		}
	}
	return groups.map((g) => ({ x: middle(g), text: text(g) }));
}

/** From now to the last finish, with some room behind it; dates stand on it as far as they are near. */
export function commonScale(
	diaries: Schemas['Diary'][],
	now: number,
	until: number | undefined,
	width: number
): RailScale {
	const HOUR = MS_PER_HOUR;
	const DATES_SHOWN = 5 * 24 * HOUR;
	const at = (iso: string) => new Date(iso).getTime();
	const bench = new Map<number, Span>();
	for (const d of diaries) {
		for (const s of d.bench) bench.set(at(s.from), { from: at(s.from), until: at(s.until) });
	}
	const finishes = diaries.flatMap((d) => (d.finish ? [at(d.finish)] : []));
	const finish = Math.max(now + 7 * 24 * HOUR, ...finishes);
	const near = diaries.flatMap((d) =>
		d.deadline && at(d.deadline) <= finish + DATES_SHOWN ? [at(d.deadline)] : []
	);
	const end = Math.max(finish, ...near);
	const spans = [...bench.values()].sort((a, b) => a.from - b.from);
	const apart: Span[] = [];
	for (const s of spans) {
		const last = apart.at(-1);
		if (last && s.from <= last.until) last.until = Math.max(last.until, s.until);
		else apart.push({ ...s });
	}
	const last = until ?? end + 10 * HOUR;
	return new RailScale(now - 2 * HOUR, Math.max(last, now + 24 * HOUR), apart, width);
}
