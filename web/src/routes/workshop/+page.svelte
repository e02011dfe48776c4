<script lang="ts">
	import { api, must, type Schemas } from '$lib/api/client';
	import {
		housesQuery,
		priorsQuery,
		queryClient,
		sensesQuery,
		workshopQuery
	} from '$lib/api/queries';
	import PriorTable from '$lib/priors/prior-table.svelte';
	import { bites } from '$lib/priors/priors';
	import SchoolSheet from '$lib/school/school-sheet.svelte';
	import { Desk } from '$lib/ui/desk.svelte';
	import Loaded from '$lib/ui/loaded.svelte';
	import About from '$lib/workshop/about.svelte';
	import SafeKeeping from '$lib/workshop/safe-keeping-panel.svelte';
	import SettingsForm from '$lib/workshop/settings-form.svelte';
	import { createQuery } from '@tanstack/svelte-query';

	const desk = Desk.get();
	const workshop = createQuery(() => workshopQuery());
	const house = createQuery(() => housesQuery());
	const priors = createQuery(() => priorsQuery());
	const senses = createQuery(() => sensesQuery());

	const put = async (answers: Record<string, string>) => {
		const body = { answers };
		queryClient.setQueryData(['schools'], await must(api.PUT('/api/schools', { body })));
	};
	function answer(q: Schemas['Question'], key: string | null) {
		const before = house.data?.answers ?? {};
		const after = { ...before };
		if (key === null || key === q.start) delete after[q.key];
		else after[q.key] = key;
		const label = q.answers.find((a) => a.key === key)?.label ?? '';
		const fresh = () => queryClient.invalidateQueries();
		void desk.edit(
			`${q.text}: ${label}`,
			() => put(after),
			fresh,
			async () => {
				await put(before);
				await fresh();
			}
		);
	}
</script>

<svelte:head><title>Workshop – Pendrik</title></svelte:head>

<div class="mx-auto max-w-[72rem] px-5 py-5">
	<h1 class="text-3xl">Workshop</h1>
	<Loaded query={workshop}>
		{#snippet children(w)}
			{#key w.version}<SettingsForm workshop={w} />{/key}
		{/snippet}
	</Loaded>
	<h2 class="mt-8 mb-2 text-2xl">Safe-keeping</h2>
	<SafeKeeping />
	<h2 class="mt-8 text-2xl">School sheet</h2>
	<p class="mb-2 max-w-prose text-soft">
		Good weatherers differ. This is how this house does things; each job can do otherwise in its
		Make-up. Plans that are made already stay as they are until they are made anew.
	</p>
	<Loaded query={house}>
		{#snippet children(sheet)}
			<SchoolSheet
				questions={sheet.questions}
				answers={sheet.answers}
				busy={desk.busy}
				onanswer={answer}
			/>
		{/snippet}
	</Loaded>
	<h2 class="mt-8 text-2xl">Materials and techniques</h2>
	<p class="mb-2 max-w-prose text-soft">
		Drying times, windows, films and hours are opinions to start from: try them on scrap, and put
		your own in their place. What the bench has seen dry is counted on top of them.
	</p>
	<Loaded query={priors}>
		{#snippet children(lines)}<PriorTable {lines} />{/snippet}
	</Loaded>
	<Loaded query={senses}>
		{#snippet children(seen)}
			<h3 class="mt-4 text-xl">What liquids did here</h3>
			{#if seen.length}
				<ul class="mt-1">
					{#each seen as s (s.pair)}<li class="border-t border-line py-1">{bites(s)}</li>{/each}
				</ul>
			{:else}
				<p class="mt-1 max-w-prose text-soft">
					Nothing learned yet. When a step was warned of a coat beneath and you did it, say at the
					bench what came of it: it lifted, or it did not. It moves the warnings from then on.
				</p>
			{/if}
		{/snippet}
	</Loaded>
	<h2 class="mt-8 text-2xl">About</h2>
	<About />
</div>
