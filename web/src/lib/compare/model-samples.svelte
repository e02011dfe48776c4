<script lang="ts">
	import { measuresQuery, studyQuery } from '$lib/api/queries';
	import type { Schemas } from '$lib/api/client';
	import SideView from '$lib/study/side-view.svelte';
	import { StudyDesk } from '$lib/study/study-desk.svelte';
	import { Desk } from '$lib/ui/desk.svelte';
	import { createQuery } from '@tanstack/svelte-query';

	/** The model's own samples: what its paint, rust and dust look like. */
	type Props = { photo: Schemas['Photograph']; size: Schemas['SideSize']; stamp: string };
	let { photo, size, stamp }: Props = $props();

	const study = createQuery(() => studyQuery(photo.jobId));
	const measures = createQuery(() => measuresQuery(photo.jobId, photo.id, true));
	// made anew for each photograph by the key around this component
	// svelte-ignore state_referenced_locally
	const notes = new StudyDesk(photo.jobId, Desk.get(), () => study.data);
	const own = $derived(measures.data?.samplesFrom === photo.id);
</script>

<h3 class="mt-4 mb-1 text-lg">What the model shows</h3>
<p class="mb-1 text-soft">
	{own
		? 'Rust, dust and chips are told by the samples picked here.'
		: 'Drag over a place that is nothing but its paint, then over one of rust and one of dust. Until then the samples of the prototype tell them, turned to the shades of this model.'}
</p>
<SideView
	photoId={photo.id}
	{stamp}
	side={photo.side}
	lengthMm={size.lengthMm}
	heightMm={size.heightMm}
	desk={notes}
	colours={measures.data?.photographId === photo.id ? measures.data.colours : undefined}
	samplesOnly
/>
