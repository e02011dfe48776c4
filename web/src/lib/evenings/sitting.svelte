<script lang="ts">
	import { resolve } from '$app/paths';
	import type { Schemas } from '$lib/api/client';
	import { day, onWall, span, when } from '$lib/time/time';
	import Button from '$lib/ui/button.svelte';
	import type { Evenings } from './evenings.svelte';
	import MoveStep from './move-step.svelte';

	/** One stretch at the bench: what the airbrush is filled with, and what is done, in order. */
	type Props = {
		sitting: Schemas['Sitting'];
		all: Schemas['Sitting'][];
		evenings: Evenings;
		now: number;
	};

	let { sitting, all, evenings, now }: Props = $props();

	const hour = (iso: string) => when(iso, now).replace(/^.* (?=\d)/, '');
	const isMoving = (w: Schemas['Work']) =>
		evenings.moving?.work.stepId === w.stepId && evenings.moving.work.jobId === w.jobId;
</script>

<article class="flex min-w-0 flex-col border-t-4 border-ink bg-sheet px-3 py-2">
	<header class="flex flex-wrap items-baseline justify-between gap-x-3">
		<h3 class="text-xl">{day(sitting.from)}</h3>
		<p class="figure text-soft">
			{hour(sitting.from)}–{hour(sitting.until)} · {span(sitting.workMinutes * 60_000)} of work
		</p>
	</header>
	{#if sitting.fillings.length}
		<p class="tag mt-2">Airbrush, one after the other</p>
		<ol class="flex flex-wrap gap-x-3 gap-y-1">
			{#each sitting.fillings as f, i (i)}
				<li class="flex items-center gap-1.5">
					<svg viewBox="0 0 14 14" class="size-3.5 shrink-0 text-ink" aria-hidden="true">
						<rect
							x="0.5"
							y="0.5"
							width="13"
							height="13"
							fill={f.hex ?? 'none'}
							stroke="currentColor"
						/>
					</svg>
					<span
						>{f.material}{#if f.jobs.length > 1}<span class="text-soft"
								>, {f.jobs.length} models</span
							>{/if}</span
					>
				</li>
			{/each}
		</ol>
	{/if}
	<ol class="mt-2">
		{#each sitting.work as w (w.jobId + w.stepId)}
			<li class="border-t border-line py-1">
				<div class="grid grid-cols-[3.6rem_1fr_auto] items-baseline gap-2">
					<span class="figure">{hour(w.start)}</span>
					<span class="leading-snug">
						<a
							class="font-semibold first-letter:uppercase hover:underline"
							href={resolve('/jobs/[id]/bench', { id: w.jobId })}>{w.name}</a
						>, {w.material}
						<span class="block text-soft">
							{[w.jobName, w.windowCloses ? `work it until ${hour(w.windowCloses)}` : '']
								.filter(Boolean)
								.join(' · ')}
							{#if w.held}
								· held here
								<button
									class="tag min-h-6 px-1 underline pointer-coarse:min-h-11"
									disabled={evenings.busy}
									aria-label="Hold {w.name} of {w.jobName} no more"
									onclick={() => void evenings.loosen(w)}>let it go</button
								>
							{/if}
						</span>
					</span>
					<button
						class="tag min-h-6 px-1 underline pointer-coarse:min-h-11"
						aria-expanded={isMoving(w)}
						aria-label="Move {w.name} of {w.jobName}"
						onclick={() => evenings.choose(w)}>move</button
					>
				</div>
				{#if isMoving(w)}<MoveStep {evenings} {all} from={sitting.from} {now} />{/if}
			</li>
		{/each}
	</ol>
	<div class="mt-auto pt-2">
		{#if sitting.inCalendar}
			<Button
				look="bare"
				disabled={evenings.busy}
				aria-label="Not on {day(sitting.from)}"
				onclick={() => void evenings.takeOut(onWall(sitting.from))}>Not this day</Button
			>
		{:else}
			<p class="text-soft">You are here because a window is open.</p>
		{/if}
	</div>
</article>
