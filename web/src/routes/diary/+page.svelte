<script lang="ts">
	import { resolve } from '$app/paths';
	import { workshopDiaryQuery } from '$lib/api/queries';
	import { deciding } from '$lib/api/progress.svelte';
	import { Evenings } from '$lib/evenings/evenings.svelte';
	import Calendars from '$lib/evenings/calendars.svelte';
	import OtherDays from '$lib/evenings/other-days.svelte';
	import Sitting from '$lib/evenings/sitting.svelte';
	import Tracks from '$lib/evenings/tracks.svelte';
	import { howFar, sumUp } from '$lib/evenings/words';
	import { Keys } from '$lib/keys/keys.svelte';
	import { Now } from '$lib/time/now.svelte';
	import { when } from '$lib/time/time';
	import Button from '$lib/ui/button.svelte';
	import Choice from '$lib/ui/choice.svelte';
	import Loaded from '$lib/ui/loaded.svelte';
	import Notice from '$lib/ui/notice.svelte';
	import Working from '$lib/ui/working.svelte';
	import { createQuery } from '@tanstack/svelte-query';

	const diary = createQuery(() => workshopDiaryQuery());
	const evenings = new Evenings();
	const now = new Now(30_000);

	type Zoom = 'week' | 'fortnight' | 'all';
	const DAYS: Record<Zoom, number | undefined> = { week: 7, fortnight: 14, all: undefined };
	const ZOOMS = [
		{ key: 'week', label: 'week' },
		{ key: 'fortnight', label: 'fortnight' },
		{ key: 'all', label: 'all' }
	] as const;
	let zoom = $state<Zoom>('fortnight');
	const next: Record<Zoom, Zoom> = { week: 'fortnight', fortnight: 'all', all: 'week' };

	Keys.use('Diary', () => [
		{ key: 'e', label: 'Plan the evenings', run: () => void evenings.decide(false) },
		{ key: 'z', label: 'Week, fortnight, all', run: () => (zoom = next[zoom]) }
	]);
</script>

<svelte:head><title>Diary – Pendrik</title></svelte:head>

<div class="mx-auto max-w-[90rem] px-5 py-4">
	<h1 class="sr-only">Diary of the workshop</h1>
	<Loaded query={diary}>
		{#snippet children(view)}
			{#if view.tracks.length === 0}
				<Notice
					title="Nothing is planned yet"
					text="Once a job has a plan, its steps are put into your evenings here, together with those of all other jobs: one list for the airbrush, windows kept, dates watched."
				>
					<a class="underline" href={resolve('/jobs')}>Go to the jobs</a>
				</Notice>
			{:else}
				<section class="flex flex-wrap items-center gap-x-6 gap-y-2" aria-label="All evenings">
					<p class="font-label text-xl font-semibold">{sumUp(view.sum)}</p>
					<div class="ml-auto flex flex-wrap items-center gap-2">
						{#if deciding.running}
							<Working progress={deciding} waiting="Planning the evenings" />
						{:else}
							<Button
								look={view.decided ? 'plain' : 'act'}
								disabled={evenings.busy}
								onclick={() => void evenings.decide(false)}>Plan the evenings</Button
							>
							{#if view.decided}
								<Button
									look="bare"
									disabled={evenings.busy}
									onclick={() => void evenings.decide(true)}>from scratch</Button
								>
								<Button look="bare" disabled={evenings.busy} onclick={() => void evenings.forget()}
									>let go</Button
								>
							{/if}
						{/if}
					</div>
				</section>
				<p class="text-soft">
					{view.decided
						? 'Planned together: steps stand where they were put, and move as little as can be.'
						: 'Each job comes as early as it can, the nearest date first. Planned together they share sittings and colours.'}
				</p>
				{#if view.stages.length}
					<details class="text-soft">
						<summary class="tag cursor-pointer">How good it is</summary>
						<ul>
							{#each view.stages as s (s.goal)}<li>{howFar(s)}</li>{/each}
						</ul>
					</details>
				{/if}
				<div aria-live="polite">
					{#if evenings.problem}<p class="mt-2 font-semibold">{evenings.problem}</p>{/if}
					{#if evenings.done}
						<p class="mt-2 font-semibold">{evenings.done}</p>
						{#if evenings.moved.length}
							<details>
								<summary class="tag cursor-pointer"
									>{evenings.moved.length}
									{evenings.moved.length === 1 ? 'step stands' : 'steps stand'} in another sitting</summary
								>
								<ul>
									{#each evenings.moved as m (m.jobId + m.stepId)}
										<li>
											{m.name}, {m.jobName}: {when(m.from, now.current)} → {when(m.to, now.current)}
										</li>
									{/each}
								</ul>
							</details>
						{/if}
					{/if}
				</div>
				<section class="mt-4" aria-labelledby="tracks">
					<div class="flex flex-wrap items-baseline justify-between gap-3">
						<h2 id="tracks" class="text-xl">Jobs under one clock</h2>
						<div class="hidden md:block">
							<Choice
								label="How much of it"
								look="tags"
								value={zoom}
								items={ZOOMS}
								onchange={(key) => (zoom = key)}
							/>
						</div>
					</div>
					<Tracks tracks={view.tracks} {evenings} now={now.current} days={DAYS[zoom]} />
				</section>
				<section class="mt-6" aria-labelledby="sittings">
					<h2 id="sittings" class="mb-2 text-xl">Sittings</h2>
					<div class="grid items-start gap-4 sm:grid-cols-2 xl:grid-cols-3">
						{#each view.sittings as s (s.from)}
							<Sitting sitting={s} all={view.sittings} {evenings} now={now.current} />
						{/each}
					</div>
				</section>
				<div class="mt-8 grid gap-8 lg:grid-cols-2">
					<OtherDays {evenings} />
					<Calendars {evenings} now={now.current} />
				</div>
			{/if}
		{/snippet}
	</Loaded>
</div>
