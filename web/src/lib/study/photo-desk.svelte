<script lang="ts">
	import { api, must, said, type Schemas } from '$lib/api/client';
	import { neededQuery } from '$lib/api/queries';
	import Button from '$lib/ui/button.svelte';
	import SideFrame from '$lib/subject/side-frame.svelte';
	import { Desk } from '$lib/ui/desk.svelte';
	import { PhotoMarks } from './marks.svelte';
	import MarkFields from './mark-fields.svelte';
	import { createQuery } from '@tanstack/svelte-query';
	import PhotoStage from './photo-stage.svelte';

	/** One photograph with its marks and what else can be marked on it. */
	type Props = {
		photo: Schemas['Photograph'];
		size: Schemas['SideSize'];
		kind: Schemas['Job']['kind'];
		others?: Schemas['Photograph'][];
		/** Told when a mark begins to move, and when all marks are stored. */
		onwork?: (work: boolean) => void;
	};

	let { photo, size, kind, others = [], onwork }: Props = $props();

	const desk = Desk.get();
	// made anew for each photograph by the key around this component
	// svelte-ignore state_referenced_locally
	const marks = new PhotoMarks(photo, desk, Boolean(size.curve));
	$effect(() => marks.seen(photo));
	$effect(() => onwork?.(!marks.kept));
	$effect(() => () => onwork?.(false));
	const needed = createQuery(() =>
		neededQuery(photo.jobId, photo.id, photo.version, marks.inPart && !photo.located)
	);
	let stage = $state<PhotoStage>();
	let looking = $state(false);
	let told = $state('');
	let proposed = $state(false);
	// what was proposed and then moved is kept: nothing more is to be said of it
	const word = $derived(proposed && marks.placed ? '' : told);
	const missing = $derived.by(() => {
		const n = marks.toPlace;
		if (!marks.halfPlaced || !n) return undefined;
		const what = marks.curved ? 'mark' : 'corner';
		return `${n} more ${what}${n > 1 ? 's' : ''}, and the side is measured.`;
	});

	// one that is marked already and looks like this one: the camera may have stood still
	const like = $derived(
		others.find(
			(o) =>
				o.id !== photo.id &&
				o.corners &&
				Math.abs(o.widthPx / o.heightPx - photo.widthPx / photo.heightPx) < 0.01
		)
	);

	/** Takes the keys. */
	export function take() {
		stage?.take();
	}

	async function find() {
		looking = true;
		told = '';
		try {
			const p = await must(
				api.GET('/api/photographs/{id}/corners', { params: { path: { id: photo.id } } })
			);
			if (p.corners) marks.take(p.corners.points);
			proposed = Boolean(p.corners);
			told = p.corners ? 'Proposed. Drag what is off, then keep them.' : p.reason;
		} catch (error) {
			told = said(error);
		} finally {
			looking = false;
		}
	}

	/** The button goes when everything is kept; who pressed it by key goes on at the photograph. */
	async function keep(byKey: boolean) {
		await marks.keepPlaces();
		told = '';
		if (byKey && marks.placed) stage?.take();
	}

	function leave() {
		marks.leave();
		told = '';
	}

	function reuse() {
		const from = like;
		if (!from?.corners) return;
		const scale = photo.widthPx / from.widthPx;
		marks.take(from.corners.points.map((p) => ({ x: p.x * scale, y: p.y * scale })));
		proposed = true;
		told = `Taken from ${from.caption}. Drag what is off, then keep them.`;
	}
</script>

<PhotoStage bind:this={stage} {marks} caption={photo.caption || 'Photograph'} />
<div class="mt-2 flex flex-wrap items-center gap-x-4 gap-y-1">
	{#if !marks.placed}
		<Button look="act" onclick={(event) => void keep(event.detail === 0)}
			>{marks.curved ? 'The end circles are right' : 'The corners are right'}</Button
		>
	{/if}
	{#if !marks.curved}
		{#if !marks.placed && photo.corners}
			<Button look="bare" onclick={leave}>Leave them as they were</Button>
		{/if}
		{#if !marks.inPart}
			<Button look="bare" disabled={looking} onclick={() => void find()}
				>{looking ? 'Looking for the corners …' : 'Find the corners'}</Button
			>
			{#if like}<Button look="bare" onclick={reuse}>Corners as on the other</Button>{/if}
		{/if}
		<Button look="bare" onclick={() => marks.bePart(!marks.inPart)}
			>{marks.inPart ? 'All four corners are in it' : 'Not all corners are in it'}</Button
		>
	{/if}
	{#if marks.inPart}
		<span class="basis-full text-soft" role="status"
			>{photo.located
				? 'Located by what is known on it. What the photograph does not show is not measured.'
				: (needed.data?.needed ??
					'Mark what you know the place or the length of: a door, a ladder, a wheel.')}</span
		>
	{:else if !marks.placed && !word}
		<span class="text-soft" role="status"
			>{missing ??
				(marks.curved
					? 'Drag three marks on each end circle: near the top, facing you, near the bottom.'
					: 'Drag the four corners to the corners of the side.')}</span
		>
	{/if}
	{#if word}<span role="status">{word}</span>{/if}
	{#if (marks.placed || (marks.grey && !marks.halfPlaced)) && !word}
		<span class="tag ml-auto" role="status"
			>{marks.refused ? 'Marks not kept' : marks.kept ? 'Marks kept' : 'Keeping the marks …'}</span
		>
	{/if}
</div>
{#if !marks.curved && !marks.placed}<SideFrame {kind} side={photo.side} />{/if}
<MarkFields {marks} lengthMm={size.lengthMm} heightMm={size.heightMm} onkey={take} />
