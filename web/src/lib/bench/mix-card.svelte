<script lang="ts">
	import type { Schemas } from '$lib/api/client';

	/** How many drops of what. */
	let {
		mix,
		name,
		hex
	}: { mix: Schemas['MixView']; name: string; hex: string | null | undefined } = $props();
</script>

<section class="sheet px-5 py-3" aria-label="Mix card">
	<p class="tag text-base">Mix</p>
	<p class="flex flex-wrap items-baseline gap-x-4">
		<span class="figure text-6xl leading-none">{mix.paintDrops}</span>
		<span class="text-[1.5rem]">{mix.paintDrops === 1 ? 'drop' : 'drops'} {name}</span>
		{#if hex}<span
				class="inline-block h-7 w-12 self-center border border-soft"
				style:background-color={hex}
			></span>{/if}
	</p>
	{#if mix.thinnerDrops}
		<p class="flex flex-wrap items-baseline gap-x-4">
			<span class="figure text-6xl leading-none">{mix.thinnerDrops}</span>
			<span class="text-[1.5rem]">{mix.thinnerDrops === 1 ? 'drop' : 'drops'} {mix.thinner}</span>
		</p>
	{/if}
	<details class="text-[1.2rem] text-soft">
		<summary class="cursor-pointer">makes {mix.millilitres.toFixed(2)} ml</summary>
		1 to {mix.realRatio.toFixed(1)}; the zones take {mix.neededMillilitres.toFixed(2)} ml for {Math.round(
			mix.areaMm2
		)} mm² of model. A drop is taken as 0.05 ml. Try it on scrap first.
	</details>
</section>
