import { api, must, type Schemas } from '$lib/api/client';
import { keep, queryClient, refreshJob } from '$lib/api/queries';
import { makeupNow } from '$lib/api/versions';
import type { Desk } from '$lib/ui/desk.svelte';
import { takenBack } from '$lib/ui/taken-back';
import { placeOf } from './own-step';

export type Makeup = Schemas['MakeupView'];
export type Step = Schemas['StepView'];
type Draft = Schemas['StepDraft'];
type Pin = Schemas['Pin'];
/** Answers to the questions of the school sheet, by question. */
export type Answers = Record<string, string>;
export type Way = Schemas['WayView'];

const draftOf = (s: Step): Draft => ({
	id: s.id,
	technique: s.technique,
	material: s.material,
	thickness: s.thickness,
	zones: s.zones,
	origin: s.origin,
	reason: s.reason,
	takesBack: s.takesBack ?? null,
	backShare: s.backShare ?? null,
	madeForEffect: s.madeForEffect ?? null,
	madeForStep: s.madeForStep ?? null,
	worksOn: s.worksOn ?? null,
	extra: s.extra ?? null
});

export type Content = { steps: Draft[]; pins: Pin[]; schools: Answers };

export const contentOf = (view: Makeup): Content => ({
	steps: view.steps.map(draftOf),
	pins: view.pins,
	schools: view.schools
});

const pinKey = (p: Pin) => ({ ...p, id: JSON.stringify([p.firstId, p.thenId]) });
const pinOf = ({ firstId, thenId }: Pin): Pin => ({ firstId, thenId });

/** The plan with one edit taken back; what is done stands in front, as it was logged. */
function planBack(before: Content, after: Content, now: Makeup): Content {
	const here = contentOf(now);
	const done = new Set(now.steps.filter((s) => s.done).map((s) => s.id));
	const steps = takenBack(before.steps, after.steps, here.steps);
	return {
		steps: [...here.steps.filter((s) => done.has(s.id)), ...steps.filter((s) => !done.has(s.id))],
		pins: takenBack(before.pins.map(pinKey), after.pins.map(pinKey), here.pins.map(pinKey)).map(
			pinOf
		),
		schools: before.schools
	};
}

/** Edits of the plan. Each sends the whole list with the version that was seen; the list before is the way back. */
export class PlanDesk {
	chosen = $state<string>();
	/** The step under the pointer or the keyboard, looked at without being chosen. */
	looked = $state<string>();
	/** What the last repair changed, in words. */
	repaired = $state.raw<string[]>([]);

	constructor(
		private readonly jobId: string,
		private readonly desk: Desk,
		private readonly view: () => Makeup | undefined
	) {}

	get steps(): Step[] {
		return this.view()?.steps ?? [];
	}

	/** The step whose effect on the cores is drawn. */
	get lookedAt(): Step | undefined {
		return this.steps.find((s) => s.id === (this.looked ?? this.chosen));
	}

	get chosenStep(): Step | undefined {
		return this.steps.find((s) => s.id === this.chosen);
	}

	#key = () => ['job', this.jobId, 'makeup'];

	#take = (fresh: Makeup) => keep(this.#key(), fresh);

	#seen(): Makeup {
		const view = this.view();
		if (!view) throw new Error('The plan is not loaded yet. Wait a moment and repeat it.');
		return view;
	}

	#version = (): number => this.#seen().version;

	#path = () => ({ params: { path: { jobId: this.jobId } } });

	async #put(
		steps: Draft[],
		pins: Pin[],
		version = this.#version(),
		schools: Answers | null = null
	): Promise<void> {
		await this.#take(
			await must(
				api.PUT('/api/jobs/{jobId}/makeup', {
					...this.#path(),
					body: { steps, pins, schools, version }
				})
			)
		);
	}

	/** The answer of an edit says the plan; what hangs on it is asked again. */
	#refresh = (overtaken: boolean) => refreshJob(this.jobId, overtaken ? undefined : 'makeup');

	#edit(label: string, run: () => Promise<void>): Promise<boolean> {
		let before: Content = { steps: [], pins: [], schools: {} };
		let after = before;
		return this.desk.edit(
			label,
			async () => {
				const seen = this.view();
				if (seen) before = contentOf(seen);
				await run();
				after = contentOf(queryClient.getQueryData<Makeup>(this.#key()) ?? this.#seen());
			},
			this.#refresh,
			async () => {
				const now = await makeupNow(this.jobId);
				const back = planBack(before, after, now);
				await this.#put(back.steps, back.pins, now.version, back.schools);
				await this.#refresh(false);
			}
		);
	}

	/** "I know, I do it so": the warning is kept as answered, or speaks again. */
	answer(finding: Schemas['FindingView'], known: boolean): Promise<boolean> {
		const set = async (is: boolean) =>
			await this.#take(
				await must(
					api.PUT('/api/jobs/{jobId}/makeup/answer', {
						...this.#path(),
						body: {
							stepId: finding.stepId,
							rule: finding.rule,
							coat: finding.coats[0] ?? '',
							known: is
						}
					})
				)
			);
		return this.desk.edit(
			known ? 'Warning answered' : 'Warning speaks again',
			() => set(known),
			this.#refresh,
			() => set(!known)
		);
	}

	/** Where this job does otherwise than the house. */
	get schools(): Answers {
		return this.view()?.schools ?? {};
	}

	/** Makes the plan anew under other answers; null gives a question back to the house. */
	choose(changed: Record<string, string | null>, label: string): Promise<boolean> {
		return this.#edit(label, async () => {
			const version = this.#version();
			const kept = Object.entries({ ...this.schools, ...changed });
			const schools = Object.fromEntries(kept.flatMap(([q, a]) => (a === null ? [] : [[q, a]])));
			await this.#take(
				await must(
					api.POST('/api/jobs/{jobId}/makeup/choose', {
						...this.#path(),
						body: { schools, version }
					})
				)
			);
		});
	}

	/** Makes the cheapest changes after which nothing stops or warns. */
	repair(): Promise<boolean> {
		return this.#edit('The plan is mended', async () => {
			const version = this.#version();
			const done = await must(
				api.POST('/api/jobs/{jobId}/makeup/repair', { ...this.#path(), body: { version } })
			);
			this.repaired = done.labels;
			await this.#take(done.makeup);
		});
	}

	/** What takes a coat back now. */
	askBack(stepId: string, zones: string[], share: number): Promise<Schemas['TakeBackView']> {
		return must(
			api.POST('/api/jobs/{jobId}/makeup/take-back', {
				...this.#path(),
				body: { stepId, zones, share }
			})
		);
	}

	/** Puts a way of taking a coat back in as the next step. */
	takeBack(stepId: string, zones: string[], share: number, way: Way): Promise<boolean> {
		return this.#edit(`${way.name} comes next`, async () => {
			const { version } = await makeupNow(this.jobId);
			await this.#take(
				await must(
					api.POST('/api/jobs/{jobId}/makeup/take-back/step', {
						...this.#path(),
						body: {
							stepId,
							zones,
							share,
							technique: way.technique,
							material: way.material,
							version
						}
					})
				)
			);
		});
	}

	/** Plans other jobs in step with this one; taking it back takes it back in all of them. */
	inStep(others: string[]): Promise<boolean> {
		type One = { before: Content; after: Content };
		const all: Record<string, One> = {};
		const refresh = async () => {
			await Promise.all([this.jobId, ...others].map((id) => refreshJob(id)));
		};
		return this.desk.edit(
			'Planned in step',
			async () => {
				const seen = await Promise.all(others.map(makeupNow));
				const version = this.#version();
				const before = [this.#seen(), ...seen].map(contentOf);
				const answer = await must(
					api.POST('/api/jobs/{jobId}/makeup/in-step', {
						...this.#path(),
						body: {
							with: others.map((job, i) => ({ job, version: seen[i]?.version ?? 0 })),
							version
						}
					})
				);
				await this.#take(answer.makeup);
				const left = [answer.makeup, ...(await Promise.all(others.map(makeupNow)))].map(contentOf);
				[this.jobId, ...others].forEach((job, i) => {
					const [b, a] = [before[i], left[i]];
					if (b && a) all[job] = { before: b, after: a };
				});
			},
			refresh,
			async () => {
				for (const [jobId, { before, after }] of Object.entries(all)) {
					const now = await makeupNow(jobId);
					const { steps, pins, schools } = planBack(before, after, now);
					await must(
						api.PUT('/api/jobs/{jobId}/makeup', {
							params: { path: { jobId } },
							body: { steps, pins, schools, version: now.version }
						})
					);
				}
				await refresh();
			}
		);
	}

	#drafts = (): Draft[] => this.steps.map(draftOf);

	#pins = (): Pin[] => this.view()?.pins ?? [];

	compile(): Promise<boolean> {
		return this.#edit('Plan made', async () => {
			const version = this.#version();
			await this.#take(
				await must(
					api.POST('/api/jobs/{jobId}/makeup/compile', { ...this.#path(), body: { version } })
				)
			);
		});
	}

	mend(finding: number, mend: Schemas['MendView']): Promise<boolean> {
		return this.#edit(mend.label, async () => {
			const version = this.#version();
			await this.#take(
				await must(
					api.POST('/api/jobs/{jobId}/makeup/mend', {
						...this.#path(),
						body: { finding, mend: mend.index, label: mend.label, version }
					})
				)
			);
		});
	}

	/** What moves with a step: all that is still to do of its set. */
	#movedWith(id: string): string[] {
		const set = this.steps.find((s) => s.id === id)?.set;
		return set ? this.steps.filter((s) => !s.done && s.set === set).map((s) => s.id) : [id];
	}

	/** The order with some steps together in front of another, or behind it. */
	#moved(block: string[], other: string, behind: boolean): Draft[] {
		const order = this.#drafts();
		const taken = order.filter((s) => block.includes(s.id));
		const rest = order.filter((s) => !block.includes(s.id));
		rest.splice(rest.findIndex((s) => s.id === other) + (behind ? 1 : 0), 0, ...taken);
		return rest;
	}

	move(id: string, by: -1 | 1): Promise<boolean> | undefined {
		const beside = () => {
			const block = this.#movedWith(id);
			const at = this.steps.flatMap((s, i) => (block.includes(s.id) ? [i] : []));
			const other = this.steps[by < 0 ? Math.min(...at) - 1 : Math.max(...at) + 1];
			return { block, other: other?.done ? undefined : other };
		};
		const one = this.steps.find((s) => s.id === id);
		if (!one || one.done || !beside().other) return undefined;
		return this.#edit(`${one.name} moved`, () => {
			const { block, other } = beside();
			return other
				? this.#put(this.#moved(block, other.id, by > 0), this.#pins())
				: Promise.resolve();
		});
	}

	/** To the place of another step; what is done stays where it was. */
	moveTo(id: string, place: number): Promise<boolean> | undefined {
		const one = this.steps.find((s) => s.id === id);
		const other = this.steps[place];
		const block = this.#movedWith(id);
		if (!one || !other || one.done || other.done || block.includes(other.id)) return undefined;
		const behind = this.steps.indexOf(one) < place;
		return this.#edit(`${one.name} moved`, () =>
			this.#put(this.#moved(block, other.id, behind), this.#pins())
		);
	}

	/** A coat that lies there already. */
	lies(coat: Schemas['LyingCoat']): Promise<boolean> {
		const take = async (what: 'lies' | 'not') => {
			const { version } = await makeupNow(this.jobId);
			await this.#take(
				await must(
					what === 'lies'
						? api.POST('/api/jobs/{jobId}/makeup/lying', {
								...this.#path(),
								body: { coat, version }
							})
						: api.POST('/api/jobs/{jobId}/makeup/lying/undo', {
								...this.#path(),
								body: { stepId: coat.id, version }
							})
				)
			);
		};
		return this.desk.edit(
			'What lies there is noted',
			() => take('lies'),
			this.#refresh,
			() => take('not')
		);
	}

	liesNot(id: string): Promise<boolean> {
		const was = this.steps.find((s) => s.id === id);
		const back = async () => {
			if (!was) return;
			const { version } = await makeupNow(this.jobId);
			const minutesAgo = Math.max(0, Math.round((Date.now() - Date.parse(was.earliest)) / 60_000));
			await this.#take(
				await must(
					api.POST('/api/jobs/{jobId}/makeup/lying', {
						...this.#path(),
						body: {
							coat: {
								id,
								technique: was.technique,
								material: was.material,
								thickness: was.thickness,
								zones: was.zones,
								minutesAgo,
								share: was.extra?.share ?? null
							},
							version
						}
					})
				)
			);
		};
		return this.desk.edit(
			'A coat taken out',
			async () => {
				const { version } = await makeupNow(this.jobId);
				await this.#take(
					await must(
						api.POST('/api/jobs/{jobId}/makeup/lying/undo', {
							...this.#path(),
							body: { stepId: id, version }
						})
					)
				);
			},
			this.#refresh,
			back
		);
	}

	remove(id: string): Promise<boolean> {
		const name = this.steps.find((s) => s.id === id)?.name ?? 'Step';
		return this.#edit(`${name} taken out`, () =>
			this.#put(
				this.#drafts().filter((s) => s.id !== id),
				this.#pins()
			)
		);
	}

	/** @param part what changes, reckoned from the step as it is when its turn comes */
	change(
		id: string,
		part: Partial<Draft> | ((now: Draft) => Partial<Draft>),
		label: string
	): Promise<boolean> {
		const changed = (s: Draft) => ({ ...s, ...(typeof part === 'function' ? part(s) : part) });
		return this.#edit(label, () =>
			this.#put(
				this.#drafts().map((s) => (s.id === id ? changed(s) : s)),
				this.#pins()
			)
		);
	}

	add(
		technique: Schemas['TechniqueItem'],
		zones: string[],
		extra: Schemas['StepExtra'] | null = null,
		preparing: readonly string[] = []
	): Promise<boolean> {
		const fresh: Draft = {
			id: crypto.randomUUID(),
			technique: technique.key,
			material: technique.materials[0] ?? '',
			thickness: 'LIGHT',
			zones,
			extra
		};
		return this.#edit(`${technique.name} added`, () => {
			const order = this.#drafts();
			const done = this.steps.filter((s) => s.done).length;
			order.splice(placeOf(order, done, this.chosen, technique.key, preparing), 0, fresh);
			return this.#put(order, this.#pins());
		});
	}

	/** Keeps this step behind the one in front of it, or lets it go again. */
	pin(id: string): Promise<boolean> | undefined {
		const front = this.steps[this.steps.findIndex((s) => s.id === id) - 1];
		if (this.#pins().some((p) => p.thenId === id)) {
			return this.#edit('Pin taken out', () =>
				this.#put(
					this.#drafts(),
					this.#pins().filter((p) => p.thenId !== id)
				)
			);
		}
		if (!front) return undefined;
		return this.#edit(`Pinned after ${front.name}`, () =>
			this.#put(this.#drafts(), [...this.#pins(), { firstId: front.id, thenId: id }])
		);
	}
}
