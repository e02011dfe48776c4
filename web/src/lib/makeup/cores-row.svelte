<script lang="ts">
	import type { Schemas } from '$lib/api/client';
	import { heightFor } from '$lib/core-sample/core';
	import CoreSample from '$lib/core-sample/core-sample.svelte';
	import type { PlanDesk } from './plan-desk.svelte';

	/** The cores of all zones side by side; those that get nothing stand at the end, short. */
	let { cores, desk }: { cores: Schemas['CoreView'][]; desk: PlanDesk } = $props();

	const used = $derived(cores.filter((c) => c.bands.length > 0));
	const bare = $derived(cores.filter((c) => c.bands.length === 0));
	const height = $derived(heightFor(used, 400));
	const reachOf = (zone: string) => desk.lookedAt?.reaches.find((r) => r.zone === zone);
</script>

<!-- svelte-ignore a11y_no_noninteractive_tabindex -->
<div
	class="flex items-end gap-2 overflow-x-auto pb-2"
	role="group"
	aria-label="Cores of the zones"
	tabindex="0"
>
	{#each used as core (core.zone)}
		<CoreSample
			{core}
			{height}
			chosen={desk.lookedAt?.id}
			reach={reachOf(core.zone)}
			onchoose={(id) => (desk.chosen = id)}
		/>
	{/each}
</div>
{#if bare.length}
	<p class="tag mt-1 normal-case">Nothing on: {bare.map((c) => c.name).join(', ')}</p>
{/if}
<details class="mt-2">
	<summary class="tag cursor-pointer">How to read a core</summary>
	<p class="max-w-prose text-soft">
		The lowest part is what the model is made of. Each band is a coat, as high as its film is thick.
		Its upper edge is the finish: one bright line is gloss, fine lines are satin, dots are flat,
		rings are loose powder. A closed side is a clear; a dashed side is not laid yet. The arrow shows
		how deep the carrier of the chosen step goes: stripes soften, crosses dissolve.
	</p>
</details>
