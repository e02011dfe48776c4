<script lang="ts">
	import type { Schemas } from '$lib/api/client';
	import { span } from '$lib/time/time';
	import type { PlanDesk } from './plan-desk.svelte';

	/** What the engine says of a step, with mends that it has checked. */
	type Props = {
		finding: Schemas['FindingView'];
		/** Others about the same step that the same mend heals. */
		also?: Schemas['FindingView'][];
		desk: PlanDesk;
	};

	let { finding, also = [], desk }: Props = $props();

	const MARK = { STOP: '✕ Stop', WARN: '△ Careful', NOTE: '· Note' };
	const numbers = $derived(Object.entries(finding.numbers));
	const later = (m: Schemas['MendView']) =>
		m.laterMinutes > 0 ? `, ${span(m.laterMinutes * 60_000)} later` : '';
</script>

<div
	class="mx-2 mb-2 ml-10 px-3 py-1.5 {finding.severity === 'STOP'
		? 'border-l-8 border-ink bg-sheet'
		: finding.severity === 'WARN'
			? 'border-l-4 border-ink bg-sheet'
			: 'border-l border-line'}"
	data-severity={finding.severity}
>
	<p>
		<strong class="tag text-ink">{finding.answered ? '△ You know' : MARK[finding.severity]}</strong>
		{finding.why}
	</p>
	{#each also as o (o.index)}
		<p><strong class="tag text-ink">{MARK[o.severity]}</strong> {o.why}</p>
	{/each}
	{#if numbers.length || [finding, ...also].some((f) => f.milder)}
		<details class="text-soft">
			<summary class="tag cursor-pointer">working</summary>
			{#each [finding, ...also] as f (f.index)}
				{#if Object.keys(f.numbers).length}
					<p class="figure">
						{Object.entries(f.numbers)
							.map(([k, v]) => `${k} ${Math.round(v * 100) / 100}`)
							.join(' · ')}
					</p>
				{/if}
			{/each}
			{#each new Set([finding, ...also].map((f) => f.milder)) as words (words)}
				{#if words}<p>Milder: {words}</p>{/if}
			{/each}
		</details>
	{/if}
	{#if finding.mends.length}
		<div class="mt-1 flex flex-col items-start gap-1">
			{#each finding.mends as m (m.index)}
				<button
					class="border border-ink px-2 py-0.5 font-label font-semibold hover:bg-sunk"
					onclick={() => void desk.mend(finding.index, m)}
					>{m.label}<span class="font-medium text-soft">{later(m)}</span></button
				>
			{/each}
		</div>
	{/if}
	{#if finding.severity === 'WARN' || finding.answered}
		<button class="tag underline" onclick={() => void desk.answer(finding, !finding.answered)}
			>{finding.answered ? 'warn me again' : 'I know, I do it so'}</button
		>
	{/if}
</div>
