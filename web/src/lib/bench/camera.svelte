<script lang="ts">
	import { resolve } from '$app/paths';
	import type { Schemas } from '$lib/api/client';
	import { sidesOf } from '$lib/study/sides';
	import Select from '$lib/ui/select.svelte';
	import type { BenchDesk } from './bench-desk.svelte';

	/** The camera of a telephone: what it takes goes to a side of the model of the job on the bench. */
	type Props = { desk: BenchDesk; kind: Schemas['Job']['kind'] | undefined; of: string };
	let { desk, kind, of }: Props = $props();

	let file = $state<HTMLInputElement>();
	const sides = $derived(sidesOf(kind).map((s) => [s.key, s.label] as const));
	const label = $derived(sides.find(([key]) => key === desk.side)?.[1] ?? '');

	async function take(input: HTMLInputElement) {
		for (const f of Array.from(input.files ?? [])) await desk.addPhotograph(f, of);
		input.value = '';
	}
</script>

<input
	bind:this={file}
	type="file"
	accept="image/jpeg,image/png,image/webp"
	capture="environment"
	class="hidden"
	aria-label="Photograph of this step"
	onchange={(e) => void take(e.currentTarget)}
/>
<div class="flex flex-wrap items-stretch gap-2 text-[1.35rem]">
	<button
		class="min-h-14 flex-1 border border-soft px-3 text-left"
		disabled={desk.coming}
		onclick={() => file?.click()}
		>{desk.coming
			? 'The photograph comes in …'
			: desk.photographId
				? '✓ Photograph taken. Another one'
				: 'Take a photograph'}</button
	>
	<Select label="Side that the photograph shows" bind:value={desk.side} options={sides} roomy />
</div>
{#if desk.photographId}
	<p role="status" class="text-[1.2rem] text-soft">
		It is with the {label.toLowerCase()} of this model.
		<a class="underline" href={resolve('/jobs/[id]/compare', { id: desk.jobId })}
			>Mark its corners and compare</a
		>
	</p>
{/if}
