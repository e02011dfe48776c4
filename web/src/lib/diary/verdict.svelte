<script lang="ts">
	import type { Schemas } from '$lib/api/client';
	import { day, span, when } from '$lib/time/time';

	/** Finish against the date wanted, and what the time goes into. */
	let { diary, now }: { diary: Schemas['Diary']; now: number } = $props();

	const time = (iso: string) => new Date(iso).getTime();
	const total = $derived(diary.drivers.reduce((s, d) => s + d.minutes, 0));
	const open = $derived(diary.slots.filter((s) => !s.done).length);
	const spare = $derived(
		diary.deadline && diary.finish ? time(diary.deadline) - time(diary.finish) : 0
	);
</script>

<section class="grid gap-6 lg:grid-cols-[auto_1fr]" aria-label="Finish">
	<div class="flex flex-wrap gap-x-12 gap-y-3">
		<div>
			<p class="tag">{open ? 'Finished' : 'All steps are done'}</p>
			<p class="figure text-5xl leading-none">{diary.finish ? when(diary.finish, now) : '–'}</p>
			{#if diary.packFrom}<p class="mt-1 text-soft">
					Pack from {when(diary.packFrom, now)}, when the last coat is fully cured.
				</p>{/if}
		</div>
		<div>
			<p class="tag">Wanted</p>
			<p class="figure text-5xl leading-none">{diary.wantedOn ? day(diary.wantedOn) : 'open'}</p>
			{#if diary.wantedOn && open}
				<p class="mt-1 {diary.lateMinutes ? 'font-semibold' : 'text-soft'}">
					{diary.lateMinutes
						? `✕ ${span(diary.lateMinutes * 60_000)} late`
						: `✓ ${span(spare)} to spare`}
				</p>
			{/if}
		</div>
	</div>
	{#if open && diary.drivers.length}
		<div>
			<p class="tag">{diary.lateMinutes ? 'What drives it late' : 'What the time goes into'}</p>
			<table class="mt-1 w-full max-w-xl">
				<tbody>
					{#each diary.drivers.slice(0, 5) as d, i (i)}
						<tr class="border-t border-line">
							<th scope="row" class="py-0.5 text-left font-normal first-letter:uppercase"
								>{d.label}</th
							>
							<td class="figure w-28 text-right">{span(d.minutes * 60_000)}</td>
							<td class="w-2/5 pl-3">
								<svg
									viewBox="0 0 100 8"
									preserveAspectRatio="none"
									class="block h-2.5 w-full text-ink"
									aria-hidden="true"
								>
									<rect
										width={(100 * d.minutes) / total}
										height="8"
										fill={d.kind === 'NO_BENCH_TIME' ? 'var(--c-line)' : 'currentColor'}
									/>
								</svg>
							</td>
						</tr>
					{/each}
				</tbody>
			</table>
		</div>
	{/if}
</section>
