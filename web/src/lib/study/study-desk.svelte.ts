import { api, must, type Schemas } from '$lib/api/client';
import { keepStudy, refreshJob } from '$lib/api/queries';
import { studyNow } from '$lib/api/versions';
import type { Desk } from '$lib/ui/desk.svelte';
import { takenBack } from '$lib/ui/taken-back';

export type Region = Schemas['JobRegion'];
export type Effect = Schemas['JobEffect'];
export type Sample = Schemas['JobSample'];

const NAMES = { MEASURE: 'Region', EXCLUDE: 'Left out', EDGE: 'Edge', CUT: 'Piece' };

/** Edits of regions, effects and samples: each replaces the whole list, and the list before is the way back. */
export class StudyDesk {
	chosen = $state<string>();

	/** What is waited for after a change of samples before everything is measured anew: the overlay. */
	beforeMeasures: () => Promise<void> = () => Promise.resolve();

	constructor(
		private readonly jobId: string,
		private readonly desk: Desk,
		private readonly study: () => Schemas['Study'] | undefined
	) {}

	get regions(): Region[] {
		return this.study()?.regions ?? [];
	}

	get effects(): Effect[] {
		return this.study()?.effects ?? [];
	}

	get samples(): Sample[] {
		return this.study()?.samples ?? [];
	}

	/** What the factory colour was said to be; without it the region so named shows it. */
	get factory(): Schemas['ShownPaint'] | null | undefined {
		return this.study()?.factory;
	}

	get chosenRegion(): Region | undefined {
		return this.regions.find((r) => r.id === this.chosen);
	}

	async #putRegions(regions: Region[], version: number): Promise<void> {
		const stored = await must(
			api.PUT('/api/jobs/{jobId}/study/regions', {
				params: { path: { jobId: this.jobId } },
				body: { regions, version }
			})
		);
		await keepStudy(this.jobId, stored);
	}

	async #putEffects(effects: Effect[], version: number): Promise<void> {
		const stored = await must(
			api.PUT('/api/jobs/{jobId}/study/effects', {
				params: { path: { jobId: this.jobId } },
				body: { effects, version }
			})
		);
		await keepStudy(this.jobId, stored);
	}

	async #putSamples(samples: Sample[], version: number): Promise<void> {
		const stored = await must(
			api.PUT('/api/jobs/{jobId}/study/samples', {
				params: { path: { jobId: this.jobId } },
				body: { samples, version }
			})
		);
		// the overlay of a class is waited for
		await keepStudy(this.jobId, stored);
	}

	/** Says what the factory colour is; null leaves it to the region that shows it. */
	sayFactory(paint: Schemas['FactoryPaint'] | null): Promise<boolean> {
		const before = this.factory?.paint ?? null;
		const put = async (to: Schemas['FactoryPaint'] | null, version: number) => {
			const stored = await must(
				api.PUT('/api/jobs/{jobId}/study/factory', {
					params: { path: { jobId: this.jobId } },
					body: { paint: to, version }
				})
			);
			await keepStudy(this.jobId, stored);
		};
		return this.desk.edit(
			'Factory colour said',
			() => put(paint, this.#version()),
			this.#after,
			async () => {
				await put(before, (await studyNow(this.jobId)).version);
				await this.#after(false);
			}
		);
	}

	#version(): number {
		const study = this.study();
		if (!study) throw new Error('The study is not loaded yet. Wait a moment and repeat it.');
		return study.version;
	}

	/** The answer of an edit says the study; what is measured and made of it is asked again. */
	#after = (overtaken: boolean) => refreshJob(this.jobId, overtaken ? undefined : 'study');

	/** @param stored told when the server has them, before everything is measured anew */
	setRegions(
		label: string,
		change: (regions: Region[]) => Region[],
		stored?: () => void
	): Promise<boolean> {
		let before: Region[] = [];
		let after: Region[] = [];
		return this.desk.edit(
			label,
			async () => {
				before = this.regions;
				after = change(before);
				await this.#putRegions(after, this.#version());
				stored?.();
			},
			this.#after,
			async () => {
				const now = await studyNow(this.jobId);
				await this.#putRegions(takenBack(before, after, now.regions), now.version);
				await this.#after(false);
			}
		);
	}

	setEffects(label: string, change: (effects: Effect[]) => Effect[]): Promise<boolean> {
		let before: Effect[] = [];
		let after: Effect[] = [];
		return this.desk.edit(
			label,
			() => {
				before = this.effects;
				after = change(before);
				return this.#putEffects(after, this.#version());
			},
			this.#after,
			async () => {
				const now = await studyNow(this.jobId);
				await this.#putEffects(takenBack(before, after, now.effects), now.version);
				await this.#after(false);
			}
		);
	}

	setSamples(label: string, change: (samples: Sample[]) => Sample[]): Promise<boolean> {
		let before: Sample[] = [];
		let after: Sample[] = [];
		return this.desk.edit(
			label,
			() => {
				before = this.samples;
				after = change(before);
				return this.#putSamples(after, this.#version());
			},
			async (overtaken) => {
				await this.beforeMeasures();
				await this.#after(overtaken);
			},
			async () => {
				const now = await studyNow(this.jobId);
				await this.#putSamples(takenBack(before, after, now.samples), now.version);
				await this.#after(false);
			}
		);
	}

	addSample(part: Omit<Sample, 'id'>): Promise<boolean> {
		return this.setSamples('Sample picked', (all) => [
			...all,
			{ ...part, id: crypto.randomUUID() }
		]);
	}

	changeSample(id: string, part: Partial<Sample>, label: string): Promise<boolean> {
		return this.setSamples(label, (all) => all.map((s) => (s.id === id ? { ...s, ...part } : s)));
	}

	dropSample(id: string): Promise<boolean> {
		return this.setSamples('Sample taken out', (all) => all.filter((s) => s.id !== id));
	}

	/** Marks a region and chooses it. */
	addRegion(part: Omit<Region, 'id' | 'factory' | 'name'>): Promise<boolean> {
		const id = crypto.randomUUID();
		return this.setRegions(
			'Region marked',
			(all) => [...all, { ...part, id, name: this.#nextName(all, part.role), factory: false }],
			() => (this.chosen = id)
		);
	}

	/** The lowest number that is free: edges are told apart by their names. */
	#nextName(all: Region[], role: Region['role']): string {
		let n = all.filter((r) => r.role === role).length + 1;
		while (all.some((r) => r.name === `${NAMES[role]} ${n}`)) n += 1;
		return `${NAMES[role]} ${n}`;
	}

	changeRegion(id: string, part: Partial<Region>, label = 'Region changed'): Promise<boolean> {
		return this.setRegions(label, (all) => all.map((r) => (r.id === id ? { ...r, ...part } : r)));
	}

	/** Names the factory colour; only one region can be it. */
	nameFactory(id: string): Promise<boolean> {
		return this.setRegions('Factory colour named', (all) =>
			all.map((r) => ({ ...r, factory: r.id === id ? !r.factory : false }))
		);
	}

	dropRegion(id: string): Promise<boolean> {
		return this.setRegions('Region taken out', (all) => all.filter((r) => r.id !== id));
	}
}
