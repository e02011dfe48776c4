<script lang="ts">
	import { resolve } from '$app/paths';
	import { page } from '$app/state';
	import { measuring } from '$lib/api/progress.svelte';
	import {
		catalogueQuery,
		jobQuery,
		joinedQuery,
		measuresQuery,
		photographsQuery,
		sidesQuery,
		studyQuery
	} from '$lib/api/queries';
	import { Keys } from '$lib/keys/keys.svelte';
	import EffectNotes from '$lib/study/effect-notes.svelte';
	import FactoryColour from '$lib/study/factory-colour.svelte';
	import EffectsSeen from '$lib/study/effects-seen.svelte';
	import { joinedOf, leadingOf } from '$lib/study/joined';
	import LeadingLine from '$lib/study/leading-line.svelte';
	import MeasureList from '$lib/study/measure-list.svelte';
	import PaperPanel from '$lib/paper/paper-panel.svelte';
	import PhotoAbout from '$lib/study/photo-about.svelte';
	import PhotoDesk from '$lib/study/photo-desk.svelte';
	import PhotoShelf from '$lib/study/photo-shelf.svelte';
	import SidePicker from '$lib/study/side-picker.svelte';
	import SideSize from '$lib/study/side-size.svelte';
	import SideView from '$lib/study/side-view.svelte';
	import { sidesOf, type Side } from '$lib/study/sides';
	import { StudyDesk } from '$lib/study/study-desk.svelte';
	import { Desk } from '$lib/ui/desk.svelte';
	import Working from '$lib/ui/working.svelte';
	import { createQuery } from '@tanstack/svelte-query';
	import { tick } from 'svelte';

	const id = $derived(page.params.id ?? '');
	const desk = Desk.get();
	const job = createQuery(() => jobQuery(id));
	const photographs = createQuery(() => photographsQuery(id));
	const sizes = createQuery(() => sidesQuery(id));
	const study = createQuery(() => studyQuery(id));
	const catalogue = createQuery(() => catalogueQuery());

	let wanted = $state<string>();
	let side = $state<Side>('LEFT');
	let shelf = $state<PhotoShelf>();
	let flat = $state<SideView>();
	let marked = $state<PhotoDesk>();

	const all = $derived((photographs.data ?? []).filter((p) => p.role === 'PROTOTYPE'));
	const prototypes = $derived(all.filter((p) => p.side === side));
	const leading = $derived(leadingOf(prototypes));
	const photo = $derived(prototypes.find((p) => p.id === wanted) ?? leading ?? prototypes.at(-1));
	const several = $derived(joinedOf(prototypes));
	const joined = createQuery(() => joinedQuery(id, side, several.length > 1));
	const size = $derived(sizes.data?.find((s) => s.side === side));
	const located = $derived(photo?.located === true && (!size?.curve || Boolean(photo.shellMarks)));
	const measures = createQuery(() => measuresQuery(id, photo?.id ?? '', located));
	const own = $derived(measures.data?.photographId === photo?.id ? measures.data : undefined);
	/** As the photograph on which the factory colour counts shows it. */
	const factoryHex = $derived.by(() => {
		const id = study.data?.regions.find((r) => r.factory)?.id;
		const together =
			several.length > 1 ? joined.data?.regions.find((r) => r.regionId === id) : undefined;
		return together
			? (together.on.find((o) => o.photographId === together.measuredOn)?.hex ?? undefined)
			: (own?.regions.find((r) => r.regionId === id)?.hex ?? undefined);
	});
	const notes = new StudyDesk(page.params.id ?? '', desk, () => study.data);
	const view = $derived(job.data);
	const sides = $derived(sidesOf(view?.job.kind));
	const label = $derived(sides.find((s) => s.key === side)?.label ?? '');
	const stamp = $derived(
		`${photo?.version ?? 0}-${several.map((p) => p.version).join('.')}-${view?.job.version ?? 0}-${Math.round(size?.lengthMm ?? 0)}x${Math.round(size?.heightMm ?? 0)}`
	);

	/** Who put a photograph in by key, and stands nowhere since, goes on at it. */
	async function markByKeys() {
		await tick();
		if (document.activeElement === document.body) marked?.take();
	}

	Keys.use('Study', () => [
		{ key: 'p', label: 'Put a photograph in', run: () => shelf?.ask() },
		{
			key: 'f',
			label: 'The chosen region is the factory colour',
			run: () => notes.chosen && void notes.nameFactory(notes.chosen)
		},
		{ key: 'l', label: 'To the side laid flat', run: () => flat?.take() },
		{
			key: 's',
			label: 'The next side',
			run: () => {
				const at = sides.findIndex((s) => s.key === side);
				side = sides[(at + 1) % sides.length]?.key ?? 'LEFT';
			}
		}
	]);
</script>

<svelte:head><title>Study – Pendrik</title></svelte:head>

<!-- on a telephone the measures come before paper and blade -->
<div class="grid gap-6 px-5 py-4 lg:grid-cols-[minmax(0,1fr)_25rem] lg:grid-rows-[auto_1fr]">
	<div class="min-w-0">
		{#if view && sizes.data}
			<SidePicker bind:side kind={view.job.kind} photographs={all}>
				{#key side}<SideSize jobId={id} {side} {size} {label} kind={view.job.kind} />{/key}
			</SidePicker>
			{#if size}
				<PhotoShelf
					bind:this={shelf}
					jobId={id}
					role="PROTOTYPE"
					{side}
					photographs={prototypes}
					chosen={photo?.id}
					onchoose={(p) => (wanted = p)}
					onput={markByKeys}
				/>
				{#if photo}
					{#key `${photo.id} ${Boolean(size.curve)}`}
						<PhotoDesk bind:this={marked} {photo} {size} kind={view.job.kind} others={prototypes} />
					{/key}
					<PhotoAbout {photo} kind={view.job.kind} />
					{#if leading && several.length > 1 && several.some((p) => p.id === photo.id)}
						<LeadingLine {photo} {leading} count={several.length} />
					{/if}
					{#if located}
						<h2 class="mt-4 mb-1 text-xl">
							The {label.toLowerCase()}, {size.curve ? 'laid flat' : 'flat'}
						</h2>
						{#key photo.id}
							<SideView
								bind:this={flat}
								photoId={photo.id}
								{stamp}
								{side}
								lengthMm={size.lengthMm}
								heightMm={size.heightMm}
								desk={notes}
								colours={own?.colours}
								part={own?.part}
							/>
						{/key}
					{/if}
				{/if}
			{/if}
		{/if}
	</div>
	<div class="flex flex-col gap-6 lg:row-span-2">
		{#if study.data}
			<section aria-labelledby="factory">
				<h2 id="factory" class="mb-1 text-2xl">Factory colour</h2>
				<FactoryColour jobId={id} desk={notes} regionHex={factoryHex} />
			</section>
		{/if}
		{#if located && photo}
			<section aria-labelledby="measures">
				<h2 id="measures" class="text-2xl">Measured</h2>
				<Working progress={measuring} waiting="Measuring" />
				{#if measures.error}
					<p role="alert">{measures.error.message}</p>
				{:else if own && view && photo}
					<MeasureList
						measures={own}
						{photo}
						desk={notes}
						zones={view.zones}
						{side}
						ratio={view.job.scaleRatio}
						joined={several.length > 1 ? joined.data : undefined}
						photographs={several}
						carded={(photographs.data ?? []).filter(
							(p) => p.greyPatch && (p.greyPatch.by ?? 'CARD') === 'CARD'
						)}
					/>
				{/if}
			</section>
		{/if}
		<section aria-labelledby="effects">
			<h2 id="effects" class="text-2xl">Seen on the prototype</h2>
			{#if located && photo && view}
				<div class="mb-3">
					{#key photo.id}
						<EffectsSeen jobId={id} photoId={photo.id} {stamp} desk={notes} zones={view.zones} />
					{/key}
				</div>
			{/if}
			{#if view && catalogue.data && study.data}
				<EffectNotes
					jobId={id}
					desk={notes}
					lists={catalogue.data}
					of={view.job.kind}
					zones={view.zones}
				/>
				{#if notes.effects.length}
					<a
						href={resolve('/jobs/[id]/makeup', { id })}
						class="mt-3 inline-flex min-h-9 items-center rounded-[2px] border px-4 font-label text-[1.02rem] font-semibold {size
							? 'border-act bg-act text-on-act'
							: 'border-soft bg-sheet'}">On to the make-up</a
					>
				{/if}
			{/if}
		</section>
	</div>
	{#if located && photo}
		<section class="min-w-0" aria-labelledby="paper">
			<h2 id="paper" class="mb-2 text-2xl">To paper and blade</h2>
			<PaperPanel jobId={id} desk={notes} />
		</section>
	{/if}
</div>
