<script lang="ts">
	import { resolve } from '$app/paths';
	import { page } from '$app/state';
	import { compareQuery, jobQuery, photographsQuery } from '$lib/api/queries';
	import VerdictList from '$lib/compare/verdict-list.svelte';
	import Wipe from '$lib/compare/wipe.svelte';
	import { Keys } from '$lib/keys/keys.svelte';
	import PhotoDesk from '$lib/study/photo-desk.svelte';
	import PhotoShelf from '$lib/study/photo-shelf.svelte';
	import Notice from '$lib/ui/notice.svelte';
	import { createQuery } from '@tanstack/svelte-query';

	const id = $derived(page.params.id ?? '');
	const job = createQuery(() => jobQuery(id));
	const photographs = createQuery(() => photographsQuery(id));
	const compare = createQuery(() => compareQuery(id));

	let wanted = $state<string>();
	let share = $state(0.5);
	let showMap = $state(false);
	let marking = $state(false);
	let shelf = $state<PhotoShelf>();
	const models = $derived((photographs.data ?? []).filter((p) => p.role === 'MODEL'));
	const model = $derived(
		models.find((p) => p.id === wanted) ??
			[...models].reverse().find((p) => p.corners) ??
			models.at(-1)
	);
	const ready = $derived(compare.data?.prototypeId && compare.data.modelId);
	const stamp = $derived((photographs.data ?? []).map((p) => p.version).join('-'));

	Keys.use('Compare', () => [
		{ key: 'p', label: 'Put a photograph of the model in', run: () => shelf?.ask() },
		{ key: 'd', label: 'Difference map or wipe', run: () => (showMap = !showMap) },
		{ key: 'ArrowLeft', label: 'Wipe to the left', run: () => (share = Math.max(0, share - 0.05)) },
		{
			key: 'ArrowRight',
			label: 'Wipe to the right',
			run: () => (share = Math.min(1, share + 0.05))
		}
	]);
</script>

<svelte:head><title>Compare – Pendrik</title></svelte:head>

<div class="grid gap-6 px-5 py-4 lg:grid-cols-[minmax(0,1fr)_25rem]">
	<div class="min-w-0">
		{#if compare.error}
			<Notice title="The sides cannot be compared" text={compare.error.message} kind="failed" />
		{/if}
		{#if ready && job.data}
			<div class="mb-2 flex flex-wrap gap-5" role="group" aria-label="How to look">
				<button
					class="border-b-2 font-label text-lg font-semibold {showMap
						? 'border-transparent text-soft'
						: 'border-ink'}"
					aria-pressed={!showMap}
					onclick={() => (showMap = false)}>Wipe</button
				>
				<button
					class="border-b-2 font-label text-lg font-semibold {showMap
						? 'border-ink'
						: 'border-transparent text-soft'}"
					aria-pressed={showMap}
					onclick={() => (showMap = true)}>Difference map</button
				>
				<button class="tag ml-auto underline" onclick={() => (marking = !marking)}
					>{marking ? 'Hide the photograph' : "Marks on the model's photograph"}</button
				>
			</div>
			<Wipe
				prototypeSrc={`/api/photographs/${compare.data?.prototypeId ?? ''}/side?at=${stamp}`}
				modelSrc={`/api/photographs/${compare.data?.modelId ?? ''}/side?at=${stamp}`}
				mapSrc={`/api/jobs/${id}/compare/map?at=${stamp}`}
				ratio={job.data.job.lengthMm / job.data.job.heightMm}
				{showMap}
				bind:share
			/>
			<p class="mt-2 text-soft">
				{#if showMap}Light is alike, black is ΔE00 20 and more.{/if}
				Median over the side
				<span class="figure text-ink">ΔE00 {compare.data?.medianDeltaE00?.toFixed(1) ?? '–'}</span>,
				seen from {compare.data?.viewingMm} mm: the eye blurs {(
					(compare.data?.eyeBlurMm ?? 0) * 2
				).toFixed(0)} mm of the prototype.
				{#if !compare.data?.modelBalanced || !compare.data.prototypeBalanced}A grey card is missing:
					the lamps count as difference.{/if}
			</p>
		{/if}
		{#if job.data}
			<div class={ready && !marking ? 'mt-4' : 'mt-5'}>
				<PhotoShelf
					bind:this={shelf}
					jobId={id}
					role="MODEL"
					photographs={models}
					chosen={model?.id}
					onchoose={(p) => {
						wanted = p;
						marking = true;
					}}
				/>
				{#if model && (!ready || marking || !model.corners)}
					{#key model.id}<PhotoDesk
							photo={model}
							lengthMm={job.data.job.lengthMm}
							heightMm={job.data.job.heightMm}
						/>{/key}
				{/if}
			</div>
		{/if}
	</div>
	<section aria-labelledby="verdicts">
		<h2 id="verdicts" class="text-2xl">Region by region</h2>
		{#if compare.data?.missing.length}
			<p class="mt-2">Still missing:</p>
			<ul class="list-disc pl-5">
				{#each compare.data.missing as m (m)}<li>{m}</li>{/each}
			</ul>
			<p class="mt-2">
				<a class="underline" href={resolve('/jobs/[id]/study', { id })}>Go to Study</a>
			</p>
		{/if}
		{#if compare.data?.regions.length}<VerdictList regions={compare.data.regions} />{/if}
	</section>
</div>
