<script lang="ts">
	import { page } from '$app/state';
	import { catalogueQuery, compareQuery, jobQuery, recordQuery } from '$lib/api/queries';
	import DataPanel from '$lib/jobs/data-panel.svelte';
	import { Keys } from '$lib/keys/keys.svelte';
	import RecordSheet from '$lib/record/record-sheet.svelte';
	import Button from '$lib/ui/button.svelte';
	import Loaded from '$lib/ui/loaded.svelte';
	import { createQuery } from '@tanstack/svelte-query';

	const id = $derived(page.params.id ?? '');
	const job = createQuery(() => jobQuery(id));
	const record = createQuery(() => recordQuery(id));
	const compare = createQuery(() => compareQuery(id, {}));
	const catalogue = createQuery(() => catalogueQuery());

	const file = $derived(
		`${(job.data?.job.name ?? 'job').toLowerCase().replace(/[^a-z0-9]+/g, '-')}.record.json`
	);
	Keys.use('Record', () => [{ key: 'p', label: 'Print', run: () => window.print() }]);
</script>

<svelte:head><title>Record – Pendrik</title></svelte:head>

<div class="mx-auto max-w-[64rem] px-5 py-4">
	<div class="no-print mb-4 flex flex-wrap items-center gap-3">
		<Button look="act" onclick={() => window.print()}>Print the record</Button>
		<a
			class="font-label text-[1.02rem] font-semibold underline underline-offset-4"
			rel="external"
			href="/api/jobs/{id}/record"
			download={file}>Take it as JSON</a
		>
		<a
			class="font-label text-[1.02rem] font-semibold underline underline-offset-4"
			rel="external"
			href="/api/jobs/{id}/archive"
			download={file.replace('.record.json', '.job.zip')}>Take it with its photographs</a
		>
		<a class="tag underline" rel="external" href="/api/schema/record-8.json">its schema</a>
	</div>
	<Loaded query={record}>
		{#snippet children(view)}
			{#if job.data}
				<div class="hidden print:block">
					<h1 class="font-stencil text-4xl font-bold">{job.data.job.name}</h1>
					<div class="mt-2"><DataPanel job={job.data.job} scaleName={job.data.scaleName} /></div>
				</div>
				<RecordSheet
					record={view}
					zones={job.data.zones}
					verdicts={compare.data?.regions ?? []}
					lists={catalogue.data}
				/>
			{/if}
		{/snippet}
	</Loaded>
</div>
