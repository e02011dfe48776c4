import { api, must, type Schemas } from '$lib/api/client';
import { refreshJob } from '$lib/api/queries';
import type { Desk } from '$lib/ui/desk.svelte';

export type Region = Schemas['JobRegion'];
export type Effect = Schemas['JobEffect'];

/** Edits of regions and effects: each replaces the whole list, and the list before is the way back. */
export class StudyDesk {
	chosen = $state<string>();

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

	get chosenRegion(): Region | undefined {
		return this.regions.find((r) => r.id === this.chosen);
	}

	async #putRegions(regions: Region[]): Promise<void> {
		const version = this.#version();
		await must(
			api.PUT('/api/jobs/{jobId}/study/regions', {
				params: { path: { jobId: this.jobId } },
				body: { regions, version }
			})
		);
	}

	async #putEffects(effects: Effect[]): Promise<void> {
		const version = this.#version();
		await must(
			api.PUT('/api/jobs/{jobId}/study/effects', {
				params: { path: { jobId: this.jobId } },
				body: { effects, version }
			})
		);
	}

	#version(): number {
		const study = this.study();
		if (!study) throw new Error('The study is not loaded yet. Wait a moment and repeat it.');
		return study.version;
	}

	#after = () => refreshJob(this.jobId);

	setRegions(label: string, change: (regions: Region[]) => Region[]): Promise<boolean> {
		let before: Region[] = [];
		return this.desk.edit(
			label,
			() => {
				before = this.regions;
				return this.#putRegions(change(before));
			},
			this.#after,
			async () => {
				await this.#putRegions(before);
				await this.#after();
			}
		);
	}

	setEffects(label: string, change: (effects: Effect[]) => Effect[]): Promise<boolean> {
		let before: Effect[] = [];
		return this.desk.edit(
			label,
			() => {
				before = this.effects;
				return this.#putEffects(change(before));
			},
			this.#after,
			async () => {
				await this.#putEffects(before);
				await this.#after();
			}
		);
	}

	async addRegion(part: Omit<Region, 'id' | 'factory' | 'name'>): Promise<void> {
		const id = crypto.randomUUID();
		const marked = await this.setRegions('Region marked', (all) => [
			...all,
			{ ...part, id, name: `Region ${all.length + 1}`, factory: false }
		]);
		if (marked) {
			this.chosen = id;
		}
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
