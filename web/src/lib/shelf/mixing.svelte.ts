import { api, must, said, type Schemas } from '$lib/api/client';
import { searching } from '$lib/api/progress.svelte';
import { lights, type Light } from './shelf';

type Lab = Schemas['Lab'];
type Shelf = readonly { id: string; version: number }[];

const editionOf = (shelf: Shelf) =>
	shelf
		.map((b) => `${b.id} ${b.version}`)
		.toSorted()
		.join();

export type Limits = {
	mostPaints: number;
	mostDrops: number;
	exact: boolean;
	families: string[];
	must: string[];
	not: string[];
	opacity: number;
};

/** The mixing table: what is wanted, the drops in the cup, and what they come to. */
export class MixingTable {
	target = $state.raw<Lab | undefined>(undefined);
	light = $state<Light>('D65');
	surface = $state('flat');
	drops = $state.raw<Schemas['Drops'][]>([]);
	chosen = $state(0);
	view = $state.raw<Schemas['CupView'] | undefined>(undefined);
	/** What the target looks like under each lamp, also while the cup is empty. */
	wanted = $state.raw<Schemas['TargetView'] | undefined>(undefined);
	found = $state.raw<Schemas['SearchView'] | undefined>(undefined);
	problem = $state('');
	limits = $state<Limits>({
		mostPaints: 4,
		mostDrops: 12,
		exact: false,
		families: [],
		must: [],
		not: [],
		opacity: 0
	});
	/** The recipe that the cup was filled from; a change of drops leaves it. */
	recipe = $state.raw<Schemas['RecipeView'] | undefined>(undefined);
	#asked = 0;
	#searched = '';

	/** @param shelf the bottles that stand there now */
	constructor(private readonly shelf: () => Shelf = () => []) {}

	nextLamp(): void {
		this.light = lights[(lights.indexOf(this.light) + 1) % lights.length] ?? 'D65';
	}

	choose(by: number): void {
		this.chosen = Math.max(0, Math.min(this.drops.length - 1, this.chosen + by));
	}

	/** Adds drops of a bottle, or takes some out; one without drops leaves the cup. */
	async add(bottle: string, by: number): Promise<void> {
		const known = this.drops.find((d) => d.bottle === bottle);
		const drops = (known?.drops ?? 0) + by;
		if (drops > 400 || (!known && by < 0)) return;
		this.drops = known
			? this.drops.map((d) => (d === known ? { bottle, drops } : d)).filter((d) => d.drops > 0)
			: [...this.drops, { bottle, drops }];
		const at = this.drops.findIndex((d) => d.bottle === bottle);
		this.chosen = at === -1 ? Math.min(this.chosen, Math.max(0, this.drops.length - 1)) : at;
		await this.look();
	}

	async addChosen(by: number): Promise<void> {
		const d = this.drops[this.chosen];
		if (d) await this.add(d.bottle, by);
	}

	async fill(drops: Schemas['Drops'][]): Promise<void> {
		this.drops = drops;
		this.chosen = 0;
		await this.look();
	}

	/**
	 * Leaves out what no longer stands on the shelf, from the cup and from the rules of a search; what was
	 * found on a shelf of other bottles, or of bottles known otherwise, holds no longer.
	 */
	async keepTo(shelf: Shelf): Promise<void> {
		const stands = (bottle: string) => shelf.some((b) => b.id === bottle);
		if (editionOf(shelf) !== this.#searched) this.found = undefined;
		if (!this.drops.every((d) => stands(d.bottle))) {
			this.drops = this.drops.filter((d) => stands(d.bottle));
			this.choose(0);
		}
		this.limits.must = this.limits.must.filter(stands);
		this.limits.not = this.limits.not.filter(stands);
		await this.look();
	}

	async aim(target: Lab | undefined): Promise<void> {
		this.target = target;
		this.found = undefined;
		this.wanted = undefined;
		await Promise.all([this.look(), this.#want(target)]);
	}

	async #want(target: Lab | undefined): Promise<void> {
		if (!target) return;
		try {
			const wanted = await must(api.POST('/api/mixing/target', { body: target }));
			if (this.target === target) this.wanted = wanted;
		} catch (error) {
			if (this.target === target) this.problem = said(error);
		}
	}

	/** Aims at the target faded by a difference; the engine knows what fading does. */
	async fade(by: number): Promise<void> {
		const colour = this.target;
		if (!colour) return;
		try {
			const body = { colour, surface: this.surface, by };
			const faded = await must(api.POST('/api/mixing/faded', { body }));
			this.problem = '';
			await this.aim(faded.colour);
		} catch (error) {
			this.problem = said(error);
		}
	}

	/** Whether a bottle must be in the next search, must stay out, or may be either. */
	ruleOf(bottle: string): 'must' | 'not' | 'may' {
		return this.limits.must.includes(bottle)
			? 'must'
			: this.limits.not.includes(bottle)
				? 'not'
				: 'may';
	}

	rule(bottle: string, rule: 'must' | 'not' | 'may'): void {
		const others = (list: string[]) => list.filter((b) => b !== bottle);
		this.limits.must = [...others(this.limits.must), ...(rule === 'must' ? [bottle] : [])];
		this.limits.not = [...others(this.limits.not), ...(rule === 'not' ? [bottle] : [])];
	}

	/** Looks at the cup; an answer that was overtaken is dropped. */
	async look(): Promise<void> {
		const asked = ++this.#asked;
		if (this.drops.length === 0) {
			this.view = undefined;
			return;
		}
		try {
			const view = await must(
				api.POST('/api/mixing/look', {
					body: {
						drops: this.drops,
						target: this.target ?? null,
						light: 'D65',
						surface: this.surface
					}
				})
			);
			if (asked === this.#asked) {
				this.view = view;
				this.problem = '';
			}
		} catch (error) {
			if (asked === this.#asked) this.problem = said(error);
		}
	}

	/** Searches the shelf for the target and fills the cup with the best. */
	async search(): Promise<void> {
		const target = this.target;
		if (!target || searching.running) return;
		this.problem = '';
		const searched = editionOf(this.shelf());
		try {
			const found = await searching.ask((task) =>
				must(
					api.POST('/api/mixing/search', {
						params: { query: { task } },
						body: {
							target,
							light: this.light,
							surface: this.surface,
							mostPaints: this.limits.mostPaints,
							mostDrops: this.limits.mostDrops,
							families: this.limits.families,
							must: this.limits.must,
							not: this.limits.not,
							opacity: this.limits.opacity,
							wantedMl: 0.6,
							exact: this.limits.exact,
							simple: true
						}
					})
				)
			);
			if (this.target === target) {
				this.found = found;
				this.#searched = searched;
				await this.fill(found.drops);
			}
		} catch (error) {
			this.problem = said(error);
		}
	}
}
