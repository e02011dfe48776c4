<script lang="ts">
	import { resolve } from '$app/paths';
	import { page } from '$app/state';
	import type { Schemas } from '$lib/api/client';
	import { comparing, recalling } from '$lib/api/progress.svelte';
	import {
		compareQuery,
		historyQuery,
		jobQuery,
		photographsQuery,
		sidesQuery
	} from '$lib/api/queries';
	import History from '$lib/compare/history.svelte';
	import VerdictList from '$lib/compare/verdict-list.svelte';
	import ModelSamples from '$lib/compare/model-samples.svelte';
	import Wipe from '$lib/compare/wipe.svelte';
	import { Keys } from '$lib/keys/keys.svelte';
	import PhotoAbout from '$lib/study/photo-about.svelte';
	import PhotoDesk from '$lib/study/photo-desk.svelte';
	import PhotoShelf from '$lib/study/photo-shelf.svelte';
	import { Rest } from '$lib/study/rest.svelte';
	import SidePicker from '$lib/study/side-picker.svelte';
	import type { Side } from '$lib/study/sides';
	import Choice from '$lib/ui/choice.svelte';
	import Notice from '$lib/ui/notice.svelte';
	import Working from '$lib/ui/working.svelte';
	import { createQuery } from '@tanstack/svelte-query';

	const LOOKS = [
		{ key: 'wipe', label: 'Wipe' },
		{ key: 'blink', label: 'In turn' },
		{ key: 'map', label: 'Difference map' }
	] as const;

	const id = $derived(page.params.id ?? '');
	const job = createQuery(() => jobQuery(id));
	const photographs = createQuery(() => photographsQuery(id));
	const sizes = createQuery(() => sidesQuery(id));

	let wanted = $state<string>();
	let side = $state<Side>('LEFT');
	let share = $state(0.5);
	let look = $state<(typeof LOOKS)[number]['key']>('wipe');
	let marking = $state(false);
	let unfolded = $state<boolean>();
	let shelf = $state<PhotoShelf>();

	const located = (p: Schemas['Photograph'] | undefined) => !!(p?.corners ?? p?.shellMarks);

	const all = $derived((photographs.data ?? []).filter((p) => p.role === 'MODEL'));
	const models = $derived(all.filter((p) => p.side === side));
	const model = $derived(
		models.find((p) => p.id === wanted) ?? [...models].reverse().find(located) ?? models.at(-1)
	);
	// one photograph has no past; more are shown without being asked for
	const past = $derived(unfolded ?? models.filter(located).length > 1);
	const size = $derived(sizes.data?.find((s) => s.side === side));
	const hand = new Rest();
	const compare = createQuery(() => ({
		...compareQuery(id, model ? { side, model: model.id } : { side }),
		enabled: hand.resting
	}));
	const ready = $derived(
		located(model) &&
			compare.data?.side === side &&
			compare.data.prototypeId &&
			compare.data.modelId
	);
	const atMarks = $derived(model && (marking || !located(model) || (!ready && !compare.isPending)));
	// who sets the first corner goes on with the others, though the comparison begins
	$effect(() => {
		if (model && !located(model)) marking = true;
	});
	const history = createQuery(() => historyQuery(id, { side }, past && !!ready && hand.resting));
	const now = $derived((photographs.data ?? []).map((p) => p.version).join('-'));
	let stamp = $state('');
	$effect.pre(() => {
		if (hand.resting) stamp = now;
	});
	const asked = $derived(`side=${side}&model=${compare.data?.modelId ?? ''}&at=${stamp}`);

	Keys.use('Compare', () => [
		{ key: 'p', label: 'Put a photograph of the model in', run: () => shelf?.ask() },
		{
			key: 'd',
			label: 'Wipe, in turn, difference map',
			run: () => {
				const at = LOOKS.findIndex((l) => l.key === look);
				look = LOOKS[(at + 1) % LOOKS.length]?.key ?? 'wipe';
			}
		},
		{ key: 'h', label: 'How it came closer', run: () => (unfolded = !past) },
		{ key: 'ArrowLeft', label: 'Wipe to the left', run: () => (share = Math.max(0, share - 0.05)) },
		{
			key: 'ArrowRight',
			label: 'Wipe to the right',
			run: () => (share = Math.min(1, share + 0.05))
		}
	]);
</script>

<svelte:head><title>Compare – Pendrik</title></svelte:head>

{#snippet comparison()}
	{#if compare.error}
		<Notice title="The sides cannot be compared" text={compare.error.message} kind="failed" />
	{/if}
	{#if ready && size}
		<div class="mb-2 flex flex-wrap gap-5">
			<Choice label="How to look" value={look} items={LOOKS} onchange={(key) => (look = key)} />
			<button class="tag ml-auto underline" onclick={() => (marking = !marking)}
				>{marking ? 'Hide the photograph' : "Marks on the model's photograph"}</button
			>
		</div>
		<Wipe
			prototypeSrc={`/api/photographs/${compare.data?.prototypeId ?? ''}/even?at=${stamp}`}
			modelSrc={`/api/jobs/${id}/compare/model?${asked}`}
			mapSrc={`/api/jobs/${id}/compare/map?${asked}`}
			ratio={size.lengthMm / size.heightMm}
			{look}
			bind:share
		/>
		<p class="mt-2 text-soft">
			{#if look === 'map'}Light is alike, black is ΔE00 20 and more; edges are left out.{/if}
			Median over the side
			<span class="figure text-ink">ΔE00 {compare.data?.medianDeltaE00?.toFixed(1) ?? '–'}</span
			>{compare.data?.regions.some((r) => r.byLightness) ? ' in lightness alone' : ''}, seen from {compare
				.data?.viewingMm} mm: the eye blurs {((compare.data?.eyeBlurMm ?? 0) * 2).toFixed(0)} mm of the
			prototype.
			{compare.data?.registered
				? `The model is laid over by its edges, moved by ${compare.data.movedMm.toFixed(0)} mm at most; it may still be off by ${compare.data.slackMm.toFixed(0)} mm.`
				: 'The edges of the two sides do not fit each other: the corners alone lay them over. Look whether both show the same side, with each corner at its own place.'}
			{#if compare.data && [compare.data.modelLight, compare.data.prototypeLight].includes('NOTHING')}A
				grey card is missing: the lamps count as difference, and colours are known roughly.{/if}
			{#if compare.data && compare.data.classes !== 'OWN'}
				{compare.data.classes === 'PROTOTYPE'
					? 'Rust, dust and chips on the model are told by the samples of the prototype, turned to the shades of its own paint: two samples picked on the model, of paint and of rust, would be surer.'
					: 'Nothing is sampled: rust, dust and chips are not compared. Pick a sample of paint and of every film in Study.'}
				{#if compare.data.classes === 'PROTOTYPE' && !marking}<button
						class="underline"
						onclick={() => (marking = true)}>Pick samples on the model</button
					>{/if}
			{/if}
		</p>
	{/if}
{/snippet}

<!-- on a telephone the verdicts come before the history -->
<div class="grid gap-6 px-5 py-4 lg:grid-cols-[minmax(0,1fr)_25rem] lg:grid-rows-[auto_1fr]">
	<div class="min-w-0">
		<SidePicker bind:side kind={job.data?.job.kind ?? 'FREIGHT_CAR'} photographs={all} />
		{#if !atMarks}{@render comparison()}{/if}
		{#if job.data && size}
			<div class="mt-4">
				<PhotoShelf
					bind:this={shelf}
					jobId={id}
					role="MODEL"
					{side}
					photographs={models}
					chosen={model?.id}
					onchoose={(p) => {
						wanted = p;
						marking = !located(models.find((m) => m.id === p));
					}}
				/>
				{#if model && atMarks}
					{#key model.id}<PhotoDesk
							photo={model}
							{size}
							kind={job.data.job.kind}
							others={models}
							onwork={(work) => hand.at(work)}
						/>{/key}
					<PhotoAbout photo={model} kind={job.data.job.kind} />
					{#if located(model) && hand.resting}
						{#key model.id}<ModelSamples photo={model} {size} {stamp} />{/key}
					{/if}
				{/if}
			</div>
		{/if}
		<!-- below what is being marked: nothing moves under a hand that drags a corner -->
		{#if atMarks}<div class="mt-6">{@render comparison()}</div>{/if}
	</div>
	<section class="lg:row-span-2" aria-labelledby="verdicts">
		<h2 id="verdicts" class="text-2xl">Region by region</h2>
		<Working progress={comparing} waiting="Comparing" />
		{#if compare.data?.missing.length}
			<p class="mt-2">Still missing:</p>
			<ul class="list-disc pl-5">
				{#each compare.data.missing as m (m)}<li>{m}</li>{/each}
			</ul>
			<p class="mt-2">
				<a class="underline" href={resolve('/jobs/[id]/study', { id })}>Go to Study</a>
			</p>
		{/if}
		{#if ready && compare.data && (compare.data.regions.length || compare.data.edges.length)}
			<VerdictList jobId={id} regions={compare.data.regions} edges={compare.data.edges} />
		{/if}
	</section>
	{#if ready}
		<section class="min-w-0" aria-labelledby="history">
			<h2 id="history" class="text-2xl">
				<button
					class="underline decoration-line underline-offset-4"
					aria-expanded={past}
					onclick={() => (unfolded = !past)}>How it came closer</button
				>
			</h2>
			{#if past}
				<Working progress={recalling} waiting="Measuring every photograph" />
				{#if history.error}
					<p role="alert">{history.error.message}</p>
				{:else if history.data}
					{#if history.data.length < 2}
						<p class="text-soft">
							One photograph of the model so far: take the next after the next coat.
						</p>
					{/if}
					<History stages={history.data} />
				{/if}
			{/if}
		</section>
	{/if}
</div>
