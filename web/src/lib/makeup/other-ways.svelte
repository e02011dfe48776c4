<script lang="ts">
	import { weighing } from '$lib/api/progress.svelte';
	import { alternativesQuery } from '$lib/api/queries';
	import type { Schemas } from '$lib/api/client';
	import { span, when } from '$lib/time/time';
	import Button from '$lib/ui/button.svelte';
	import Loaded from '$lib/ui/loaded.svelte';
	import Working from '$lib/ui/working.svelte';
	import { Now } from '$lib/time/now.svelte';
	import { createQuery } from '@tanstack/svelte-query';
	import type { PlanDesk } from './plan-desk.svelte';
	import { saidOfWays } from './ways';

	/** The same effects in other schools, beside the plan as it is asked for. */
	let { jobId, desk, busy }: { jobId: string; desk: PlanDesk; busy: boolean } = $props();

	const ways = createQuery(() => alternativesQuery(jobId, true));
	const now = new Now(60_000);
	const title = (a: Schemas['AlternativeView']) => a.title || 'As you do it now';
</script>

{#if weighing.running && !ways.data}
	<Working progress={weighing} waiting="Laying other ways beside it" />
{:else}
	<Loaded query={ways}>
		{#snippet children({ ways: list, untried })}
			{@const said = saidOfWays(list.length, untried)}
			{#if said}
				<p class="text-soft">{said}</p>
			{/if}
			<!-- svelte-ignore a11y_no_noninteractive_tabindex -->
			<ol
				class="flex gap-3 overflow-x-auto pb-2"
				tabindex="0"
				aria-label="Plans beside one another"
			>
				{#each list as a, i (i)}
					<li
						class="flex w-64 shrink-0 flex-col gap-1 border-t-4 bg-sheet px-3 py-2 {i === 0
							? 'border-ink'
							: 'border-line'}"
					>
						<p class="font-label text-[1.05rem] leading-tight font-semibold">{title(a)}</p>
						<dl class="grid grid-cols-[auto_1fr] gap-x-3">
							<dt class="tag">ready</dt>
							<dd class="figure">{when(a.readyAt, now.current)}</dd>
							<dt class="tag">clears</dt>
							<dd class="figure">{a.clears}</dd>
							<dt class="tag">work</dt>
							<dd class="figure">{span(a.handsOnMinutes * 60_000)}</dd>
							<dt class="tag">moments to watch</dt>
							<dd class="figure">{a.risk}</dd>
						</dl>
						{#if i > 0}
							<p class="grow text-[0.95rem] leading-snug">{a.sentence}</p>
							<Button disabled={busy} onclick={() => void desk.choose(a.changed, title(a))}
								>Take this way</Button
							>
						{/if}
						<details class="text-[0.93rem] text-soft">
							<summary class="tag cursor-pointer">{a.steps.length} steps</summary>
							{a.steps.join(', ')}{a.proven ? '' : '. Not searched to the end.'}
						</details>
					</li>
				{/each}
			</ol>
		{/snippet}
	</Loaded>
{/if}
