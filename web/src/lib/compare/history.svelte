<script lang="ts">
	import type { Schemas } from '$lib/api/client';

	/** How each measure came closer over the photographs of the model, with the coats between them. */
	let { stages }: { stages: Schemas['Stage'][] } = $props();

	type Line = {
		key: string;
		label: string;
		unit: string;
		prototype: number;
		seen: number;
		values: number[];
	};

	const lines = $derived.by(() => {
		const out: Record<string, Line> = {};
		stages.forEach((s, i) => {
			for (const v of s.values) {
				const key = `${v.regionId} ${v.measure}`;
				out[key] ??= {
					key,
					label: `${v.region}: ${v.measure}`,
					unit: v.unit,
					prototype: v.prototype,
					seen: v.plusMinus / 2,
					values: []
				};
				out[key].values[i] = v.model;
			}
		});
		// what neither side ever has says nothing
		return Object.values(out).filter(
			(l) => Math.max(l.prototype, ...l.values.filter(Number.isFinite)) > l.seen
		);
	});
	const most = (l: Line) => Math.max(l.prototype, ...l.values.filter(Number.isFinite), 1e-6) * 1.08;
	const x = (i: number) => (stages.length < 2 ? 50 : 4 + (92 * i) / (stages.length - 1));
	const day = (at: string) =>
		new Date(at).toLocaleDateString(undefined, { month: 'short', day: 'numeric' });
	const num = (v: number | undefined) =>
		v === undefined ? '–' : Math.abs(v) >= 100 ? Math.round(v).toString() : v.toFixed(1);
</script>

<ol class="mb-3 flex flex-wrap gap-x-6 gap-y-1">
	{#each stages as s (s.photographId)}
		<li>
			<span class="font-semibold">{day(s.at)}</span>
			<span class="text-soft">{s.coats.length ? `after ${s.coats.join(', ')}` : 'nothing new'}</span
			>
		</li>
	{/each}
</ol>
<ul class="grid gap-x-6 gap-y-3 sm:grid-cols-2">
	{#each lines as l (l.key)}
		<li>
			<div class="flex items-baseline justify-between gap-2 leading-tight">
				<span>{l.label}</span>
				<span class="figure whitespace-nowrap"
					>{num(l.values.at(-1))}
					<span class="text-soft">of {num(l.prototype)} {l.unit}</span></span
				>
			</div>
			<svg
				viewBox="0 0 100 30"
				class="block h-10 w-full"
				preserveAspectRatio="none"
				aria-hidden="true"
			>
				<path
					d="M0 {28 - (26 * l.prototype) / most(l)}H100"
					stroke="currentColor"
					stroke-dasharray="5 3"
					vector-effect="non-scaling-stroke"
				/>
				<polyline
					points={l.values.map((v, i) => `${x(i)},${28 - (26 * v) / most(l)}`).join(' ')}
					fill="none"
					stroke="currentColor"
					stroke-width="2"
					vector-effect="non-scaling-stroke"
				/>
				{#each l.values as v, i (i)}
					<path
						d="M{x(i)} {28 - (26 * v) / most(l)}h0.01"
						stroke="currentColor"
						stroke-width="7"
						stroke-linecap="round"
						vector-effect="non-scaling-stroke"
					/>
				{/each}
			</svg>
		</li>
	{/each}
</ul>
