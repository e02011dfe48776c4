<script lang="ts">
	import type { Schemas } from '$lib/api/client';
	import Select from '$lib/ui/select.svelte';
	import type { SideMarking } from './side-marking.svelte';
	import { CLASSES, className, type WeatherClass } from './sides';

	/** Which class is shown alone over the side, and how what it shows wrongly is put right: by a sample of what it is. */
	type Props = {
		marking: SideMarking;
		/** Of the classes that have samples. */
		colours: Schemas['Measures']['colours'] | undefined;
		only: WeatherClass | undefined;
	};

	let { marking, colours, only = $bindable() }: Props = $props();

	const sampled = $derived(Object.keys(colours ?? {}) as WeatherClass[]);

	function show(kind: WeatherClass) {
		only = only === kind ? undefined : kind;
		if (only) {
			marking.verb = 'SAMPLE';
			marking.kind = kind;
		}
	}
</script>

{#if sampled.length}
	<div class="flex flex-wrap items-baseline gap-x-4 gap-y-1">
		<span class="tag">Show only</span>
		{#each sampled as c (c)}
			<button
				class="inline-flex min-h-7 items-center gap-1.5 border-b-2 font-label font-medium {only ===
				c
					? 'border-ink'
					: 'border-transparent text-soft'}"
				aria-pressed={only === c}
				onclick={() => show(c)}
				><span class="block h-3 w-4 border border-soft" style:background-color={colours?.[c]}
				></span>{className(c)}</button
			>
		{/each}
	</div>
{/if}
{#if only}
	<p class="text-soft" role="status">
		What is taken for {className(only)} keeps its colour. Where that is wrong, drag over it: it then shows
		<Select
			class="mx-1"
			label="What it really shows"
			bind:value={marking.kind}
			options={CLASSES.map((c) => [c.key, c.label] as const)}
		/>
	</p>
{/if}
