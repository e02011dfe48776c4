<script lang="ts">
	import { resolve } from '$app/paths';
	import type { Schemas } from '$lib/api/client';
	import { span, when } from '$lib/time/time';

	/** The work that the next bench time holds, in order of the clock. */
	let { day, now }: { day: Schemas['Today']; now: number } = $props();

	const time = (iso: string) => new Date(iso).getTime();
	const work = $derived(day.session.reduce((sum, s) => sum + time(s.end) - time(s.start), 0));
</script>

<section aria-labelledby="session">
	<h2 id="session" class="text-2xl">
		The next session {#if day.session.length}<span class="text-soft">· {span(work)} of work</span
			>{/if}
	</h2>
	{#if day.session.length === 0}
		<p class="mt-2 text-soft">No step falls into the next bench time.</p>
	{/if}
	<ol class="mt-2">
		{#each day.session as s, i (i)}
			<li class="grid grid-cols-[7.5rem_1fr_auto] items-baseline gap-3 border-t border-line py-1.5">
				<span class="figure text-lg"
					>{i === 0 || day.session[i - 1]?.start.slice(0, 10) !== s.start.slice(0, 10)
						? when(s.start, now)
						: when(s.start, now).split(' ').at(-1)}</span
				>
				<span
					><a
						class="font-semibold first-letter:uppercase hover:underline"
						href={resolve('/jobs/[id]/bench', { id: s.jobId })}>{s.name}</a
					>, {s.material}<br /><span class="text-soft">{s.jobName}</span></span
				>
				<span class="figure text-soft">{span(time(s.end) - time(s.start))}</span>
			</li>
		{/each}
	</ol>
	<h2 class="mt-6 text-2xl">Jobs in work</h2>
	<ul class="mt-2">
		{#each day.jobs as c (c.job.id)}
			<li class="grid grid-cols-[1fr_auto] gap-3 border-t border-line py-1.5">
				<a class="font-semibold hover:underline" href={resolve('/jobs/[id]', { id: c.job.id })}
					>{c.job.name}</a
				>
				<span class="text-soft">
					{c.total
						? `${c.done} of ${c.total} steps`
						: c.effects
							? `${c.effects} effects noted, no plan yet`
							: 'to study'}
				</span>
			</li>
		{/each}
	</ul>
	{#if day.moreJobs}
		<p class="mt-2">
			<a class="underline" href={resolve('/jobs')}>{day.moreJobs} more under Jobs</a>
		</p>
	{/if}
</section>
