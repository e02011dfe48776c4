<script lang="ts">
	import { resolve } from '$app/paths';
	import type { Schemas } from '$lib/api/client';
	import DryingRail from '$lib/rail/drying-rail.svelte';
	import { commonScale } from '$lib/rail/scale';
	import { hourOnWall, onWall, when } from '$lib/time/time';
	import Button from '$lib/ui/button.svelte';
	import type { Evenings } from './evenings.svelte';
	import { raise, standing, wayOut } from './words';

	/** All jobs under one time scale: what is done when, what dries, which windows open, which dates wait. */
	type Props = {
		tracks: Schemas['Track'][];
		evenings: Evenings;
		now: number;
		days: number | undefined;
	};

	let { tracks, evenings, now, days }: Props = $props();

	const DAY = 86_400_000;
	let width = $state(800);
	const scale = $derived(
		commonScale(
			tracks.map((t) => t.diary),
			now,
			days === undefined ? undefined : now + days * DAY,
			width - 4
		)
	);
</script>

<ol class="border-t border-line">
	{#each tracks as t, i (t.jobId)}
		<li class="grid items-center gap-x-4 border-b border-line py-1 md:grid-cols-[13rem_1fr]">
			<div>
				<a
					class="font-label text-[1.1rem] leading-tight font-semibold hover:underline"
					href={resolve('/jobs/[id]/diary', { id: t.jobId })}>{t.jobName}</a
				>
				<p class="leading-snug {t.diary.lateMinutes || t.diary.problem ? 'font-semibold' : ''}">
					{standing(t)}
				</p>
				<p class="text-[0.93rem] leading-snug text-soft">
					{#if t.diary.finish}ready {when(t.diary.finish, now)}{/if}
					{#if t.latestStart}<br />go on by {when(t.latestStart, now)}{/if}
				</p>
			</div>
			{#if t.waysOut.length}
				<div class="border-l-8 border-ink pl-3 md:col-span-2 md:row-start-2">
					<h3 class="text-lg">What would keep the date of {t.jobName}</h3>
					{#if t.waysOut.every((w) => w.kind === 'LATER_DATE')}
						<p>
							More time at the bench does not{t.chain[0]
								? `: most of it is ${t.chain[0].label}`
								: ''}.
							<a class="underline" href={resolve('/jobs/[id]/makeup', { id: t.jobId })}
								>Look for another way to make it</a
							>, press <kbd class="font-label font-semibold">o</kbd> there.
						</p>
					{/if}
					<ul>
						{#each t.waysOut as w, k (k)}
							<li class="flex flex-wrap items-baseline gap-x-3">
								<span>{wayOut(w, now)}</span>
								{#if w.kind === 'MORE_TIME' && w.from && w.until}
									<Button
										look="bare"
										disabled={evenings.busy}
										onclick={() =>
											w.from &&
											w.until &&
											void evenings.add(onWall(w.from), hourOnWall(w.from), hourOnWall(w.until))}
										>Take that time</Button
									>
								{/if}
							</li>
						{/each}
					</ul>
				</div>
			{/if}
			{#if t.raises.length}
				<p class="leading-snug md:col-span-2 md:row-start-3">
					<span class="tag">More likely with</span>
					{#each t.raises as r, k (k)}{k ? '; ' : ' '}{raise(r)}{/each}
				</p>
			{/if}
			<div class="hidden min-w-0 md:block" bind:clientWidth={width}>
				<DryingRail
					diary={t.diary}
					lanes={1}
					shared={scale}
					days={i === 0}
					label="Drying rail of {t.jobName}"
				/>
			</div>
		</li>
	{/each}
</ol>
