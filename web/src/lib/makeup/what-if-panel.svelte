<script lang="ts">
	import Select from '$lib/ui/select.svelte';
	import { span } from '$lib/time/time';
	import type { Step } from './plan-desk.svelte';
	import type { WhatIf } from './what-if.svelte';

	/** What would become of the plan in other air, or with a wetter coat. */
	let { ask, steps }: { ask: WhatIf; steps: Step[] } = $props();

	const coats = $derived(
		steps.filter((s) => !s.done && s.role !== 'WORK' && s.role !== 'HANDLING')
	);
	const later = $derived(ask.then?.laterMinutes ?? 0);
</script>

<div class="flex flex-wrap items-end gap-4">
	<label class="flex flex-col gap-1"
		><span class="tag">Temperature</span>
		<span class="flex items-center gap-1">
			<input
				class="w-20"
				type="number"
				step="1"
				min="5"
				max="40"
				bind:value={ask.celsius}
				onchange={() => void ask.ask()}
			/> °C</span
		></label
	>
	<label class="flex flex-col gap-1"
		><span class="tag">Humidity</span>
		<span class="flex items-center gap-1">
			<input
				class="w-20"
				type="number"
				step="5"
				min="5"
				max="95"
				bind:value={ask.humidity}
				onchange={() => void ask.ask()}
			/> %</span
		></label
	>
	<label class="flex flex-col gap-1"
		><span class="tag">Laid wet</span>
		<Select
			class="max-w-52"
			value={ask.thicker}
			onchange={(thicker) => {
				ask.thicker = thicker;
				void ask.ask();
			}}
			options={[
				['', 'nothing thicker than planned'],
				...coats.map((s) => [s.id, `${s.name}, ${s.materialName}`] as const)
			]}
		/></label
	>
	<button class="tag underline" onclick={() => ask.set({ celsius: 11 })}>a cold evening</button>
	<button class="tag underline" onclick={() => ask.set({ humidity: 80 })}>a damp one</button>
</div>
{#if ask.failed}
	<p class="mt-2 border-l-4 border-ink px-3" role="alert">{ask.failed}</p>
{:else if ask.then}
	<div class="mt-2" role="status">
		<p class="font-label text-lg font-semibold">
			{later === 0
				? 'It would be ready at the same time.'
				: `It would be ready ${span(Math.abs(later) * 60_000)} ${later > 0 ? 'later' : 'earlier'} at best.`}
		</p>
		{#each ask.then.worse as w, i (i)}<p><strong class="tag text-ink">✕ new</strong> {w}</p>{/each}
		{#each ask.then.better as b, i (i)}<p>
				<strong class="tag text-ink">✓ gone</strong>
				{b}
			</p>{/each}
		{#if !ask.then.worse.length && !ask.then.better.length}<p class="text-soft">
				Nothing new would stop or warn.
			</p>{/if}
		<p class="text-soft">
			Steps and cores below are shown as they would be then. Nothing is stored.
		</p>
	</div>
{/if}
