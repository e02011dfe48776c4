<script lang="ts">
	import { goto } from '$app/navigation';
	import { resolve } from '$app/paths';
	import { todayQuery } from '$lib/api/queries';
	import { Keys } from '$lib/keys/keys.svelte';
	import DryingRail from '$lib/rail/drying-rail.svelte';
	import { commonScale } from '$lib/rail/scale';
	import { Now } from '$lib/time/now.svelte';
	import { when } from '$lib/time/time';
	import DryingNow from '$lib/today/drying-now.svelte';
	import NextAct from '$lib/today/next-act.svelte';
	import Session from '$lib/today/session.svelte';
	import Loaded from '$lib/ui/loaded.svelte';
	import Notice from '$lib/ui/notice.svelte';
	import { createQuery } from '@tanstack/svelte-query';

	const today = createQuery(() => todayQuery());
	const now = new Now(1_000);
	const slow = new Now(30_000);

	// all rails share one scale, so that they can be read against one another
	let railWidth = $state(600);
	const scale = $derived(
		today.data &&
			commonScale(
				today.data.rails.map((r) => r.diary),
				slow.current,
				undefined,
				railWidth - 4
			)
	);

	const first = $derived(
		today.data?.open[0]?.jobId ?? today.data?.session[0]?.jobId ?? today.data?.jobs[0]?.job.id
	);
	Keys.use('Today', () => [
		{
			key: 'b',
			label: 'Go to the bench with what comes first',
			run: () => first && void goto(resolve('/jobs/[id]/bench', { id: first }))
		},
		{ key: 'n', label: 'New job', run: () => void goto(resolve('/jobs/new')) }
	]);
</script>

<svelte:head><title>Today – Pendrik</title></svelte:head>

<div class="mx-auto max-w-[82rem] px-5 py-5">
	<Loaded query={today}>
		{#snippet children(day)}
			{#if day.jobs.length === 0}
				<h1 class="sr-only">Today</h1>
				<Notice
					title="The bench is clear"
					text="Start with what stands in front of you: say what it is, put in a photograph of the prototype, and note what you see on it. The plan follows from that."
				>
					<a
						href={resolve('/jobs/new')}
						class="inline-flex min-h-9 items-center rounded-[2px] border border-act bg-act px-4 py-1 font-label text-lg font-semibold text-on-act"
						>Start the first job</a
					>
				</Notice>
			{:else}
				<h1 class="sr-only">Today</h1>
				<NextAct {day} now={now.current} />
				{#if day.risks.length}
					<section class="mt-5 border-l-8 border-ink bg-sheet px-4 py-3" aria-labelledby="risks">
						<h2 id="risks" class="text-xl">At risk</h2>
						<ul>
							{#each day.risks as r (r.jobId)}
								<li>
									<a
										class="font-semibold underline"
										href={resolve('/jobs/[id]/diary', { id: r.jobId })}>{r.jobName}</a
									>: {r.what}
								</li>
							{/each}
						</ul>
					</section>
				{/if}
				<div class="mt-6 grid gap-6 lg:grid-cols-[1fr_1fr]">
					<Session {day} now={now.current} />
					<div class="min-w-0" bind:clientWidth={railWidth}>
						<DryingNow {day} now={now.current} />
						{#each day.rails as r (r.jobId)}
							<section class="mt-5" aria-label="Drying rail of {r.jobName}">
								<h2 class="text-xl">
									<a class="hover:underline" href={resolve('/jobs/[id]/diary', { id: r.jobId })}
										>{r.jobName}</a
									>
									{#if r.diary.finish}<span class="text-soft"
											>· finished {when(r.diary.finish, now.current)}</span
										>{/if}
								</h2>
								<DryingRail
									diary={r.diary}
									lanes={2}
									shared={scale}
									label="Drying rail of {r.jobName}"
								/>
							</section>
						{/each}
						{#if day.moreRails}
							<p class="mt-4 text-soft">
								{day.moreRails === 1 ? 'One more job comes' : `${day.moreRails} more jobs come`} to the
								bench later.
							</p>
						{/if}
					</div>
				</div>
			{/if}
		{/snippet}
	</Loaded>
</div>
