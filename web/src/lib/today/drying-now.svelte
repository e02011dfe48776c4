<script lang="ts">
	import { resolve } from '$app/paths';
	import type { Schemas } from '$lib/api/client';
	import { away, when } from '$lib/time/time';

	/** The coats that lie and are not ready, each drawn along its own way from laid to the next coat. */
	let { day, now }: { day: Schemas['Today']; now: number } = $props();

	const time = (iso: string) => new Date(iso).getTime();
	const share = (d: Schemas['Drying'], at: number) =>
		Math.min(1, Math.max(0, (at - time(d.laid)) / (time(d.recoatAt) - time(d.laid))));
</script>

<section aria-labelledby="drying">
	<h2 id="drying" class="text-2xl">Drying</h2>
	{#if day.drying.length === 0}
		<p class="mt-2 text-soft">Nothing is wet: every coat takes the next one.</p>
	{/if}
	<ul class="mt-2">
		{#each day.drying as d, i (i)}
			{@const touch = share(d, time(d.touchAt)) * 100}
			<li class="border-t border-line py-2">
				<p class="flex flex-wrap justify-between gap-x-3">
					<a
						class="font-semibold first-letter:uppercase hover:underline"
						href={resolve('/jobs/[id]/diary', { id: d.jobId })}>{d.material}</a
					>
					<span>next coat <span class="figure">{when(d.recoatAt, now)}</span></span>
				</p>
				<svg
					viewBox="0 0 100 9"
					preserveAspectRatio="none"
					class="my-1 block h-5 w-full text-ink"
					role="img"
					aria-label="{d.material}: touch dry {away(d.touchAt, now)}, next coat {away(
						d.recoatAt,
						now
					)}"
				>
					<rect x="0" y="1" width="100" height="7" fill="var(--c-sunk)" />
					<rect
						x="0"
						y="1"
						width={share(d, now) * 100}
						height="7"
						fill={d.hex ?? 'var(--c-line)'}
					/>
					<path d="M{touch} 0 V9" stroke="currentColor" stroke-width="0.5" />
					<path d="M{share(d, now) * 100} 0 V9" class="stroke-act" stroke-width="0.8" />
					<path d="M0 1 H100 M0 8 H100" stroke="currentColor" stroke-width="0.4" />
				</svg>
				<p class="flex flex-wrap justify-between gap-x-3 text-soft">
					<span>{d.jobName}</span>
					<span
						>{time(d.touchAt) > now ? `touch dry ${when(d.touchAt, now)}` : 'touch dry'} · fully cured
						{when(d.fullAt, now)}</span
					>
				</p>
			</li>
		{/each}
	</ul>
</section>
