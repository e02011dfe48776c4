<script lang="ts">
	import type { Schemas } from '$lib/api/client';
	import { className } from './sides';
	import type { StudyDesk } from './study-desk.svelte';

	/** The samples of a photograph, each with a way to take it out. */
	type Props = { samples: Schemas['JobSample'][]; desk: StudyDesk; shown: boolean };

	let { samples, desk, shown }: Props = $props();
</script>

{#if shown && samples.length}
	<ul class="mt-1 flex flex-wrap gap-x-4">
		{#each samples as s (s.id)}
			<li class="flex items-baseline gap-1.5">
				<span>{className(s.kind)}</span><span class="figure text-soft"
					>{Math.round(s.xMm)}, {Math.round(s.yMm)} mm</span
				>
				<button
					class="tag underline"
					aria-label="Take the sample of {className(s.kind)} out"
					onclick={() => void desk.dropSample(s.id)}>take out</button
				>
			</li>
		{/each}
	</ul>
{/if}
