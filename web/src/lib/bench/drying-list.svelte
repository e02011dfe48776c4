<script lang="ts">
	import type { Schemas } from '$lib/api/client';
	import { span, when } from '$lib/time/time';
	import type { BenchDesk } from './bench-desk.svelte';

	/** Coats that dry; a look at one teaches how fast things dry at this bench. */
	type Props = { drying: Schemas['DryingView'][]; desk: BenchDesk; now: number; busy: boolean };

	let { drying, desk, now, busy }: Props = $props();

	const pace = (d: Schemas['DryingView']) =>
		Math.abs(d.pace - 1) < 0.005
			? ''
			: ` · here ${Math.round(Math.abs(d.pace - 1) * 100)} % ${d.pace > 1 ? 'slower' : 'faster'} than the tables`;
</script>

<ul>
	{#each drying as d (d.stepId)}
		<li class="flex flex-wrap items-center gap-x-4 gap-y-1 border-t border-line py-1.5">
			<span class="grow">
				<span class="font-semibold">{d.material}</span>
				<span class="block text-soft"
					>laid {when(d.laidAt, now)} · touch dry {d.seenMinutes
						? `seen after ${span(d.seenMinutes * 60_000)}`
						: when(d.touchAt, now)}{pace(d)}</span
				>
			</span>
			{#if d.seenMinutes}
				<button
					class="min-h-14 px-3 underline"
					disabled={busy}
					onclick={() => void desk.notTouchDry(d.stepId)}>I was wrong</button
				>
			{:else}
				<button
					class="min-h-14 border border-soft px-4"
					disabled={busy}
					onclick={() => void desk.touchDry(d.stepId, d.material)}>It is touch dry now</button
				>
			{/if}
		</li>
	{/each}
</ul>
