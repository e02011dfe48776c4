<script lang="ts">
	import { resolve } from '$app/paths';
	import { page } from '$app/state';
	import type { Schemas } from '$lib/api/client';
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
	import { ShelfDesk } from '$lib/shelf/shelf-desk.svelte';
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
	const table = new MixingTable(() => shelf.data?.bottles ?? []);
	let picked = $state<string | undefined>(undefined);
	let naming = $state(false);
	let mixing = $state<ReturnType<typeof MixingTableView>>();
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
	const edits = new ShelfDesk(desk, forJob, async () => {
		const now = await queryClient.ensureQueryData(shelfQuery());
		await table.keepTo(now.bottles);
	});

	Keys.use('Shelf', () => [
		{ key: 'a', label: 'Aim at a colour', run: () => mixing?.aim() },
		{ key: 'ArrowDown', label: 'Next bottle in the cup', run: () => table.choose(1) },
		{ key: 'ArrowUp', label: 'Bottle before', run: () => table.choose(-1) },
		{ key: 'ArrowRight', label: 'A drop more of it', run: () => void table.addChosen(1) },
		{ key: 'ArrowLeft', label: 'A drop less of it', run: () => void table.addChosen(-1) },
		{
			key: 'f',
			label: 'Find the best recipe',
			run: () => (table.target ? void table.search() : desk.say('Aim at a colour first', 'saved'))
		},
		{ key: 'l', label: 'Next lamp', run: () => table.nextLamp() },
		{
			key: 'r',
			label: 'Keep the recipe',
			run: () =>
				table.drops.length ? (naming = true) : desk.say('There is nothing in the cup yet', 'saved')
		}
	]);

	function takeAway(b: BottleView) {
		picked = undefined;
		void edits.takeAway(b);
	}

	function keep() {
		const view = table.view;
		if (!view || !name.trim()) return;
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
		void edits.keep(recipe, forStep);
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
							onsave={(draft) => edits.save(b, draft)}
							ontake={() => takeAway(b)}
						/>
					{/each}
					<details open={swatch !== undefined}>
						<summary class="font-label text-lg font-semibold">Put a bottle on the shelf</summary>
						<NewBottle measured={swatch} onput={(draft) => void edits.putNew(draft)} />
					</details>
					<details>
						<summary class="font-label text-lg font-semibold">Tables and palettes</summary>
						<div class="my-2 flex flex-wrap gap-2">
							<SaveButton from="/api/shelf/table.csv">Save the shelf as a table</SaveButton>
							<SaveButton from="/api/shelf/palette.gpl">Save its colours as a palette</SaveButton>
						</div>
						<TableImport onstore={(csv, many) => void edits.storeTable(csv, many, bottles)} />
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
					<MixingTableView
						bind:this={mixing}
						{table}
						bottles={s.bottles}
						onkeep={() => (naming = true)}
					/>
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
								onforget={(r) => void edits.forget(r)}
								oncard={(r, seen) => void edits.card(r, seen)}
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
