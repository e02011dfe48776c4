<script lang="ts">
	import { resolve } from '$app/paths';
	import { page } from '$app/state';
	import {
		catalogueQuery,
		jobQuery,
		measuresQuery,
		photographsQuery,
		studyQuery
	} from '$lib/api/queries';
	import { Keys } from '$lib/keys/keys.svelte';
	import EffectNotes from '$lib/study/effect-notes.svelte';
	import MeasureList from '$lib/study/measure-list.svelte';
	import PhotoDesk from '$lib/study/photo-desk.svelte';
	import PhotoShelf from '$lib/study/photo-shelf.svelte';
	import SideView from '$lib/study/side-view.svelte';
	import { StudyDesk } from '$lib/study/study-desk.svelte';
	import { Desk } from '$lib/ui/desk.svelte';
	import { createQuery } from '@tanstack/svelte-query';

	const id = $derived(page.params.id ?? '');
	const desk = Desk.get();
	const job = createQuery(() => jobQuery(id));
	const photographs = createQuery(() => photographsQuery(id));
	const study = createQuery(() => studyQuery(id));
	const catalogue = createQuery(() => catalogueQuery());

	let wanted = $state<string>();
	let shelf = $state<PhotoShelf>();
	const prototypes = $derived((photographs.data ?? []).filter((p) => p.role === 'PROTOTYPE'));
	const photo = $derived(
		prototypes.find((p) => p.id === wanted) ??
			[...prototypes].reverse().find((p) => p.corners) ??
			prototypes.at(-1)
	);
	const measures = createQuery(() => measuresQuery(id, photo?.id ?? '', Boolean(photo?.corners)));
	const notes = new StudyDesk(page.params.id ?? '', desk, () => study.data);
	const view = $derived(job.data);

	Keys.use('Study', () => [
		{ key: 'p', label: 'Put a photograph in', run: () => shelf?.ask() },
		{
			key: 'f',
			label: 'The chosen region is the factory colour',
			run: () => notes.chosen && void notes.nameFactory(notes.chosen)
		}
	]);
</script>

<svelte:head><title>Study – Pendrik</title></svelte:head>

<div class="grid gap-6 px-5 py-4 lg:grid-cols-[minmax(0,1fr)_25rem]">
	<div class="min-w-0">
		{#if view}
			<PhotoShelf
				bind:this={shelf}
				jobId={id}
				role="PROTOTYPE"
				photographs={prototypes}
				chosen={photo?.id}
				onchoose={(p) => (wanted = p)}
			/>
			{#if photo}
				{#key photo.id}
					<PhotoDesk {photo} lengthMm={view.job.lengthMm} heightMm={view.job.heightMm} />
				{/key}
				{#if photo.corners}
					<h2 class="mt-4 mb-1 text-xl">The side, flat</h2>
					<SideView
						photoId={photo.id}
						stamp={`${photo.version}-${view.job.version}`}
						lengthMm={view.job.lengthMm}
						heightMm={view.job.heightMm}
						desk={notes}
					/>
				{/if}
			{/if}
		{/if}
	</div>
	<div class="flex flex-col gap-6">
		{#if photo?.corners}
			<section aria-labelledby="measures">
				<h2 id="measures" class="text-2xl">Measured</h2>
				{#if measures.data && view}
					<MeasureList measures={measures.data} desk={notes} zones={view.zones} />
				{:else if measures.error}
					<p role="alert">{measures.error.message}</p>
				{:else}
					<p class="tag" role="status">Measuring …</p>
				{/if}
			</section>
		{/if}
		<section aria-labelledby="effects">
			<h2 id="effects" class="text-2xl">Seen on the prototype</h2>
			{#if view && catalogue.data && study.data}
				<EffectNotes desk={notes} kinds={catalogue.data.effects} zones={view.zones} />
				{#if notes.effects.length}
					<a
						href={resolve('/jobs/[id]/makeup', { id })}
						class="mt-3 inline-flex min-h-9 items-center rounded-[2px] border border-act bg-act px-4 font-label text-[1.02rem] font-semibold text-on-act"
						>On to the make-up</a
					>
				{/if}
			{/if}
		</section>
	</div>
</div>
