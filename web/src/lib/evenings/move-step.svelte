<script lang="ts">
	import type { Schemas } from '$lib/api/client';
	import { day, span, when } from '$lib/time/time';
	import Button from '$lib/ui/button.svelte';
	import Select from '$lib/ui/select.svelte';
	import type { Evenings } from './evenings.svelte';

	/** Another sitting for a step: what cannot be is said, what must move is shown before it is done. */
	type Props = { evenings: Evenings; all: Schemas['Sitting'][]; from: string; now: number };

	let { evenings, all, from, now }: Props = $props();

	const moving = $derived(evenings.moving);
	const others = $derived([
		['', 'choose a sitting'] as const,
		...all.filter((s) => s.from !== from).map((s) => [s.from, day(s.from)] as const)
	]);
	const more = $derived((moving?.tried?.lateMinutesThen ?? 0) - (moving?.tried?.lateMinutes ?? 0));
</script>

{#if moving}
	<div class="my-1 border-l-4 border-ink bg-sunk px-3 py-2">
		<label class="flex flex-wrap items-center gap-2">
			<span class="tag">To the sitting of</span>
			<Select
				value={moving.to}
				options={others}
				onchange={(to) => to && void evenings.tryMove(to)}
			/>
		</label>
		{#if moving.to && !moving.tried}
			<p class="mt-1" role="status">Looking what moves with it …</p>
		{:else if moving.tried && !moving.tried.possible}
			<p class="mt-1" role="status"><b>{moving.tried.problem}</b> {moving.tried.remedy}</p>
		{:else if moving.tried}
			<div role="status">
				{#if moving.tried.moved.length > 1}
					<p class="mt-1">This moves:</p>
					<ul class="mb-1">
						{#each moving.tried.moved as m (m.jobId + m.stepId)}
							<li>{m.name}, {m.jobName}: {when(m.from, now)} → {when(m.to, now)}</li>
						{/each}
					</ul>
				{:else}
					<p class="mt-1">Nothing else moves.</p>
				{/if}
				{#if more > 0}
					<p class="font-semibold">Dates are then missed by {span(more * 60_000)} more.</p>
				{:else if more < 0}
					<p>Dates are then missed by {span(-more * 60_000)} less.</p>
				{/if}
			</div>
			<Button class="mt-1" disabled={evenings.busy} onclick={() => void evenings.move()}
				>Move it there</Button
			>
		{/if}
	</div>
{/if}
