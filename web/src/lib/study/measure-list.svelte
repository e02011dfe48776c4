<script lang="ts">
	import { resolve } from '$app/paths';
	import { page } from '$app/state';
	import type { Schemas } from '$lib/api/client';
	import JoinedRegion from './joined-region.svelte';
	import LightLine from './light-line.svelte';
	import RegionDetails from './region-details.svelte';
	import RegionTools from './region-tools.svelte';
	import type { Side } from './sides';
	import type { StudyDesk } from './study-desk.svelte';

	/** What the regions measure, in the order of their numbers on the flat side. */
	type Props = {
		measures: Schemas['Measures'];
		photo: Schemas['Photograph'];
		desk: StudyDesk;
		zones: Schemas['JobZone'][];
		side: Side;
		ratio: number;
		/** The regions on each photograph of the side, where there are several. */
		joined?: Schemas['Joined'] | undefined;
		photographs?: Schemas['Photograph'][];
		/** All of the job that show a grey card. */
		carded?: Schemas['Photograph'][];
	};

	let {
		measures,
		photo,
		desk,
		zones,
		side,
		ratio,
		joined,
		photographs = [],
		carded = []
	}: Props = $props();

	const jobId = $derived(page.params.id ?? '');
	const blurred = $derived(measures.strips.filter((s) => s.blurred));
	const others = $derived(
		desk.regions
			.map((r, i) => ({ r, i }))
			.filter(({ r }) => r.side === side && r.role !== 'MEASURE')
	);
	const numberOf = (id: string) =>
		desk.regions.filter((r) => r.side === side).findIndex((r) => r.id === id) + 1;
	const one = (v: number) => v.toFixed(1);
	const metres = (mm: number) => `${(mm / 1000).toFixed(1)} m`;
	const signed = (v: number) => (v >= 0 ? '+' : '−') + Math.abs(v).toFixed(1);

	function inWords(fade: Schemas['ColourDifference']): string {
		const parts = [
			Math.abs(fade.deltaL) >= 1 ? (fade.deltaL > 0 ? 'lighter' : 'darker') : '',
			Math.abs(fade.deltaC) >= 1 ? (fade.deltaC > 0 ? 'stronger' : 'greyer') : ''
		].filter(Boolean);
		return parts.length ? parts.join(' and ') : 'hardly other';
	}
</script>

<p class="text-soft">
	{#if measures.checked}
		Residual <span class="figure text-ink">{one(measures.residualMm)} mm</span>, worst mark {one(
			measures.worstMm
		)} mm.
	{:else}
		Residual <span class="figure text-ink">0.0 mm</span>: four corners always fit; a known point
		would check them.
	{/if}
	A corner one pixel off moves the side by up to
	<span class="figure text-ink">{one(measures.slipMm)} mm</span>. The scale is known to
	<span class="figure text-ink">± {measures.scalePercent.toFixed(2)} %</span>.
	{measures.colourless
		? 'The photograph is without colour: lightness, marks and geometry are measured, hue is not.'
		: ''}
	{#if blurred.length}
		Out of focus from {Math.round(blurred[0]?.fromMm ?? 0)} to {Math.round(
			blurred.at(-1)?.toMm ?? 0
		)} mm.{/if}
	The smallest mark that shows on the model is {Math.round(measures.smallestMm)} mm on the prototype.
	{#if measures.part}
		It shows {metres(measures.part.widthMm)} by {metres(measures.part.heightMm)} of the side: what lies
		wholly in that is measured at its own resolution,
		<span class="figure text-ink">{one(measures.part.timesFiner)}</span> times as fine.
	{/if}
	{#if measures.samplesFrom && measures.samplesFrom !== photo.id}
		The classes are those sampled on another photograph, turned to the shades that this one shows
		from its own paint; samples picked here would be surer.{/if}
</p>
<LightLine {photo} light={measures.light} known={measures.lightKnown} {carded} />
{#each measures.hardPairs as p (p.one + p.two)}
	<p class="mt-1 border-l-4 border-ink pl-3">
		{p.inseparable
			? `${p.one} and ${p.two} cannot be told apart here: they are too alike for a number.`
			: `${p.one} and ${p.two} are hard to tell apart: up to ${p.confusedPercent.toFixed(0)} % of their pixels may be the other.`}
	</p>
{/each}
{#if measures.regions.length === 0}
	<p class="mt-2">
		Drag over the flat side to measure a colour. Begin with paint that sun and dirt never reached.
	</p>
{/if}
<ol class="mt-2">
	{#each measures.regions as m (m.regionId)}
		{@const region = desk.regions.find((r) => r.id === m.regionId)}
		{@const on = desk.chosen === m.regionId}
		{@const together = joined?.regions.find((r) => r.regionId === m.regionId)}
		<li class="border-t border-line py-1.5">
			<button
				class="grid w-full grid-cols-[1.4rem_2.6rem_1fr] items-center gap-2 text-left"
				aria-expanded={on}
				onclick={() => (desk.chosen = on ? undefined : m.regionId)}
			>
				<span class="figure">{numberOf(m.regionId)}</span>
				<span class="block h-8 border border-soft" style:background-color={m.hex ?? 'transparent'}
				></span>
				<span class="leading-tight">
					<span class="font-semibold">{m.name}</span>{m.factory
						? ' · factory colour'
						: ''}{together && together.measuredOn !== photo.id
						? ' · counts on another photograph'
						: ''}
					{#if m.sample}
						<span class="figure block text-soft">
							L* {one(m.sample.median.l)}
							{m.sample.hue ? `a* ${one(m.sample.median.a)} b* ${one(m.sample.median.b)}` : ''} ± {one(
								m.sample.plusMinus
							)}{m.sample.hue ? '' : ' · no hue'}{m.fade ? ` · ΔE00 ${one(m.fade.deltaE00)}` : ''}
						</span>
					{:else}
						<span class="block text-soft">too little of it is in the photograph</span>
					{/if}
				</span>
			</button>
			{#if on && region}
				<div class="mt-1.5 ml-7 flex flex-col gap-2 border-l-2 border-ink pl-3">
					{#if m.sample}
						<p class="figure text-soft">
							scatter {one(m.sample.spread)} · {m.sample.pixels} pixels{m.leftOut.length
								? ` · left out: ${m.leftOut.map((l) => `${Math.round(l.percent)} % ${l.what}`).join(', ')}`
								: ''}{m.inGamut ? '' : ' · outside what the screen shows'}
						</p>
						{#if m.sample.hue}<p>
								<a
									class="underline"
									href="{resolve('/shelf')}?l={m.sample.median.l.toFixed(
										2
									)}&a={m.sample.median.a.toFixed(2)}&b={m.sample.median.b.toFixed(2)}&job={jobId}"
									>Mix this colour</a
								>
								·
								<a
									class="underline"
									href="{resolve('/shelf')}?bottle=new&l={m.sample.median.l.toFixed(
										2
									)}&a={m.sample.median.a.toFixed(2)}&b={m.sample.median.b.toFixed(2)}"
									>It is the swatch of a bottle</a
								>
							</p>{/if}
					{/if}
					{#if m.fade}
						<p class="figure">
							ΔL {signed(m.fade.deltaL)} · ΔC {signed(m.fade.deltaC)} · ΔH {signed(m.fade.deltaH)} · ΔE00
							{one(m.fade.deltaE00)}: {inWords(m.fade)} than the factory colour
						</p>
					{/if}
					{#if together && joined?.leading}
						<JoinedRegion
							joined={together}
							leading={joined.leading}
							{region}
							{photographs}
							{desk}
						/>
					{/if}
					<RegionDetails {m} {ratio} />
					<RegionTools {region} number={numberOf(m.regionId)} {desk} {zones} />
				</div>
			{/if}
		</li>
	{/each}
</ol>
{#if others.length}
	<h3 class="mt-3 text-lg">Also marked</h3>
	<ul>
		{#each others as { r } (r.id)}
			{@const edge = measures.edges.find((e) => e.regionId === r.id)}
			{@const on = desk.chosen === r.id}
			<li class="border-t border-line py-1.5">
				<button
					class="grid w-full grid-cols-[1.4rem_1fr] gap-2 text-left"
					aria-expanded={on}
					onclick={() => (desk.chosen = on ? undefined : r.id)}
				>
					<span class="figure">{numberOf(r.id)}</span>
					<span
						><span class="font-semibold">{r.name}</span>
						<span class="text-soft"
							>{r.role === 'EXCLUDE'
								? 'is left out of every measure'
								: r.role === 'CUT'
									? 'is cut as a piece'
									: edge && edge.wornPercent !== null && edge.wornPercent !== undefined
										? edge.scrapes === 0
											? `not worn (± ${one(edge.plusMinus)} % of its length)`
											: `worn on ${one(edge.wornPercent)} ± ${one(edge.plusMinus)} % of its length, ${edge.scrapes === 1 ? 'one place' : `${edge.scrapes} places`}, the longest ${Math.round(edge.longestMm)} mm`
										: (edge?.cannot ?? '')}</span
						></span
					>
				</button>
				{#if on}<div class="mt-1.5 ml-7 border-l-2 border-ink pl-3">
						<RegionTools region={r} number={numberOf(r.id)} {desk} {zones} />
					</div>{/if}
			</li>
		{/each}
	</ul>
{/if}
