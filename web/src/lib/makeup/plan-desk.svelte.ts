import { api, must, type Schemas } from '$lib/api/client';
import { queryClient, refreshJob } from '$lib/api/queries';
import type { Desk } from '$lib/ui/desk.svelte';

export type Makeup = Schemas['MakeupView'];
export type Step = Schemas['StepView'];
type Draft = Schemas['StepDraft'];
type Pin = Schemas['Pin'];

const draftOf = (s: Step): Draft => ({
	id: s.id,
	technique: s.technique,
	material: s.material,
	thickness: s.thickness,
	zones: s.zones
});

/** Edits of the plan. Each sends the whole list with the version that was seen; the list before is the way back. */
export class PlanDesk {
	chosen = $state<string>();
	/** The step under the pointer or the keyboard, looked at without being chosen. */
	looked = $state<string>();

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

	#take = (fresh: Makeup) => {
		queryClient.setQueryData(['job', this.jobId, 'makeup'], fresh);
	};

	#path = () => ({ params: { path: { jobId: this.jobId } } });

	async #put(steps: Draft[], pins: Pin[]): Promise<void> {
		const version = this.view()?.version ?? 0;
		this.#take(
			await must(
				api.PUT('/api/jobs/{jobId}/makeup', { ...this.#path(), body: { steps, pins, version } })
			)
		);
	}

	async #edit(label: string, run: () => Promise<void>): Promise<boolean> {
		const before = { steps: this.steps.map(draftOf), pins: this.view()?.pins ?? [] };
		const after = () => refreshJob(this.jobId);
		return this.desk.edit(label, run, after, async () => {
			await this.#put(before.steps, before.pins);
			await after();
		});
	}

	compile(): Promise<boolean> {
		return this.#edit('Plan made', async () => {
			const version = this.view()?.version ?? 0;
			this.#take(
				await must(
					api.POST('/api/jobs/{jobId}/makeup/compile', { ...this.#path(), body: { version } })
				)
			);
		});
	}

	mend(finding: number, mend: Schemas['MendView']): Promise<boolean> {
		return this.#edit(mend.label, async () => {
			const version = this.view()?.version ?? 0;
			this.#take(
				await must(
					api.POST('/api/jobs/{jobId}/makeup/mend', {
						...this.#path(),
						body: { finding, mend: mend.index, label: mend.label, version }
					})
				)
			);
		});
	}

	move(id: string, by: -1 | 1): Promise<boolean> | undefined {
		const steps = this.steps;
		const at = steps.findIndex((s) => s.id === id);
		const other = steps[at + by];
		const one = steps[at];
		if (!one || !other || one.done || other.done) return undefined;
		const order = [...steps];
		order[at] = other;
		order[at + by] = one;
		return this.#edit(`${one.name} moved`, () =>
			this.#put(order.map(draftOf), this.view()?.pins ?? [])
		);
	}

	remove(id: string): Promise<boolean> {
		const name = this.steps.find((s) => s.id === id)?.name ?? 'Step';
		return this.#edit(`${name} taken out`, () =>
			this.#put(this.steps.filter((s) => s.id !== id).map(draftOf), this.view()?.pins ?? [])
		);
	}

	change(id: string, part: Partial<Draft>, label: string): Promise<boolean> {
		return this.#edit(label, () =>
			this.#put(
				this.steps.map((s) => (s.id === id ? { ...draftOf(s), ...part } : draftOf(s))),
				this.view()?.pins ?? []
			)
		);
	}

	add(technique: Schemas['TechniqueItem'], zones: string[]): Promise<boolean> {
		const id = crypto.randomUUID();
		const fresh: Draft = {
			id,
			technique: technique.key,
			material: technique.materials[0] ?? '',
			thickness: 'LIGHT',
			zones
		};
		const after = this.steps.findIndex((s) => s.id === this.chosen);
		const done = this.steps.filter((s) => s.done).length;
		const at = Math.max(done, after < 0 ? this.steps.length : after + 1);
		const order = this.steps.map(draftOf);
		order.splice(at, 0, fresh);
		return this.#edit(`${technique.name} added`, () => this.#put(order, this.view()?.pins ?? []));
	}

	/** Keeps this step behind the one in front of it, or lets it go again. */
	pin(id: string): Promise<boolean> | undefined {
		const at = this.steps.findIndex((s) => s.id === id);
		const front = this.steps[at - 1];
		const pins = this.view()?.pins ?? [];
		const mine = pins.filter((p) => p.thenId === id);
		if (mine.length) {
			return this.#edit('Pin taken out', () =>
				this.#put(
					this.steps.map(draftOf),
					pins.filter((p) => p.thenId !== id)
				)
			);
		}
		if (!front) return undefined;
		return this.#edit(`Pinned after ${front.name}`, () =>
			this.#put(this.steps.map(draftOf), [...pins, { firstId: front.id, thenId: id }])
		);
	}
}
