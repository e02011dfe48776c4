<script lang="ts">
	import { resolve } from '$app/paths';
	import type { Schemas } from '$lib/api/client';
	import { countdown, when } from '$lib/time/time';

	/** What can be done now: the window that closes first, else the next session. */
	let { day, now }: { day: Schemas['Today']; now: number } = $props();

	const time = (iso: string) => new Date(iso).getTime();
	const open = $derived(day.open.filter((o) => time(o.clock.closesAt) > now));
	const missed = $derived(day.open.filter((o) => time(o.clock.closesAt) <= now));
	const next = $derived(day.session[0]);
</script>

{#if open.length}
	<div class="grid gap-4 {open.length > 1 ? 'lg:grid-cols-2' : ''}">
		{#each open as o, i (o.jobId + o.clock.stepId)}
			{@const waits = time(o.clock.opensAt) > now}
			<section class="sheet flex flex-wrap items-end gap-x-10 gap-y-3 px-5 py-4">
				<div>
					<p class="tag">{waits ? 'Window opens in' : 'Window closes in'}</p>
					<p class="figure text-6xl leading-none">
						{countdown((waits ? time(o.clock.opensAt) : time(o.clock.closesAt)) - now)}
					</p>
				</div>
				<div class="grow">
					<h2 class="text-2xl first-letter:uppercase">{o.clock.work}: {o.clock.coat}</h2>
					<p class="text-soft">
						{o.jobName} · open {when(o.clock.opensAt, now)} to {when(o.clock.closesAt, now)}
					</p>
				</div>
				<a
					href={resolve('/jobs/[id]/bench', { id: o.jobId })}
					class="inline-flex min-h-11 items-center rounded-[2px] border px-5 font-label text-xl font-semibold {i ===
						0 && !waits
						? 'border-act bg-act text-on-act'
						: 'border-soft'}">To the bench</a
				>
			</section>
		{/each}
	</div>
{:else if next}
	<section class="sheet flex flex-wrap items-end gap-x-10 gap-y-3 px-5 py-4">
		<div>
			<p class="tag">Next at the bench</p>
			<p class="figure text-4xl leading-none">{when(next.start, now)}</p>
		</div>
		<div class="grow">
			<h2 class="text-2xl first-letter:uppercase">{next.name} with {next.material}</h2>
			<p class="text-soft">{next.jobName}</p>
		</div>
		<a
			href={resolve('/jobs/[id]/bench', { id: next.jobId })}
			class="inline-flex min-h-11 items-center rounded-[2px] border border-act bg-act px-5 font-label text-xl font-semibold text-on-act"
			>Begin now</a
		>
	</section>
{:else}
	{@const idle = day.jobs.find((c) => c.total === 0)}
	<section class="sheet px-5 py-4">
		<h2 class="text-2xl">Nothing is planned for the bench</h2>
		{#if idle}
			<p class="mt-1">
				<a class="underline" href={resolve('/jobs/[id]/study', { id: idle.job.id })}
					>Study {idle.job.name}</a
				> and make a plan of it.
			</p>
		{/if}
	</section>
{/if}
{#each missed as o (o.jobId + o.clock.stepId)}
	<p class="mt-3 border-l-8 border-ink bg-sheet px-4 py-2">
		<strong>{o.jobName}:</strong> the window of the {o.clock.coat} closed {when(
			o.clock.closesAt,
			now
		)}.
		<a class="underline" href={resolve('/jobs/[id]/makeup', { id: o.jobId })}
			>See what can still be done</a
		>.
	</p>
{/each}
