<script lang="ts">
	import type { LengthEntry } from './draft.svelte';

	/** A prototype length, in mm or feet and inches, with what it is on the model. */
	type Props = { label: string; entry: LengthEntry; imperial: boolean; scale: number };

	let { label, entry, imperial, scale }: Props = $props();

	const model = $derived(entry.value(imperial) / scale);
</script>

<div class="flex flex-col gap-1">
	<span class="tag">{label}</span>
	{#if imperial}
		<span class="flex items-center gap-1">
			<input
				class="w-16"
				inputmode="decimal"
				aria-label="{label} in feet"
				bind:value={entry.feet}
			/>
			ft
			<input
				class="w-16"
				inputmode="decimal"
				aria-label="{label}, inches"
				bind:value={entry.inches}
			/> in
		</span>
	{:else}
		<span class="flex items-center gap-1">
			<input
				class="w-28"
				inputmode="decimal"
				aria-label="{label} in millimetres"
				bind:value={entry.mm}
			/> mm
		</span>
	{/if}
	<span class="figure min-h-5 text-sm text-soft"
		>{Number.isFinite(model) && model > 0 ? `${model.toFixed(1)} mm on the model` : ''}</span
	>
</div>
