import type { Step } from './plan-desk.svelte';

/** The steps of one stretch at the bench. */
export type Sitting = { number: number; steps: Step[]; minutes: number; done: boolean };

/** Steps by the sitting in which they can be done; what is done is one that is behind. */
export function sittingsOf(steps: Step[]): Sitting[] {
	const out: Sitting[] = [];
	for (const s of steps) {
		const last = out.at(-1);
		const same = last && (s.done ? last.done : !last.done && last.number === s.sitting);
		if (last && same) {
			last.steps.push(s);
			last.minutes += s.minutes;
		} else out.push({ number: s.sitting, steps: [s], minutes: s.minutes, done: s.done });
	}
	return out;
}

/** A long plan is folded to where work goes on. */
const LONG = 14;

/** Whether a sitting lies open before anybody has folded it. */
export function liesOpen(all: Sitting[], one: Sitting, chosen: string | undefined): boolean {
	const steps = all.reduce((n, s) => n + s.steps.length, 0);
	if (steps <= LONG || all.length === 1) return true;
	const next = all.find((s) => !s.done) ?? all.at(-1);
	return one === next || one.steps.some((s) => s.id === chosen);
}
