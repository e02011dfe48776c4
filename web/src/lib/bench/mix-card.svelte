<script lang="ts">
	import type { Schemas } from '$lib/api/client';

	/** How many drops of what. */
	let { mix }: { mix: Schemas['MixView'] } = $props();

	const short = $derived(mix.measures.filter((m) => !m.enough));
</script>

<section class="sheet px-5 py-3" aria-label="Mix card">
	<p class="tag flex items-center gap-3 text-base">
		<span>Mix{mix.recipe ? `: ${mix.recipe}` : ''}</span>
		{#if mix.hex}<span
				class="inline-block h-7 w-12 border border-soft"
				style:background-color={mix.hex}
			></span>{/if}
	</p>
	{#each mix.measures as m (m.name)}
		<p class="flex flex-wrap items-baseline gap-x-4">
			<span class="figure text-6xl leading-none">{m.drops}</span>
			<span class="text-[1.5rem]">{m.drops === 1 ? 'drop' : 'drops'} {m.name}</span>
		</p>
	{/each}
	{#if mix.thinnerDrops}
		<p class="flex flex-wrap items-baseline gap-x-4">
			<span class="figure text-6xl leading-none">{mix.thinnerDrops}</span>
			<span class="text-[1.5rem]">{mix.thinnerDrops === 1 ? 'drop' : 'drops'} {mix.thinner}</span>
		</p>
	{/if}
	{#each short as m (m.name)}
		<p class="border-l-4 border-ink pl-3 text-[1.2rem]">
			△ Only {(m.leftMl ?? 0).toFixed(1)} ml of {m.name}
			{(m.leftMl ?? 0) === 1 ? 'is' : 'are'} left; this takes {m.millilitres.toFixed(2)}.
		</p>
	{/each}
	{#if mix.missing.length}
		<p class="border-l-4 border-ink pl-3 text-[1.2rem]">
			△ Not on the shelf any more: {mix.missing.join(', ')}.
		</p>
	{/if}
	{#if mix.tooDark.length}
		<p class="border-l-4 border-dashed border-ink pl-3 text-[1.2rem]">
			Too dark to tell its tints: {mix.tooDark.join(', ')}. Try it on a card before the model.
		</p>
	{/if}
	<details class="text-[1.2rem] text-soft">
		<summary class="cursor-pointer">makes {mix.millilitres.toFixed(2)} ml</summary>
		1 to {mix.realRatio.toFixed(1)}; the zones take {mix.neededMillilitres.toFixed(2)} ml for {Math.round(
			mix.areaMm2
		)} mm² of model.
		{#each mix.measures as m (m.name)}
			A drop of {m.name} is {(m.millilitres / m.drops).toFixed(3)} ml{m.leftMl === null
				? ', as most are: it does not stand on the shelf under this name'
				: ''}.
		{/each}
		{#if mix.cost >= 0.005}It costs {mix.cost.toFixed(2)}.{/if}
		Try it on scrap first.
	</details>
</section>
