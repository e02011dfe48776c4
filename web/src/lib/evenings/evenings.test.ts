import { answer, refused, stored } from '$lib/api/stand-in';
import { queryClient } from '$lib/api/queries';
import type { Schemas } from '$lib/api/client';
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { Evenings } from './evenings.svelte';
import { howFar, standing, sumUp, wayOut } from './words';
import { benchClock } from '$lib/time/clock.svelte';

const view = (moved: unknown[] = []) =>
	({ tracks: [], sittings: [], moved, decided: true }) as unknown as Schemas['WorkshopView'];
const work = (stepId: string) =>
	({ jobId: 'hopper', stepId, name: 'pin wash' }) as unknown as Schemas['Work'];

beforeEach(() => {
	vi.stubGlobal(
		'EventSource',
		class {
			close() {}
		}
	);
});
afterEach(() => {
	vi.restoreAllMocks();
	vi.unstubAllGlobals();
	queryClient.clear();
});

describe('the evenings', () => {
	test('what was decided fills the view, and what moved is told', async () => {
		answer('POST', () => stored(view([{ name: 'pin wash' }])));
		const evenings = new Evenings();
		await evenings.decide(false);
		expect(evenings.done).toBe('The evenings are planned.');
		expect(evenings.moved).toHaveLength(1);
		expect(queryClient.getQueryData(['today', 'diary'])).toMatchObject({ decided: true });
		expect(evenings.busy).toBe(false);
	});

	test('a refusal is said and nothing is shown as done', async () => {
		answer('POST', () => refused(422, 'Give one evening more time.'));
		const evenings = new Evenings();
		await evenings.decide(true);
		expect(evenings.problem).toBe('Give one evening more time.');
		expect(evenings.done).toBe('');
		expect(evenings.busy).toBe(false);
	});

	test('the same step again closes the choice', () => {
		const evenings = new Evenings();
		evenings.choose(work('a'));
		evenings.choose(work('b'));
		expect(evenings.moving?.work.stepId).toBe('b');
		evenings.choose(work('b'));
		expect(evenings.moving).toBeUndefined();
	});

	test('a late answer about another sitting is dropped', async () => {
		const waiting: (() => void)[] = [];
		answer<{ to: string }>(
			'POST',
			(call) =>
				new Promise((resolve) =>
					waiting.push(() => resolve(stored({ possible: true, moved: [], problem: call.body.to })))
				)
		);
		const evenings = new Evenings();
		evenings.choose(work('a'));
		const first = evenings.tryMove('monday');
		const second = evenings.tryMove('tuesday');
		await vi.waitFor(() => expect(waiting).toHaveLength(2));
		waiting[1]?.();
		await second;
		waiting[0]?.();
		await first;
		expect(evenings.moving?.to).toBe('tuesday');
		expect(evenings.moving?.tried?.problem).toBe('tuesday');
	});

	test('a day is taken out as a whole', async () => {
		const put = answer<Schemas['BenchChange']>('PUT', () => stored([]));
		answer('GET', () => stored(view()));
		await new Evenings().takeOut('2026-12-05');
		expect(put.mock.calls[0]?.[1].body).toMatchObject({
			onDay: '2026-12-05',
			untilTime: null,
			there: false
		});
	});
});

describe('the words', () => {
	const track = (of: object) => of as unknown as Schemas['Track'];
	test('how a job stands against its date', () => {
		const diary = { deadline: '2026-12-12T00:00:00Z', lateMinutes: 0, problem: null };
		expect(standing(track({ diary: { ...diary, problem: 'no place' } }))).toBe('finds no place');
		expect(standing(track({ diary: { ...diary, deadline: null } }))).toBe('no date');
		expect(standing(track({ diary: { ...diary, lateMinutes: 1440 * 2 } }))).toBe('✕ 2 days late');
		expect(standing(track({ diary, chance: 0.999 }))).toBe('over 99 % likely');
		expect(standing(track({ diary, chance: 0.71 }))).toBe('! 71 % likely');
	});

	test('what it comes to, one or many', () => {
		expect(sumUp({ lateMinutes: 0, sittings: 1, setUps: 3, workMinutes: 95 })).toBe(
			'1 sitting, 3 fillings of the airbrush, 1 h 35 min of work'
		);
	});

	test('how far a goal was taken', () => {
		expect(howFar({ goal: 'DATES', value: 0, bound: 0, proven: true })).toContain('nothing better');
		expect(howFar({ goal: 'SITTINGS', value: 50, bound: 40, proven: false })).toBe(
			'Sittings and fillings: at most 20 % better is possible'
		);
	});

	test('a way out says what it costs', () => {
		benchClock.hearZone('UTC');
		const now = Date.parse('2026-12-02T12:00:00Z');
		const way = {
			from: null,
			until: null,
			ready: '2026-12-12T21:00:00Z',
			othersLaterMinutes: 120,
			othersLateMinutes: 0
		};
		expect(wayOut({ ...way, kind: 'COMES_FIRST' }, now)).toBe(
			'Before all other jobs: ready 12 Dec 21:00, others are ready 2 h later in all'
		);
		expect(wayOut({ ...way, kind: 'LATER_DATE', othersLaterMinutes: 0 }, now)).toBe(
			'A later date: ready 12 Dec 21:00'
		);
		expect(
			wayOut(
				{
					...way,
					kind: 'MORE_TIME',
					from: '2026-12-03T22:00:00Z',
					until: '2026-12-03T23:00:00Z',
					othersLateMinutes: 60
				},
				now
			)
		).toBe(
			'1 h more on Thu 3 Dec, from tomorrow 22:00: ready 12 Dec 21:00, others miss their dates by 1 h'
		);
	});
});
