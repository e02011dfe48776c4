<script lang="ts">
	import Button from '$lib/ui/button.svelte';
	import type { Schemas } from '$lib/api/client';
	import { number } from '$lib/ui/number';
	import ColourFields from './colour-fields.svelte';

	/** What colour is wanted: typed, or faded by some lightness from what it is now. */
	type Props = {
		target: Schemas['Lab'] | undefined;
		onaim: (target: Schemas['Lab'] | undefined) => void;
		onfade: (by: number) => void;
	};

	let { target, onaim, onfade }: Props = $props();

	// the fields start from what is aimed at; the component is made anew when that changes elsewhere
	const start = () => target;
	let l = $state(start()?.l.toFixed(1) ?? '');
	let a = $state(start()?.a.toFixed(1) ?? '');
	let b = $state(start()?.b.toFixed(1) ?? '');
	let by = $state('8');

	const typed = $derived({ l: number(l), a: number(a), b: number(b) });
	const holds = $derived(Object.values(typed).every(Number.isFinite));
</script>

<form
	class="flex flex-wrap items-end gap-2"
	onsubmit={(event) => {
		event.preventDefault();
		if (holds) onaim(typed);
	}}
>
	<ColourFields bind:l bind:a bind:b />
	<Button type="submit" disabled={!holds}>Aim at it</Button>
	{#if target}
		<label class="flex flex-col"
			><span class="tag">Faded by, ΔE</span><input
				class="w-20"
				inputmode="decimal"
				bind:value={by}
			/></label
		>
		<Button disabled={!Number.isFinite(number(by))} onclick={() => onfade(number(by))}
			>Fade the target</Button
		>
	{/if}
</form>
