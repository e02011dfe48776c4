<script lang="ts">
	import { resolve } from '$app/paths';
	import { page } from '$app/state';
	import { diaryQuery } from '$lib/api/queries';
	import DiaryTable from '$lib/diary/diary-table.svelte';
	import Verdict from '$lib/diary/verdict.svelte';
	import DryingRail from '$lib/rail/drying-rail.svelte';
	import { Now } from '$lib/time/now.svelte';
	import Loaded from '$lib/ui/loaded.svelte';
	import Notice from '$lib/ui/notice.svelte';
	import { createQuery } from '@tanstack/svelte-query';

	const id = $derived(page.params.id ?? '');
	const diary = createQuery(() => diaryQuery(id));
	const now = new Now(30_000);
</script>

<svelte:head><title>Diary – Pendrik</title></svelte:head>

<div class="px-5 py-4">
	<Loaded query={diary}>
		{#snippet children(view)}
			{#if view.problem}
				<Notice
					title="These steps find no place"
					text="{view.problem} {view.remedy ?? ''}"
					kind="failed"
				>
					<a class="underline" href={resolve('/workshop')}>Change the bench time</a>
				</Notice>
			{:else if view.slots.length === 0}
				<Notice
					title="There is no plan to place yet"
					text="The diary puts the steps of the plan into your evenings."
				>
					<a class="underline" href={resolve('/jobs/[id]/makeup', { id })}>Go to the make-up</a>
				</Notice>
			{:else}
				<Verdict diary={view} now={now.current} />
				<section class="mt-5" aria-labelledby="rail">
					<h2 id="rail" class="mb-1 text-xl">Drying rail</h2>
					<div class="sheet px-2 py-2">
						<DryingRail diary={view} lanes={5} label="Drying rail" />
					</div>
					<p class="mt-1 text-soft">
						Thick rail: you are at the bench. Thread: nights and absences, narrowed. Numbers above
						are steps; a gate is a window; below the line coats dry, hatched until touch dry. Bench
						time is set in the <a class="underline" href={resolve('/workshop')}>workshop</a>.
					</p>
				</section>
				<DiaryTable diary={view} now={now.current} />
			{/if}
		{/snippet}
	</Loaded>
</div>
