<script lang="ts">
	import { resolve } from '$app/paths';
	import type { Schemas } from '$lib/api/client';
	import GapPlot from './gap-plot.svelte';
	import { restsOn, said } from './verdict';

	/** Regions and edges, each with one verdict from all its measures, with the figures and what to do. */
	type Props = { jobId: string; regions: Schemas['Judged'][]; edges: Schemas['JudgedEdge'][] };

	let { jobId, regions, edges }: Props = $props();

	const one = (v: number) => v.toFixed(1);
	const signed = (v: number) => (v >= 0 ? '+' : '−') + Math.abs(v).toFixed(1);
	const at = (r: Schemas['Judged']) => Math.min(1.6, Math.max(0, r.progress ?? 1)) / 1.6;
</script>

{#snippet heading(r: Schemas['Judged'] | Schemas['JudgedEdge'])}
	<div class="flex flex-wrap items-baseline justify-between gap-x-3">
		<span class="font-semibold">{r.name}</span>
		<span class="font-label text-[1.15rem] font-semibold"
			>{said(r)}{#if restsOn(r)}<span class="font-normal text-soft">&ensp;{restsOn(r)}</span
				>{/if}</span
		>
	</div>
{/snippet}

{#snippet advised(all: Schemas['Advised'][], prototypeHex?: string)}
	{#each all as a, i (i)}
		<p
			class="mt-1 {a.what === 'STOP' ? '' : 'border-l-4 pl-2'} {a.possible
				? 'border-ink'
				: 'border-line'}"
		>
			{#if a.thenHex && prototypeHex}
				<span class="float-right ml-3 flex" title="prototype, and the model after it">
					<span class="block h-6 w-6" style:background-color={prototypeHex}></span>
					<span class="block h-6 w-6" style:background-color={a.thenHex}></span>
					<span class="sr-only">Prototype {prototypeHex}, the model after it {a.thenHex}</span>
				</span>
			{/if}
			<span class="font-semibold">{a.text}</span>
			{#if a.takeBackStep}<a
					class="underline"
					href="{resolve('/jobs/[id]/makeup', { id: jobId })}?back={encodeURIComponent(
						a.takeBackStep
					)}">What takes it back</a
				>{/if}
			<span class="figure block text-soft">{a.why}</span>
		</p>
	{/each}
{/snippet}

{#snippet leftOpen(all: Schemas['LeftOpen'][])}
	{#if all.length}
		<details class="mt-1 text-soft">
			<summary class="cursor-pointer">Left open besides</summary>
			{#each all as o, i (i)}<p class="mt-1">
					{o.remedy} <span class="figure">{o.why}</span>
				</p>{/each}
		</details>
	{/if}
{/snippet}

<ol>
	{#each regions as r (r.regionId)}
		<li class="border-t border-line py-2">
			{@render heading(r)}
			<div class="mt-1 grid grid-cols-[auto_1fr] items-center gap-3">
				<span class="flex">
					<span class="block h-9 w-9" style:background-color={r.prototypeHex} title="prototype"
					></span>
					<span class="block h-9 w-9" style:background-color={r.modelHex} title="model"></span>
				</span>
				{#if r.progress !== null && r.progress !== undefined}
					<svg
						viewBox="0 0 160 24"
						class="block h-7 w-full text-ink"
						preserveAspectRatio="none"
						role="img"
						aria-label="{Math.round(
							r.progress * 100
						)} % of the way from factory colour to prototype"
					>
						<line x1="0" x2="160" y1="12" y2="12" stroke="currentColor" />
						<path
							d="M0 6 V18 M100 2 V22"
							stroke="currentColor"
							stroke-width="1.6"
							vector-effect="non-scaling-stroke"
						/>
						<rect x={at(r) * 160 - 3} y="6" width="6" height="12" fill="currentColor" />
					</svg>
				{:else}<span></span>{/if}
			</div>
			<p class="figure text-soft">
				{#if r.byLightness}ΔL {signed(r.deltaL)} ± {one(r.plusMinus)} · one of the two is without colour{:else}ΔE00
					{one(r.deltaE00)} ± {one(r.plusMinus)} · ΔL {signed(r.deltaL)} · ΔC {signed(r.deltaC)} · ΔH
					{signed(r.deltaH)}{/if}{r.progress !== null && r.progress !== undefined
					? ` · ${Math.round(r.progress * 100)} % of the way`
					: ''}
			</p>
			{#if r.differences.length}<GapPlot differences={r.differences} />{/if}
			{@render advised(r.advice, r.prototypeHex)}
			{@render leftOpen(r.open)}
		</li>
	{/each}
	{#each edges as e (e.regionId)}
		<li class="border-t border-line py-2">
			{@render heading(e)}
			{#if e.differences.length}<GapPlot differences={e.differences} />{/if}
			{@render advised(e.advice)}
			{@render leftOpen(e.open)}
		</li>
	{/each}
</ol>
