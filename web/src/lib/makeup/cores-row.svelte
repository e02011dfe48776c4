<script lang="ts">
	import type { Schemas } from '$lib/api/client';
	import { heightFor, surface } from '$lib/core-sample/core';
	import CoreSample from '$lib/core-sample/core-sample.svelte';
	import type { PlanDesk } from './plan-desk.svelte';

	/** The cores of all zones side by side; those that get nothing stand at the end, short. */
	type Props = {
		cores: Schemas['CoreView'][];
		findings: Schemas['FindingView'][];
		steps: Schemas['StepView'][];
		desk: PlanDesk;
	};

	let { cores, findings, steps, desk }: Props = $props();

	const used = $derived(cores.filter((c) => c.bands.length > 0));
	const bare = $derived(cores.filter((c) => c.bands.length === 0));
	const height = $derived(heightFor(used, 400));
	// what lies when the step that is looked at begins; what comes after it is only hinted at
	const place = $derived(new Map(steps.map((s, i) => [s.id, i])));
	const upTo = $derived(desk.lookedAt ? (place.get(desk.lookedAt.id) ?? Infinity) : Infinity);
	const later = (stepId: string) => (place.get(stepId) ?? -1) > upTo;
	const surfaceOf = (zone: string) =>
		surface(findings.filter((f) => f.stepId === desk.lookedAt?.id && f.zones.includes(zone)));
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
			{later}
			surface={surfaceOf(core.zone)}
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
		how deep the carrier of the chosen step goes: stripes soften, crosses dissolve. While a step is
		looked at, coats that come after it are pale. A ladder of bars on the surface is too slick for
		the step, teeth are too rough, drops soak in and stain, rings lie loose.
	</p>
</details>
