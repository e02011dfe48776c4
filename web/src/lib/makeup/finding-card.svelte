<script lang="ts">
	import type { Schemas } from '$lib/api/client';
	import { span } from '$lib/time/time';
	import type { PlanDesk } from './plan-desk.svelte';

	/** What the engine says of a step, with mends that it has checked. */
	let { finding, desk }: { finding: Schemas['FindingView']; desk: PlanDesk } = $props();

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
	<p><strong class="tag text-ink">{MARK[finding.severity]}</strong> {finding.why}</p>
	{#if numbers.length}
		<details class="text-soft">
			<summary class="tag cursor-pointer">figures</summary>
			<p class="figure">
				{numbers.map(([k, v]) => `${k} ${Math.round(v * 100) / 100}`).join(' · ')}
			</p>
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
</div>
