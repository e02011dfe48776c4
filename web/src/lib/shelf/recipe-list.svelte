<script lang="ts">
	import type { Schemas } from '$lib/api/client';
	import Button from '$lib/ui/button.svelte';
	import CardForm from './card-form.svelte';
	import type { Light } from './shelf';

	/** Recipes that are kept: what they make of the shelf as it is now, and what cards have taught. */
	type Props = {
		recipes: Schemas['RecipeView'][];
		light: Light;
		nameOf: (id: string) => string;
		onuse: (recipe: Schemas['RecipeView']) => void;
		onforget: (recipe: Schemas['RecipeView']) => void;
		oncard: (recipe: Schemas['RecipeView'], seen: Schemas['Lab']) => void;
	};

	let { recipes, light, nameOf, onuse, onforget, oncard }: Props = $props();
</script>

<ul aria-label="Kept recipes">
	{#each recipes as r (r.id)}
		{@const lamp = r.mix.lamps[light]}
		<li class="grid grid-cols-[5rem_1fr] gap-3 border-t border-line py-2">
			<div class="flex h-12 bg-[#8c8c8c] p-1" aria-hidden="true">
				<div class="flex-1" style:background={lamp?.target ?? 'transparent'}></div>
				<div class="flex-1" style:background={lamp?.mix ?? 'transparent'}></div>
			</div>
			<div>
				<p>
					<strong>{r.recipe.name}</strong>
					{#if lamp?.difference}<span class="figure">ΔE {lamp.difference.deltaE00.toFixed(2)}</span
						>{/if}
				</p>
				<p class="text-soft">
					{r.recipe.drops.map((d) => `${d.drops} ${nameOf(d.bottle)}`).join(', ')}
				</p>
				{#if r.missing.length}<p class="border-l-4 border-ink pl-2">
						Not there any more: {r.missing.join(', ')}. Search again with what is on the shelf.
					</p>{/if}
				{#if r.tooDark.length}<p class="border-l-4 border-dashed border-ink pl-2">
						Too dark to tell its tints: {r.tooDark.join(', ')}. Try this mix on a card first.
					</p>{/if}
				{#each r.cards as c (c.id)}
					<p class="text-sm text-soft">
						Card: came out {c.words} than predicted. Taught {c.taught}{c.left > 1
							? `; ${c.left.toFixed(1)} is left over`
							: ''}.
					</p>
				{/each}
				<div class="mt-1 flex flex-wrap gap-2">
					<Button onclick={() => onuse(r)}>Fill the cup</Button>
					<CardForm predicted={r.mix.colour} onseen={(seen) => oncard(r, seen)} />
					<Button look="bare" onclick={() => onforget(r)}>Take away</Button>
				</div>
			</div>
		</li>
	{/each}
</ul>
