import { api, must, type Schemas } from '$lib/api/client';
import { queryClient } from '$lib/api/queries';
import { bottleNow, recipeNow } from '$lib/api/versions';
import type { Desk } from '$lib/ui/desk.svelte';
import type { BottleView } from './shelf';

type Bottle = BottleView['bottle'];
type Recipe = Schemas['RecipeDraft'];

/**
 * Edits of bottles and recipes. Cards teach bottles and steps take recipes, so each way back asks for the
 * version that is stored when it is gone.
 */
export class ShelfDesk {
	/**
	 * @param jobId a job whose steps are mixed here, told of every change
	 * @param after what else is looked at anew once the shelf has changed
	 */
	constructor(
		private readonly desk: Desk,
		private readonly jobId: string | null,
		private readonly after: () => Promise<unknown> = () => Promise.resolve()
	) {}

	#fresh = async () => {
		const keys = [
			['shelf'],
			['recipes'],
			['shopping'],
			['catalogue'],
			...(this.jobId ? [['job', this.jobId]] : [])
		];
		await Promise.all(keys.map((queryKey) => queryClient.invalidateQueries({ queryKey })));
		await this.after();
	};

	#edit(
		label: string,
		run: () => Promise<unknown>,
		back: () => Promise<unknown>
	): Promise<boolean> {
		return this.desk.edit(label, run, this.#fresh, async () => {
			await back();
			await this.#fresh();
		});
	}

	#put(id: string, version: number | null, bottle: Bottle): Promise<unknown> {
		return must(
			api.PUT('/api/shelf/{id}', { params: { path: { id } }, body: { version, bottle } })
		);
	}

	async #takeOff(id: string): Promise<void> {
		const { version, gone } = await bottleNow(id);
		if (gone) return;
		await must(api.DELETE('/api/shelf/{id}', { params: { path: { id }, query: { version } } }));
	}

	async #putBack(id: string): Promise<void> {
		const { version, gone } = await bottleNow(id);
		if (!gone) return;
		await must(api.POST('/api/shelf/{id}/back', { params: { path: { id }, query: { version } } }));
	}

	/** Stores what is changed of a bottle. */
	save(b: BottleView, draft: Bottle): Promise<boolean> {
		return this.#edit(
			`${draft.name} is stored`,
			() => this.#put(b.id, b.version, draft),
			async () => this.#put(b.id, (await bottleNow(b.id)).version, b.bottle)
		);
	}

	putNew(draft: Bottle): Promise<boolean> {
		const id = crypto.randomUUID();
		return this.#edit(
			`${draft.name} stands on the shelf`,
			() => this.#put(id, null, draft),
			() => this.#takeOff(id)
		);
	}

	takeAway(b: BottleView): Promise<boolean> {
		const params = { path: { id: b.id }, query: { version: b.version } };
		return this.#edit(
			`${b.bottle.name} is off the shelf`,
			() => must(api.DELETE('/api/shelf/{id}', { params })),
			() => this.#putBack(b.id)
		);
	}

	/** Stores a table; it is taken back bottle by bottle: what is new goes, what changed is as it was. */
	storeTable(csv: string, many: number, before: readonly BottleView[]): Promise<boolean> {
		let stored: BottleView[] = [];
		return this.#edit(
			many === 1 ? 'One bottle is stored' : `${many} bottles are stored`,
			async () => {
				await must(api.POST('/api/shelf/table', { body: { csv } }));
				stored = (await must(api.GET('/api/shelf'))).bottles;
			},
			async () => {
				for (const s of stored) {
					const was = before.find((b) => b.id === s.id);
					if (!was) await this.#takeOff(s.id);
					else if (was.version !== s.version) {
						await this.#put(s.id, (await bottleNow(s.id)).version, was.bottle);
					}
				}
			}
		);
	}

	/** Keeps a recipe, and mixes a step by it when it names one. */
	keep(recipe: Recipe, step: string | null): Promise<boolean> {
		const id = crypto.randomUUID();
		const kept = `${recipe.name} is kept`;
		return this.#edit(
			step ? `${kept}, and ${step} is mixed by it` : kept,
			() =>
				must(
					api.PUT('/api/recipes/{id}', {
						params: { path: { id } },
						body: { version: null, recipe }
					})
				),
			() => this.#forget(id)
		);
	}

	async #forget(id: string): Promise<void> {
		const { version, gone } = await recipeNow(id);
		if (gone) return;
		await must(api.DELETE('/api/recipes/{id}', { params: { path: { id }, query: { version } } }));
	}

	forget(r: Schemas['RecipeView']): Promise<boolean> {
		const path = { id: r.id };
		return this.#edit(
			`${r.recipe.name} is taken away`,
			() =>
				must(api.DELETE('/api/recipes/{id}', { params: { path, query: { version: r.version } } })),
			async () => {
				const { version, gone } = await recipeNow(r.id);
				if (!gone) return;
				await must(api.POST('/api/recipes/{id}/back', { params: { path, query: { version } } }));
			}
		);
	}

	/** Notes a test card: the bottles of the recipe learn from it. */
	card(r: Schemas['RecipeView'], seen: Schemas['Lab']): Promise<boolean> {
		const id = crypto.randomUUID();
		return this.#edit(
			`${r.recipe.name}: the bottles have learned`,
			() =>
				must(
					api.PUT('/api/recipes/{id}/cards', {
						params: { path: { id: r.id } },
						body: { id, seen }
					})
				),
			() =>
				must(
					api.DELETE('/api/recipes/{id}/cards/{card}', {
						params: { path: { id: r.id, card: id } }
					})
				)
		);
	}
}
