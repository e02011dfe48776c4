<script lang="ts">
	import BandEdge from '$lib/core-sample/band-edge.svelte';
	import { stateOf, type BottleView, type Light } from './shelf';

	/** A stick dipped into the paint: its colour under the lamp, the finish in its edge, what is left beside it. */
	type Props = { bottle: BottleView; light: Light; chosen: boolean; onpick: () => void };

	let { bottle, light, chosen, onpick }: Props = $props();

	const b = $derived(bottle.bottle);
	const colour = $derived(bottle.under[light]);
	const edges: Record<string, string> = {
		gloss: 'GLOSS',
		'semi-gloss': 'SEMI_GLOSS',
		satin: 'SATIN',
		flat: 'MATTE',
		powder: 'LOOSE'
	};
	const left = $derived(b.fullMl ? Math.min(1, b.amountMl / b.fullMl) : 0);
	const ink = $derived((b.colour?.l ?? 60) > 55 ? '#111' : '#eee');
	const state = $derived(stateOf(bottle));
</script>

<button
	class="group flex w-[4.6rem] flex-col items-stretch gap-0.5 text-left {chosen
		? 'outline-3 outline-offset-2 outline-ink'
		: ''}"
	onclick={onpick}
	aria-label="{b.name}{state ? `, ${state}` : ''}{bottle.mixes ? '' : ', cannot be mixed'}"
	title={bottle.provenance}
>
	<svg viewBox="0 0 70 62" class="block w-full text-[#141414]" aria-hidden="true">
		{#if colour}
			<rect x="0" y="10" width="62" height="52" fill={colour} />
			<BandEdge
				finish={edges[b.finish ?? 'flat'] ?? 'MATTE'}
				x={0}
				y={10}
				width={62}
				{ink}
				wet={false}
			/>
			{#if b.kind === 'METALLIC'}
				{#each [18, 30, 42, 54] as y (y)}
					<line x1="0" x2="62" y1={y} y2={y - 6} stroke="#fff" stroke-width="1" opacity="0.7" />
				{/each}
			{:else if b.kind === 'FLUORESCENT'}
				<circle cx="31" cy="38" r="13" fill="none" stroke="#fff" stroke-width="2" />
			{/if}
		{:else}
			<rect
				x="0.75"
				y="10.75"
				width="60.5"
				height="50.5"
				fill="none"
				stroke="currentColor"
				stroke-dasharray="4 3"
				stroke-width="1.2"
			/>
		{/if}
		<rect
			x="65"
			y="10"
			width="3"
			height="52"
			fill="none"
			stroke="currentColor"
			stroke-width="0.7"
		/>
		<rect x="65" y={62 - 52 * left} width="3" height={52 * left} fill="currentColor" />
	</svg>
	<span class="font-label text-[0.85rem] leading-tight font-semibold text-[#0a0a0a]">{b.name}</span>
	{#if state}<span class="font-label text-[0.78rem] leading-tight text-[#0a0a0a]">! {state}</span
		>{/if}
</button>
