<script lang="ts">
	import { goto } from '$app/navigation';
	import { resolve } from '$app/paths';
	import { page } from '$app/state';
	import { jobQuery } from '$lib/api/queries';
	import DataPanel from '$lib/jobs/data-panel.svelte';
	import { Keys } from '$lib/keys/keys.svelte';
	import Loaded from '$lib/ui/loaded.svelte';
	import { createQuery } from '@tanstack/svelte-query';

	let { children } = $props();

	const id = $derived(page.params.id ?? '');
	const job = createQuery(() => jobQuery(id));
	const atBench = $derived(page.url.pathname.endsWith('/bench'));
	const stations = $derived([
		{ href: resolve('/jobs/[id]/study', { id }), label: 'Study', key: '1' },
		{ href: resolve('/jobs/[id]/makeup', { id }), label: 'Make-up', key: '2' },
		{ href: resolve('/jobs/[id]/diary', { id }), label: 'Diary', key: '3' },
		{ href: resolve('/jobs/[id]/bench', { id }), label: 'Bench', key: '4' },
		{ href: resolve('/jobs/[id]/compare', { id }), label: 'Compare', key: '5' },
		{ href: resolve('/jobs/[id]/record', { id }), label: 'Record', key: '6' }
	]);

	Keys.use('This job', () =>
		stations.map((s) => ({ key: s.key, label: s.label, run: () => void goto(s.href) }))
	);
</script>

<Loaded query={job}>
	{#snippet away()}<a class="underline" href={resolve('/jobs')}>All jobs</a>{/snippet}
	{#snippet children(view)}
		{#if !atBench}
			<div class="no-print flex flex-wrap items-end gap-x-6 gap-y-2 px-5 pt-3">
				<h1 class="font-stencil text-[2.1rem] leading-none font-bold">{view.job.name}</h1>
				<DataPanel job={view.job} scaleName={view.scaleName} />
			</div>
			<nav aria-label="The work on this job" class="no-print relative mt-3 px-5">
				<div class="absolute inset-x-5 top-[0.55rem] border-t-2 border-line"></div>
				<ol class="relative flex justify-between gap-2 sm:justify-start sm:gap-0">
					{#each stations as s (s.key)}
						{@const here = page.url.pathname === s.href}
						<li class="sm:w-36">
							<a
								href={s.href}
								aria-current={here ? 'step' : undefined}
								class="group flex flex-col items-start"
							>
								<span
									class="block h-[1.1rem] w-[1.1rem] border-2 {here
										? 'border-ink bg-ink'
										: 'border-line bg-ground group-hover:border-ink'}"
									aria-hidden="true"
								></span>
								<span
									class="font-label text-[1.05rem] font-semibold {here
										? ''
										: 'text-soft group-hover:text-ink'}">{s.label}</span
								>
							</a>
						</li>
					{/each}
				</ol>
			</nav>
		{/if}
		<!-- each job has views of its own: what a view holds is bound to the job it was made for -->
		{#key id}{@render slot()}{/key}
	{/snippet}
</Loaded>

{#snippet slot()}{@render children()}{/snippet}
