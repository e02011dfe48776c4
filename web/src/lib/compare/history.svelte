<script lang="ts">
	import type { Schemas } from '$lib/api/client';
	import { date } from '$lib/time/time';
	import { coursesOf, figure, newest, plot } from './courses';

	/** How each measure came closer over the photographs of the model, with the coats between them. */
	let { stages }: { stages: Schemas['Stage'][] } = $props();

	const courses = $derived(coursesOf(stages));
</script>

<ol class="mb-3 flex flex-wrap gap-x-6 gap-y-1">
	{#each stages as s (s.photographId)}
		<li>
			<span class="font-semibold">{date(s.at)}</span>
			<span class="text-soft">{s.coats.length ? `after ${s.coats.join(', ')}` : 'nothing new'}</span
			>
		</li>
	{/each}
</ol>
<ul class="grid gap-x-6 gap-y-3 sm:grid-cols-2">
	{#each courses as c (c.key)}
		{@const p = plot(c, 26)}
		<li>
			<div class="flex items-baseline justify-between gap-2 leading-tight">
				<span>{c.label}</span>
				<span class="figure whitespace-nowrap"
					>{figure(newest(c))}
					<span class="text-soft">of {figure(c.prototype)} {c.unit}</span></span
				>
			</div>
			<svg
				viewBox="0 0 100 30"
				class="block h-10 w-full"
				preserveAspectRatio="none"
				aria-hidden="true"
			>
				<g transform="translate(0 2)">
					<path
						d="M0 {p.prototype}H100"
						stroke="currentColor"
						stroke-dasharray="5 3"
						vector-effect="non-scaling-stroke"
					/>
					<polyline
						points={p.places.map(([x, y]) => `${x},${y}`).join(' ')}
						fill="none"
						stroke="currentColor"
						stroke-width="2"
						vector-effect="non-scaling-stroke"
					/>
					{#each p.places as [x, y], i (i)}
						<path
							d="M{x} {y}h0.01"
							stroke="currentColor"
							stroke-width="7"
							stroke-linecap="round"
							vector-effect="non-scaling-stroke"
						/>
					{/each}
				</g>
			</svg>
		</li>
	{/each}
</ul>
