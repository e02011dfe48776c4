<script lang="ts">
	import type { Schemas } from '$lib/api/client';
	import { proposalsQuery } from '$lib/api/queries';
	import Button from '$lib/ui/button.svelte';
	import { createQuery } from '@tanstack/svelte-query';
	import { EffectsSeen, keyOf } from './proposals.svelte';
	import type { StudyDesk } from './study-desk.svelte';

	/** Effects read out of the measures, each with its evidence, to be taken over or left. */
	type Props = {
		jobId: string;
		photoId: string;
		stamp: string;
		desk: StudyDesk;
		zones: Schemas['JobZone'][];
	};

	let { jobId, photoId, stamp, desk, zones }: Props = $props();

	const STRENGTHS = ['a trace', 'plain', 'heavy'];
	let open = $state(false);

	const proposals = createQuery(() => proposalsQuery(jobId, photoId, open));
	// svelte-ignore state_referenced_locally
	const seen = new EffectsSeen(desk, () => proposals.data?.effects ?? []);
	const zone = (k: string) => zones.find((z) => z.zoneKey === k)?.name ?? k;
</script>

{#if !open}
	<Button onclick={() => (open = true)}>Read effects out of the measures</Button>
{:else if proposals.error}
	<p role="alert">{proposals.error.message}</p>
{:else if !proposals.data}
	<p class="tag" role="status">Reading the measures …</p>
{:else}
	{#if seen.fresh.length === 0}
		<p class="text-soft">
			{proposals.data.effects.length
				? 'Everything that the measures show is noted below.'
				: 'The measures show no effect yet: mark regions, say which zone they lie on, and pick samples of paint and of what lies on it.'}
		</p>
	{/if}
	{#if proposals.data.unplaced.length}
		<p class="text-soft">
			Without a zone, and so not read: {proposals.data.unplaced.join(', ')}.
		</p>
	{/if}
	<ul>
		{#each seen.fresh as p (keyOf(p))}
			<li class="grid grid-cols-[auto_7rem_1fr] items-start gap-3 border-t border-line py-2">
				<input
					class="mt-1.5"
					type="checkbox"
					checked={!seen.leaves(p)}
					aria-label="Take {p.label} on {p.zones.map(zone).join(', ')}"
					onchange={() => seen.toggle(p)}
				/>
				<img
					class="block max-h-20 w-28 border border-line object-cover"
					src="/api/photographs/{photoId}/regions/{p.regionId}?at={stamp}"
					alt="Evidence: {p.region}"
				/>
				<div class="leading-snug">
					<p>
						<span class="font-semibold first-letter:uppercase">{p.label}</span>, {STRENGTHS[
							p.strength - 1
						]}, on {p.zones.map(zone).join(', ')}
						{#if p.colour}<span
								class="ml-1 inline-block h-4 w-8 border border-soft align-middle"
								style:background-color={p.colour}
								title="measured colour"
							></span>{/if}
					</p>
					<p class="figure text-soft">{p.why} ({p.region})</p>
					{#if p.marks}<p class="text-soft">{p.marks}</p>{/if}
				</div>
			</li>
		{/each}
	</ul>
	{#if seen.fresh.length}
		<Button
			look={desk.effects.length ? 'plain' : 'act'}
			disabled={seen.taken.length === 0}
			onclick={() => void seen.take()}>Take these as effects</Button
		>
	{/if}
{/if}
