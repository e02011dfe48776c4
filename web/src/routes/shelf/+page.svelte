<script lang="ts">
	import { resolve } from '$app/paths';
	import { page } from '$app/state';
	import { api, must, type Schemas } from '$lib/api/client';
	import { queryClient, recipesQuery, shelfQuery } from '$lib/api/queries';
	import { Keys } from '$lib/keys/keys.svelte';
	import SaveButton from '$lib/paper/save-button.svelte';
	import BottleCard from '$lib/shelf/bottle-card.svelte';
	import LampSwitch from '$lib/shelf/lamp-switch.svelte';
	import { MixingTable } from '$lib/shelf/mixing.svelte';
	import MixingTableView from '$lib/shelf/mixing-table.svelte';
	import NewBottle from '$lib/shelf/new-bottle.svelte';
	import RecipeList from '$lib/shelf/recipe-list.svelte';
	import ShelfWall from '$lib/shelf/shelf-wall.svelte';
	import TableImport from '$lib/shelf/table-import.svelte';
	import ToBuy from '$lib/shelf/to-buy.svelte';
	import type { BottleView } from '$lib/shelf/shelf';
	import Button from '$lib/ui/button.svelte';
	import { Desk } from '$lib/ui/desk.svelte';
	import Loaded from '$lib/ui/loaded.svelte';
	import Notice from '$lib/ui/notice.svelte';
	import { createQuery } from '@tanstack/svelte-query';

	const desk = Desk.get();
	const shelf = createQuery(() => shelfQuery());
	const recipes = createQuery(() => recipesQuery());
	const table = new MixingTable();
	let picked = $state<string | undefined>(undefined);
	let naming = $state(false);
	let back = $state<HTMLAnchorElement>();
	let name = $state('');

	const asked = page.url.searchParams;
	const [l, a, b] = ['l', 'a', 'b'].map((k) => Number(asked.get(k) ?? Number.NaN));
	const came =
		l !== undefined && a !== undefined && b !== undefined && [l, a, b].every(Number.isFinite)
			? { l, a, b }
			: undefined;
	// a colour comes to be mixed, or as the swatch of a new bottle
	const swatch = asked.has('bottle') ? came : undefined;
	if (came && !swatch) void table.aim(came);
	const forStep = asked.get('for');
	const forJob = asked.get('job');

	const bottles = $derived(shelf.data?.bottles ?? []);
	const nameOf = (id: string) =>
		bottles.find((b) => b.id === id)?.bottle.name ?? 'a bottle that is gone';
	const fresh = () =>
		Promise.all([
			queryClient.invalidateQueries({ queryKey: ['shelf'] }),
			queryClient.invalidateQueries({ queryKey: ['recipes'] }),
			queryClient.invalidateQueries({ queryKey: ['shopping'] }),
			...(forJob ? [queryClient.invalidateQueries({ queryKey: ['job', forJob] })] : [])
		]);

	Keys.use('Shelf', () => [
		{ key: 'ArrowDown', label: 'Next bottle in the cup', run: () => table.choose(1) },
		{ key: 'ArrowUp', label: 'Bottle before', run: () => table.choose(-1) },
		{ key: 'ArrowRight', label: 'A drop more of it', run: () => void table.addChosen(1) },
		{ key: 'ArrowLeft', label: 'A drop less of it', run: () => void table.addChosen(-1) },
		{ key: 'f', label: 'Find the best recipe', run: () => void table.search() },
		{ key: 'l', label: 'Next lamp', run: () => table.nextLamp() },
		{ key: 'r', label: 'Keep the recipe', run: () => (naming = table.drops.length > 0) }
	]);

	const putBottle = (id: string, version: number | null, bottle: BottleView['bottle']) =>
		must(api.PUT('/api/shelf/{id}', { params: { path: { id } }, body: { version, bottle } }));
	const versionOf = async (id: string) => {
		const now = await must(api.GET('/api/shelf'));
		return now.bottles.find((b) => b.id === id)?.version ?? null;
	};

	function save(b: BottleView, draft: BottleView['bottle']) {
		const before = b.bottle;
		void desk.edit(
			`${draft.name} is stored`,
			() => putBottle(b.id, b.version, draft),
			fresh,
			async () => {
				await putBottle(b.id, await versionOf(b.id), before);
				await fresh();
			}
		);
	}

	function takeAway(b: BottleView) {
		const path = { id: b.id };
		picked = undefined;
		void desk.edit(
			`${b.bottle.name} is off the shelf`,
			() =>
				must(api.DELETE('/api/shelf/{id}', { params: { path, query: { version: b.version } } })),
			fresh,
			async () => {
				await must(
					api.POST('/api/shelf/{id}/back', {
						params: { path, query: { version: b.version + 1 } }
					})
				);
				await fresh();
			}
		);
	}

	function keep() {
		const view = table.view;
		if (!view || !name.trim()) return;
		const id = crypto.randomUUID();
		const recipe: Schemas['RecipeDraft'] = {
			name: name.trim(),
			target: table.target ?? view.colour,
			light: 'D65',
			surface: table.surface,
			drops: table.drops,
			job: forJob,
			step: asked.get('step'),
			notes: null
		};
		naming = false;
		// what is kept for a step is done with here
		back?.focus();
		name = '';
		void desk.edit(
			forStep ? `${recipe.name} is kept, and ${forStep} is mixed by it` : `${recipe.name} is kept`,
			() =>
				must(
					api.PUT('/api/recipes/{id}', {
						params: { path: { id } },
						body: { version: null, recipe }
					})
				),
			fresh,
			async () => {
				await must(
					api.DELETE('/api/recipes/{id}', { params: { path: { id }, query: { version: 1 } } })
				);
				await fresh();
			}
		);
	}

	function forget(r: Schemas['RecipeView']) {
		const path = { id: r.id };
		void desk.edit(
			`${r.recipe.name} is taken away`,
			() =>
				must(api.DELETE('/api/recipes/{id}', { params: { path, query: { version: r.version } } })),
			fresh,
			async () => {
				await must(
					api.POST('/api/recipes/{id}/back', {
						params: { path, query: { version: r.version + 1 } }
					})
				);
				await fresh();
			}
		);
	}

	function card(r: Schemas['RecipeView'], seen: Schemas['Lab']) {
		const id = crypto.randomUUID();
		void desk.edit(
			`${r.recipe.name}: the bottles have learned`,
			() =>
				must(
					api.PUT('/api/recipes/{id}/cards', {
						params: { path: { id: r.id } },
						body: { id, seen }
					})
				),
			async () => {
				await fresh();
				await table.look();
			},
			async () => {
				await must(
					api.DELETE('/api/recipes/{id}/cards/{card}', {
						params: { path: { id: r.id, card: id } }
					})
				);
				await fresh();
				await table.look();
			}
		);
	}

	async function takeOff(id: string) {
		const version = await versionOf(id);
		if (version === null) return;
		await must(api.DELETE('/api/shelf/{id}', { params: { path: { id }, query: { version } } }));
	}

	function putNew(draft: BottleView['bottle']) {
		const id = crypto.randomUUID();
		void desk.edit(
			`${draft.name} stands on the shelf`,
			() => putBottle(id, null, draft),
			fresh,
			async () => {
				await takeOff(id);
				await fresh();
			}
		);
	}

	/** A table is taken back bottle by bottle: what is new goes, what changed is as it was. */
	function storeTable(csv: string, many: number) {
		const before = bottles;
		void desk.edit(
			many === 1 ? 'One bottle is stored' : `${many} bottles are stored`,
			() => must(api.POST('/api/shelf/table', { body: { csv } })),
			fresh,
			async () => {
				const now = await must(api.GET('/api/shelf'));
				for (const n of now.bottles) {
					const was = before.find((b) => b.id === n.id);
					if (!was) await takeOff(n.id);
					else if (was.version !== n.version) await putBottle(n.id, n.version, was.bottle);
				}
				await fresh();
			}
		);
	}

	async function use(r: Schemas['RecipeView']) {
		await table.aim(r.recipe.target);
		await table.fill(r.recipe.drops.filter((d) => bottles.some((b) => b.id === d.bottle)));
	}
</script>

<svelte:head><title>Shelf – Pendrik</title></svelte:head>

<div class="px-5 py-4">
	<div class="mb-3 flex flex-wrap items-center gap-x-6 gap-y-2">
		<h1 class="text-3xl">Shelf</h1>
		<LampSwitch
			light={table.light}
			titles={shelf.data?.lamps ?? {}}
			onchange={(l) => (table.light = l)}
		/>
	</div>
	<Loaded query={shelf}>
		{#snippet children(s)}
			<div class="grid gap-6 lg:grid-cols-[minmax(0,1fr)_minmax(0,27rem)]">
				<div class="flex min-w-0 flex-col gap-4">
					{#if s.bottles.length}
						<ShelfWall
							bottles={s.bottles}
							light={table.light}
							chosen={picked}
							onpick={(b) => {
								picked = b.id;
								if (b.mixes) void table.add(b.id, 1);
							}}
						/>
					{:else}
						<Notice
							title="Nothing stands here yet"
							text="Put your bottles on the shelf one by one, or bring them in as a table. Recipes are searched among what stands here."
						/>
					{/if}
					{#each s.bottles.filter((b) => b.id === picked) as b (`${b.id} ${b.version}`)}
						<BottleCard
							bottle={b}
							{nameOf}
							rule={table.ruleOf(b.id)}
							onrule={(rule) => table.rule(b.id, rule)}
							onadd={() => void table.add(b.id, 1)}
							onsave={(draft) => save(b, draft)}
							ontake={() => takeAway(b)}
						/>
					{/each}
					<details open={swatch !== undefined}>
						<summary class="font-label text-lg font-semibold">Put a bottle on the shelf</summary>
						<NewBottle measured={swatch} onput={putNew} />
					</details>
					<details>
						<summary class="font-label text-lg font-semibold">Tables and palettes</summary>
						<div class="my-2 flex flex-wrap gap-2">
							<SaveButton from="/api/shelf/table.csv">Save the shelf as a table</SaveButton>
							<SaveButton from="/api/shelf/palette.gpl">Save its colours as a palette</SaveButton>
						</div>
						<TableImport onstore={storeTable} />
					</details>
				</div>
				<div class="flex flex-col gap-5">
					{#if forStep && forJob}
						<p class="border-l-4 border-ink bg-sheet px-3 py-2 text-lg">
							For <strong>{forStep}</strong>. What you keep is its mix from then on.
							<a
								bind:this={back}
								class="ml-1 underline"
								href={resolve('/jobs/[id]/makeup', { id: forJob })}>Back to Make-up</a
							>
						</p>
					{/if}
					<MixingTableView {table} bottles={s.bottles} onkeep={() => (naming = true)} />
					{#if naming}
						<form
							class="flex flex-wrap items-end gap-2 border-y-2 border-ink py-2"
							onsubmit={(event) => {
								event.preventDefault();
								keep();
							}}
						>
							<label class="flex grow flex-col"
								><span class="tag">Name it for what it is for</span>
								<!-- svelte-ignore a11y_autofocus -->
								<input bind:value={name} maxlength="80" autofocus /></label
							>
							<Button type="submit" disabled={!name.trim()}>Keep</Button>
							<Button look="bare" onclick={() => (naming = false)}>Leave it</Button>
						</form>
					{/if}
					{#if recipes.data?.length}
						<section>
							<h2 class="text-2xl">Kept recipes</h2>
							<RecipeList
								recipes={recipes.data}
								light={table.light}
								{nameOf}
								onuse={(r) => void use(r)}
								onforget={forget}
								oncard={card}
							/>
						</section>
					{/if}
					<ToBuy bottles={s.bottles} />
					<p class="text-soft">
						How much of a mix a step takes stands on its mix card in Make-up and at the bench; for
						anything else ask the <a class="underline" href={resolve('/thumb')}>rule of thumb</a>.
					</p>
				</div>
			</div>
		{/snippet}
	</Loaded>
</div>
