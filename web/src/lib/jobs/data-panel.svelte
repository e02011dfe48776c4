<script lang="ts">
	import type { Schemas } from '$lib/api/client';
	import { day } from '$lib/time/time';

	/** The figures of a job, as they are lettered on a car. */
	let { job, scaleName }: { job: Schemas['Job']; scaleName: string } = $props();

	const metres = (mm: number) => `${(mm / 1000).toFixed(2)} m`;
	const model = (mm: number) => `${(mm / job.scaleRatio).toFixed(1)} mm`;
	const figures = $derived([
		['Scale', `${scaleName} 1:${job.scaleRatio}`],
		['Length', `${metres(job.lengthMm)} · ${model(job.lengthMm)}`],
		['Height', `${metres(job.heightMm)} · ${model(job.heightMm)}`],
		['Wanted', job.wantedOn ? day(job.wantedOn) : 'open']
	]);
</script>

<dl class="flex w-fit flex-wrap divide-x divide-line border border-line">
	{#each figures as [name, value] (name)}
		<div class="px-3 py-0.5">
			<dt class="tag text-[0.7rem]">{name}</dt>
			<dd class="figure text-[1.02rem] leading-tight">{value}</dd>
		</div>
	{/each}
</dl>
