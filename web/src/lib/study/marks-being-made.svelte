<script lang="ts">
	import type { Schemas } from '$lib/api/client';
	import Outlined from './outlined.svelte';
	import type { SideMarking } from './side-marking.svelte';
	import { className } from './sides';

	/** Samples, and what is being dragged, cornered or aimed, on the side in prototype mm. */
	type Props = { marking: SideMarking; samples: Schemas['JobSample'][]; unit: number };

	let { marking, samples, unit }: Props = $props();
</script>

{#each samples as s (s.id)}
	<Outlined
		d="M{s.xMm} {s.yMm}h{s.widthMm}v{s.heightMm}h{-s.widthMm}Z"
		{unit}
		wide={1.4}
		dash={[1.5, 2]}
	/>
	{#if marking.verb === 'SAMPLE'}
		<text
			x={s.xMm}
			y={s.yMm - 4 * unit}
			font-size={12 * unit}
			fill="#fff"
			stroke="#000"
			stroke-width={3 * unit}
			paint-order="stroke"
			class="font-label font-semibold">{className(s.kind)}</text
		>
	{/if}
{/each}
{#if marking.ends && marking.verb === 'EDGE'}
	{@const [from, to] = marking.ends}
	<Outlined d="M{from.x} {from.y}L{to.x} {to.y}" {unit} wide={2} dash={[4]} />
{:else if marking.draft}
	{@const b = marking.draft}
	<Outlined
		d="M{b.xMm} {b.yMm}h{b.widthMm}v{b.heightMm}h{-b.widthMm}Z"
		{unit}
		wide={2}
		dash={[4]}
	/>
{/if}
{#if marking.corners.length}
	<Outlined
		d="M{marking.corners.map((p) => `${p.x} ${p.y}`).join('L')}"
		{unit}
		wide={2}
		dash={[4]}
	/>
	{#each marking.corners as p, i (i)}
		<circle
			cx={p.x}
			cy={p.y}
			r={(i === 0 ? 7 : 4) * unit}
			fill={i === 0 ? 'none' : '#fff'}
			stroke={i === 0 ? '#fff' : '#000'}
			stroke-width={2 * unit}
		/>
	{/each}
{/if}
{#if marking.aim}
	{@const p = marking.aim}
	{@const arm = 11 * unit}
	<Outlined d="M{p.x - arm} {p.y}h{2 * arm}M{p.x} {p.y - arm}v{2 * arm}" {unit} wide={2} />
{/if}
