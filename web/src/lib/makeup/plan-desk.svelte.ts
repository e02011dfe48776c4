import { api, must, type Schemas } from '$lib/api/client';
import { queryClient, refreshJob } from '$lib/api/queries';
import { makeupVersion } from '$lib/api/versions';
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

	#version(): number {
		const view = this.view();
		if (!view) throw new Error('The plan is not loaded yet. Wait a moment and repeat it.');
		return view.version;
	}

	#path = () => ({ params: { path: { jobId: this.jobId } } });

	async #put(steps: Draft[], pins: Pin[], version = this.#version()): Promise<void> {
		this.#take(
			await must(
				api.PUT('/api/jobs/{jobId}/makeup', { ...this.#path(), body: { steps, pins, version } })
			)
		);
	}

	#edit(label: string, run: () => Promise<void>): Promise<boolean> {
		let before: { steps: Draft[]; pins: Pin[] } = { steps: [], pins: [] };
		const after = () => refreshJob(this.jobId);
		return this.desk.edit(
			label,
			() => {
				before = { steps: this.#drafts(), pins: this.#pins() };
				return run();
			},
			after,
			async () => {
				await this.#put(before.steps, before.pins, await makeupVersion(this.jobId));
				await after();
			}
		);
	}

	#drafts = (): Draft[] => this.steps.map(draftOf);

	#pins = (): Pin[] => this.view()?.pins ?? [];

	compile(): Promise<boolean> {
		return this.#edit('Plan made', async () => {
			const version = this.#version();
			this.#take(
				await must(
					api.POST('/api/jobs/{jobId}/makeup/compile', { ...this.#path(), body: { version } })
				)
			);
		});
	}

	mend(finding: number, mend: Schemas['MendView']): Promise<boolean> {
		return this.#edit(mend.label, async () => {
			const version = this.#version();
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
		const at = this.steps.findIndex((s) => s.id === id);
		const one = this.steps[at];
		const other = this.steps[at + by];
		if (!one || !other || one.done || other.done) return undefined;
		return this.#edit(`${one.name} moved`, () => {
			const order = this.#drafts();
			const from = order.findIndex((s) => s.id === id);
			order.splice(from + by, 0, ...order.splice(from, 1));
			return this.#put(order, this.#pins());
		});
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

	change(id: string, part: Partial<Draft>, label: string): Promise<boolean> {
		return this.#edit(label, () =>
			this.#put(
				this.#drafts().map((s) => (s.id === id ? { ...s, ...part } : s)),
				this.#pins()
			)
		);
	}

	add(technique: Schemas['TechniqueItem'], zones: string[]): Promise<boolean> {
		const fresh: Draft = {
			id: crypto.randomUUID(),
			technique: technique.key,
			material: technique.materials[0] ?? '',
			thickness: 'LIGHT',
			zones
		};
		return this.#edit(`${technique.name} added`, () => {
			const order = this.#drafts();
			const after = order.findIndex((s) => s.id === this.chosen);
			const done = this.steps.filter((s) => s.done).length;
			order.splice(Math.max(done, after < 0 ? order.length : after + 1), 0, fresh);
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
