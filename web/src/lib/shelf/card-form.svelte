<script lang="ts">
	import type { Schemas } from '$lib/api/client';
	import Button from '$lib/ui/button.svelte';
	import { number } from '$lib/ui/number';

	/** How a mix came out on a test card, as differences from what was predicted. */
	type Props = { predicted: Schemas['Lab']; onseen: (seen: Schemas['Lab']) => void };

	let { predicted, onseen }: Props = $props();

	let open = $state(false);
	let dl = $state('0');
	let da = $state('0');
	let db = $state('0');
	const seen = $derived({
		l: predicted.l + number(dl),
		a: predicted.a + number(da),
		b: predicted.b + number(db)
	});
</script>

<Button aria-expanded={open} onclick={() => (open = !open)}>It came out otherwise</Button>
{#if open}
	<form
		class="flex basis-full flex-wrap items-end gap-2"
		onsubmit={(event) => {
			event.preventDefault();
			const opened = event.currentTarget.previousElementSibling;
			open = false;
			onseen(seen);
			if (opened instanceof HTMLElement) opened.focus();
		}}
	>
		<label class="flex flex-col"
			><span class="tag">ΔL lighter +</span><input
				class="w-20"
				inputmode="decimal"
				bind:value={dl}
			/></label
		>
		<label class="flex flex-col"
			><span class="tag">Δa redder +</span><input
				class="w-20"
				inputmode="decimal"
				bind:value={da}
			/></label
		>
		<label class="flex flex-col"
			><span class="tag">Δb yellower +</span><input
				class="w-20"
				inputmode="decimal"
				bind:value={db}
			/></label
		>
		<Button type="submit" disabled={!Object.values(seen).every(Number.isFinite)}
			>Teach the bottles</Button
		>
	</form>
{/if}
