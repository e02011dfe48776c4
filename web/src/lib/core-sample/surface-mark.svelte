<script lang="ts">
	import type { Surface } from './core';

	/** What is wrong with a surface for the step that meets it, drawn beside colour: read by its shape. */
	type Props = { kind: Surface; x: number; y: number; width: number };

	let { kind, x, y, width }: Props = $props();

	const at = $derived(Array.from({ length: 6 }, (_, i) => x + (width / 6) * (i + 0.5)));
	const path = $derived(
		kind === 'slick'
			? at.map((d) => `M${d - 3} ${y - 2} h6 m-6 -5 h6`).join(' ')
			: kind === 'rough'
				? `M${x} ${y} ` + at.map((d) => `L${d - 2} ${y - 8} L${d + 3} ${y}`).join(' ')
				: at.map((d, i) => `M${d} ${y} v${i % 2 ? 9 : 15}`).join(' ')
	);
</script>

<g data-surface={kind}>
	{#if kind === 'loose'}
		{#each at as d (d)}<circle
				cx={d}
				cy={y - 3}
				r="3"
				fill="none"
				stroke="var(--c-sheet)"
				stroke-width="4"
			/><circle
				cx={d}
				cy={y - 3}
				r="3"
				fill="none"
				stroke="currentColor"
				stroke-width="1.6"
			/>{/each}
	{:else}
		<path d={path} fill="none" stroke="var(--c-sheet)" stroke-width="5" />
		<path d={path} fill="none" stroke="currentColor" stroke-width="2.2" />
	{/if}
</g>
