import { api, must, said, type Schemas } from '$lib/api/client';
import { deciding } from '$lib/api/progress.svelte';
import { queryClient } from '$lib/api/queries';

type View = Schemas['WorkshopView'];
type Work = Schemas['Work'];

/** A step that is being moved to another sitting: where to, and what that would take. */
export type Moving = {
	work: Work;
	to: string;
	tried: Schemas['Move'] | undefined;
};

/** What can be done with the evenings of the workshop. */
export class Evenings {
	/** What went wrong last, in words. */
	problem = $state('');
	/** What has moved by the last decision; empty after a look at nothing new. */
	moved = $state.raw<Schemas['Moved'][]>([]);
	/** Said once something was decided. */
	done = $state('');
	moving = $state.raw<Moving | undefined>(undefined);
	busy = $state(false);

	async #run(act: () => Promise<View>, what: string | (() => string)): Promise<void> {
		this.busy = true;
		this.problem = '';
		this.done = '';
		try {
			const view = await act();
			// what is said and what is shown belong together
			queryClient.setQueryData(['today', 'diary'], view);
			this.moved = view.moved;
			this.done = typeof what === 'string' ? what : what();
			this.moving = undefined;
			await this.#refresh();
		} catch (error) {
			this.problem = said(error);
		} finally {
			this.busy = false;
		}
	}

	/** All that hangs on the evenings elsewhere. */
	async #refresh(): Promise<void> {
		await Promise.all([
			queryClient.invalidateQueries({ queryKey: ['today'], exact: true }),
			queryClient.invalidateQueries({ queryKey: ['job'] })
		]);
	}

	/** All evenings together; as little as possible moves of what was decided, unless from scratch. */
	decide(fromScratch: boolean): Promise<void> {
		return this.#run(
			() =>
				deciding.ask((task) =>
					must(api.POST('/api/diary/decided', { params: { query: { fromScratch, task } } }))
				),
			'The evenings are planned.'
		);
	}

	/** Nothing is decided: each job as early as it can be. */
	forget(): Promise<void> {
		return this.#run(
			() => must(api.DELETE('/api/diary/decided')),
			'Each step is as early as it can be.'
		);
	}

	/** Nobody is at the bench on the day of a sitting. */
	takeOut(onDay: string): Promise<void> {
		return this.#otherwise({ onDay, fromTime: '00:00:00', untilTime: null, there: false });
	}

	/** Somebody is at the bench for longer on a day. */
	add(onDay: string, fromTime: string, untilTime: string): Promise<void> {
		return this.#otherwise({ onDay, fromTime, untilTime, there: true });
	}

	#otherwise(change: Omit<Schemas['BenchChange'], 'id'>): Promise<void> {
		return this.#run(
			async () => {
				const body = { ...change, id: crypto.randomUUID() };
				await must(api.PUT('/api/workshop/changes', { body }));
				return this.#look();
			},
			change.there ? 'There is more bench time.' : 'That day is taken out.'
		);
	}

	/** The day is as its week again. */
	takeBack(id: string): Promise<void> {
		return this.#run(async () => {
			await must(api.DELETE('/api/workshop/changes/{id}', { params: { path: { id } } }));
			return this.#look();
		}, 'The day is as its week again.');
	}

	/** Takes the busy times of a calendar; sittings that were moved in it are moved here. */
	readCalendar(name: string, file: File): Promise<void> {
		let moved = 0;
		return this.#run(
			async () => {
				const read = await must(
					api.PUT('/api/workshop/calendars/{name}', {
						params: { path: { name } },
						body: (await file.arrayBuffer()) as unknown as string,
						bodySerializer: (b: unknown) => b as BodyInit,
						headers: { 'Content-Type': 'application/octet-stream' }
					})
				);
				moved = read.moved.length;
				return this.#look();
			},
			() =>
				moved
					? `${name} is read. ${moved === 1 ? 'One sitting was' : `${moved} sittings were`} moved in it, and ${moved === 1 ? 'is' : 'are'} moved here.`
					: `${name} is read: what is busy there is no bench time.`
		);
	}

	/** A calendar counts no more. */
	letCalendarGo(name: string): Promise<void> {
		return this.#run(async () => {
			await must(api.DELETE('/api/workshop/calendars/{name}', { params: { path: { name } } }));
			return this.#look();
		}, `${name} counts no more.`);
	}

	async #look(): Promise<View> {
		await queryClient.invalidateQueries({ queryKey: ['workshop', 'calendars'] });
		await queryClient.invalidateQueries({ queryKey: ['workshop', 'changes'] });
		return must(api.GET('/api/diary'));
	}

	/** Opens the choice of another sitting for a step; the same one again closes it. */
	choose(work: Work): void {
		const same = this.moving?.work.stepId === work.stepId && this.moving.work.jobId === work.jobId;
		this.moving = same ? undefined : { work, to: '', tried: undefined };
	}

	/** Looks what moves with it. */
	async tryMove(to: string): Promise<void> {
		const work = this.moving?.work;
		if (!work) return;
		this.moving = { work, to, tried: undefined };
		this.problem = '';
		try {
			const tried = await must(
				api.POST('/api/diary/move-tried', {
					body: { jobId: work.jobId, stepId: work.stepId, to }
				})
			);
			// another sitting may have been chosen meanwhile
			if (this.moving?.work === work && this.moving.to === to) this.moving = { work, to, tried };
		} catch (error) {
			this.problem = said(error);
		}
	}

	/** A step is held to its sitting no more. */
	loosen(work: Work): Promise<void> {
		const { jobId, stepId } = work;
		return this.#run(
			() =>
				must(
					api.DELETE('/api/diary/held/{jobId}/{stepId}', { params: { path: { jobId, stepId } } })
				),
			`${work.name} is held no more.`
		);
	}

	/** Moves it and holds it there. */
	move(): Promise<void> {
		const moving = this.moving;
		if (!moving) return Promise.resolve();
		return this.#run(
			() =>
				must(
					api.POST('/api/diary/move', {
						body: {
							jobId: moving.work.jobId,
							stepId: moving.work.stepId,
							to: moving.to
						}
					})
				),
			`${moving.work.name} is moved and held there.`
		);
	}
}
