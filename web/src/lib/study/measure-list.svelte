<script lang="ts">
	import type { Schemas } from '$lib/api/client';
	import type { StudyDesk } from './study-desk.svelte';

	/** What the regions measure: colour, scatter, and the fade against the factory colour. */
	type Props = { measures: Schemas['Measures']; desk: StudyDesk; zones: Schemas['JobZone'][] };

	let { measures, desk, zones }: Props = $props();

	const one = (v: number) => v.toFixed(1);
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
	<span class="figure text-ink">{one(measures.slipMm)} mm</span>.
	{measures.balanced
		? 'The grey card takes the light out.'
		: 'No grey card: colours include the light.'}
</p>
{#if measures.regions.length === 0}
	<p class="mt-2">
		Drag over the flat side to measure a colour. Begin with paint that sun and dirt never reached.
	</p>
{/if}
<ol class="mt-2">
	{#each measures.regions as m, i (m.regionId)}
		{@const region = desk.regions.find((r) => r.id === m.regionId)}
		{@const on = desk.chosen === m.regionId}
		<li class="border-t border-line py-1.5">
			<button
				class="grid w-full grid-cols-[1.4rem_2.6rem_1fr] items-center gap-2 text-left"
				aria-expanded={on}
				onclick={() => (desk.chosen = on ? undefined : m.regionId)}
			>
				<span class="figure">{i + 1}</span>
				<span class="block h-8 border border-soft" style:background-color={m.hex ?? 'transparent'}
				></span>
				<span class="leading-tight">
					<span class="font-semibold">{m.name}</span>{m.factory ? ' · factory colour' : ''}
					{#if m.sample}
						<span class="figure block text-soft">
							L* {one(m.sample.median.l)} a* {one(m.sample.median.a)} b* {one(m.sample.median.b)} ± {one(
								m.sample.uncertainty
							)}{m.fade ? ` · ΔE00 ${one(m.fade.deltaE00)}` : ''}
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
							scatter {one(m.sample.spread)} · {m.sample.pixels} pixels{m.sample.clippedShare > 0.01
								? ` · ${Math.round(m.sample.clippedShare * 100)} % glare left out`
								: ''}{m.inGamut ? '' : ' · outside what the screen shows'}
						</p>
					{/if}
					{#if m.fade}
						<p class="figure">
							ΔL {signed(m.fade.deltaL)} · ΔC {signed(m.fade.deltaC)} · ΔH {signed(m.fade.deltaH)} · ΔE00
							{one(m.fade.deltaE00)}: {inWords(m.fade)} than the factory colour
						</p>
					{/if}
					<div class="flex flex-wrap items-center gap-2">
						<input
							class="w-40"
							aria-label="Name of region {i + 1}"
							value={region.name}
							onchange={(e) =>
								void desk.changeRegion(region.id, { name: e.currentTarget.value }, 'Region named')}
						/>
						<select
							aria-label="Zone of region {i + 1}"
							value={region.zoneKey ?? ''}
							onchange={(e) =>
								void desk.changeRegion(region.id, { zoneKey: e.currentTarget.value || null })}
						>
							<option value="">no zone</option>
							{#each zones as z (z.zoneKey)}<option value={z.zoneKey}>{z.name}</option>{/each}
						</select>
					</div>
					<div class="flex gap-4">
						<button class="tag underline" onclick={() => void desk.nameFactory(region.id)}
							>{region.factory ? 'not the factory colour' : 'this is the factory colour'}</button
						>
						<button class="tag underline" onclick={() => void desk.dropRegion(region.id)}
							>take out</button
						>
					</div>
				</div>
			{/if}
		</li>
	{/each}
</ol>
