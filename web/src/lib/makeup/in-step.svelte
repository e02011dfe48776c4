<script lang="ts">
	import type { Schemas } from '$lib/api/client';
	import Button from '$lib/ui/button.svelte';
	import type { PlanDesk } from './plan-desk.svelte';

	/** Which other jobs go along with this one: one mix and one booth visit for all that want the same. */
	type Props = { jobId: string; cards: Schemas['Card'][]; desk: PlanDesk; busy: boolean };

	let { jobId, cards, desk, busy }: Props = $props();

	let along = $state<string[]>([]);
	const others = $derived(
		cards.filter((c) => c.job.id !== jobId && !c.job.archived && c.effects > 0)
	);
	const toggle = (id: string) =>
		(along = along.includes(id) ? along.filter((o) => o !== id) : [...along, id]);
</script>

{#if others.length === 0}
	<p class="text-soft">No other job has effects noted in its study.</p>
{:else}
	<p class="text-soft">
		What is still to do is planned anew for all of them together. Clears and colours are shared
		where the coats beneath allow it.
	</p>
	<div class="my-2 flex flex-wrap gap-x-5">
		{#each others as c (c.job.id)}
			<label class="flex min-h-8 items-center gap-1.5"
				><input
					type="checkbox"
					checked={along.includes(c.job.id)}
					onchange={() => toggle(c.job.id)}
				/>{c.job.name}</label
			>
		{/each}
	</div>
	<Button disabled={busy || along.length === 0} onclick={() => void desk.inStep(along)}
		>Plan them in step</Button
	>
{/if}
