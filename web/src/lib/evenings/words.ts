import type { Schemas } from '$lib/api/client';
import { day, span, when } from '$lib/time/time';

/** "94 % likely", "2 days late", "no date": how a job stands against its date. */
export function standing(t: Schemas['Track']): string {
	if (t.diary.problem) return 'finds no place';
	if (!t.diary.deadline) return 'no date';
	if (t.diary.lateMinutes > 0) return `✕ ${span(t.diary.lateMinutes * 60_000)} late`;
	const chance = t.chance ?? 1;
	const percent = chance >= 0.995 ? 'over 99 %' : `${Math.round(chance * 100)} %`;
	return `${chance < 0.8 ? '! ' : ''}${percent} likely`;
}

/** "9 sittings, 14 fillings of the airbrush, 11 h of work." */
export function sumUp(s: Schemas['Sum']): string {
	const many = (n: number, one: string, more: string) => `${n} ${n === 1 ? one : more}`;
	return [
		many(s.sittings, 'sitting', 'sittings'),
		many(s.setUps, 'filling of the airbrush', 'fillings of the airbrush'),
		`${span(s.workMinutes * 60_000)} of work`
	].join(', ');
}

const GOALS: Record<Schemas['DiaryStage']['goal'], string> = {
	DATES: 'Dates kept',
	CHANGES: 'Little moved',
	SITTINGS: 'Sittings and fillings',
	READY: 'Ready soon',
	EVEN: 'Even evenings'
};

/** How far a goal was taken: proven, or how much could be left to gain at most. */
export function howFar(s: Schemas['DiaryStage']): string {
	const gap = s.value > 0 ? (s.value - s.bound) / s.value : 0;
	return s.proven || gap <= 0
		? `${GOALS[s.goal]}: nothing better exists`
		: `${GOALS[s.goal]}: at most ${Math.max(1, Math.round(gap * 100))} % better is possible`;
}

/** A way to keep a date with what it costs, such as "An hour more on Sat 12 Dec: ready Sat 13:00." */
export function wayOut(w: Schemas['WayOut'], now: number): string {
	const price = [
		w.othersLateMinutes ? `others miss their dates by ${span(w.othersLateMinutes * 60_000)}` : '',
		w.othersLaterMinutes && !w.othersLateMinutes
			? `others are ready ${span(w.othersLaterMinutes * 60_000)} later in all`
			: ''
	].filter(Boolean);
	const after = [`ready ${when(w.ready, now)}`, ...price].join(', ');
	switch (w.kind) {
		case 'MORE_TIME': {
			const from = w.from ?? w.ready;
			const until = w.until ?? w.ready;
			const minutes = new Date(until).getTime() - new Date(from).getTime();
			return `${span(minutes)} more on ${day(from)}, from ${when(from, now)}: ${after}`;
		}
		case 'COMES_FIRST':
			return `Before all other jobs: ${after}`;
		case 'LATER_DATE':
			return `A later date: ${after}`;
	}
}

/** What makes a date more likely, such as "An hour more on Sat 12 Dec: 84 %". */
export function raise(r: Schemas['Raise']): string {
	const then = `${Math.round(r.chance * 100)} %`;
	switch (r.kind) {
		case 'LONGER': {
			const minutes = new Date(r.until ?? 0).getTime() - new Date(r.from ?? 0).getTime();
			return `${span(minutes)} more on ${day(r.from ?? '')}: ${then}`;
		}
		case 'WARMED':
			return `${r.step ?? 'The coat'} dried in half the time, in a drying box or with gentle warmth: ${then}`;
		case 'FIRST':
			return `Before the other jobs in each sitting: ${then}`;
	}
}
