<script lang="ts">
	import Outlined from './outlined.svelte';
	import type { Region } from './study-desk.svelte';

	/** A region on the flat side: what it is for shows in its line, not in a colour. */
	type Props = { region: Region; number: number; on: boolean; unit: number };

	let { region: r, number, on, unit }: Props = $props();

	const dash = $derived(r.factory ? [6, 3] : r.role === 'CUT' ? [10, 3, 2, 3] : undefined);
	const path = $derived(
		r.outline.length
			? `M${r.outline.map((p) => `${p.x} ${p.y}`).join('L')}${r.role === 'EDGE' ? '' : 'Z'}`
			: `M${r.xMm} ${r.yMm}h${r.widthMm}v${r.heightMm}h${-r.widthMm}Z`
	);
	const cross = $derived(
		`M${r.xMm} ${r.yMm}l${r.widthMm} ${r.heightMm}M${r.xMm} ${r.yMm + r.heightMm}l${r.widthMm} ${-r.heightMm}`
	);
</script>

<Outlined d={path} {unit} wide={on ? 3 : 1.6} {dash} />
{#if r.role === 'EXCLUDE'}
	<Outlined d={cross} {unit} wide={1.2} />
{/if}
<text
	x={r.xMm + 4 * unit}
	y={r.yMm + (r.role === 'EDGE' ? -5 : 16) * unit}
	font-size={15 * unit}
	fill="#fff"
	stroke="#000"
	stroke-width={3 * unit}
	paint-order="stroke"
	class="font-label font-semibold">{number}</text
>
