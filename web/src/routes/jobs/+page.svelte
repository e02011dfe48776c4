<script lang="ts">
	import { goto } from '$app/navigation';
	import { resolve } from '$app/paths';
	import { api, must, said } from '$lib/api/client';
	import { overviewQuery, refreshJob } from '$lib/api/queries';
	import JobStrip from '$lib/jobs/job-strip.svelte';
	import { Keys } from '$lib/keys/keys.svelte';
	import Button from '$lib/ui/button.svelte';
	import { Desk } from '$lib/ui/desk.svelte';
	import Loaded from '$lib/ui/loaded.svelte';
	import Notice from '$lib/ui/notice.svelte';
	import { createQuery } from '@tanstack/svelte-query';

	const cards = createQuery(() => overviewQuery());
	const desk = Desk.get();
	let away = $state(false);
	let file = $state<HTMLInputElement>();

	Keys.use('Jobs', () => [
		{ key: 'n', label: 'New job', run: () => void goto(resolve('/jobs/new')) },
		{ key: 'r', label: 'Read a record in', run: () => file?.click() }
	]);

	async function putAway(id: string, name: string) {
		const path = { params: { path: { id } } };
		await desk.edit(
			`${name} is put away`,
			() => must(api.DELETE('/api/jobs/{id}', path)),
			() => refreshJob(id),
			async () => {
				await must(api.POST('/api/jobs/{id}/restore', path));
				await refreshJob(id);
			}
		);
	}

	async function takeOut(id: string, name: string) {
		await desk.edit(
			`${name} is back`,
			() => must(api.POST('/api/jobs/{id}/restore', { params: { path: { id } } })),
			() => refreshJob(id)
		);
	}

	async function readIn(event: Event & { currentTarget: HTMLInputElement }) {
		const chosen = event.currentTarget.files?.[0];
		event.currentTarget.value = '';
		if (!chosen) return;
		try {
			const { jobId, leftOut } = chosen.name.endsWith('.zip')
				? await must(
						api.POST('/api/records/archive', {
							body: chosen as unknown as string,
							bodySerializer: (b: unknown) => b as BodyInit,
							headers: { 'Content-Type': 'application/octet-stream' }
						})
					)
				: await must(
						api.POST('/api/records', {
							body: JSON.parse(await chosen.text()) as Record<string, never>
						})
					);
			await refreshJob(jobId);
			desk.say('The record was read in as a new job', 'saved');
			if (leftOut.length) desk.say(leftOut.join(' '), 'failed');
			await goto(resolve('/jobs/[id]/record', { id: jobId }));
		} catch (error) {
			desk.say(
				error instanceof SyntaxError
					? `${chosen.name} is not JSON. Choose a record that Pendrik wrote.`
					: said(error),
				'failed'
			);
		}
	}
</script>

<svelte:head><title>Jobs – Pendrik</title></svelte:head>

<div class="mx-auto max-w-[82rem] px-5 py-5">
	<div class="flex flex-wrap items-center gap-3">
		<h1 class="mr-auto text-3xl">Jobs</h1>
		<Button onclick={() => file?.click()}>Read a record in</Button>
		<input
			bind:this={file}
			type="file"
			accept="application/json,.json,.zip"
			class="hidden"
			aria-label="Record to read in"
			onchange={readIn}
		/>
		<a
			href={resolve('/jobs/new')}
			class="inline-flex min-h-9 items-center rounded-[2px] border border-act bg-act px-4 font-label text-[1.02rem] font-semibold text-on-act"
			>New job</a
		>
	</div>
	<Loaded query={cards}>
		{#snippet children(all)}
			{@const shown = all.filter((c) => c.job.archived === away)}
			<ul class="mt-4 flex flex-col gap-3">
				{#each shown as card (card.job.id)}
					<li>
						<JobStrip
							{card}
							onmove={() =>
								away ? takeOut(card.job.id, card.job.name) : putAway(card.job.id, card.job.name)}
						/>
					</li>
				{/each}
			</ul>
			{#if shown.length === 0}
				<div class="mt-2">
					<Notice
						title={away ? 'Nothing is put away' : 'No jobs yet'}
						text={away ? '' : 'A job is one model on its way from clean to weathered.'}
					/>
				</div>
			{/if}
			{#if all.some((c) => c.job.archived) || away}
				<button class="tag mt-5 underline" onclick={() => (away = !away)}>
					{away
						? 'Show the jobs in work'
						: `Show what is put away (${all.filter((c) => c.job.archived).length})`}
				</button>
			{/if}
		{/snippet}
	</Loaded>
</div>
