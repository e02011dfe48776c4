<script lang="ts">
	/** The upper edge of a coat: its finish, drawn so that it reads without colour. */
	type Props = { finish: string; x: number; y: number; width: number; ink: string; wet: boolean };

	let { finish, x, y, width, ink, wet }: Props = $props();

	const dots = $derived(Array.from({ length: Math.floor(width / 5) }, (_, i) => x + 3 + i * 5));
</script>

{#if wet}
	<path
		d="M {x} {y} {dots.map((d, i) => `L ${d} ${y + (i % 2 ? -3 : 2)}`).join(' ')}"
		fill="none"
		stroke={ink}
		stroke-width="1.2"
		stroke-dasharray="3 2"
	/>
{:else if finish === 'KEPT'}
	<line x1={x} x2={x + width} y1={y} y2={y} stroke={ink} stroke-width="0.5" opacity="0.6" />
{:else if finish === 'GLOSS'}
	<rect {x} {y} {width} height="2.4" fill="#fff" />
	<rect {x} y={y + 2.4} {width} height="0.8" fill="#000" />
{:else if finish === 'SEMI_GLOSS'}
	<rect {x} y={y + 0.4} {width} height="1.2" fill={ink} />
{:else if finish === 'SATIN'}
	{#each [0.8, 2.8, 4.8] as dy (dy)}
		<line x1={x} x2={x + width} y1={y + dy} y2={y + dy} stroke={ink} stroke-width="0.6" />
	{/each}
{:else if finish === 'LOOSE'}
	{#each dots as d, i (d)}
		<circle
			cx={d}
			cy={y - (i % 2 ? 0.5 : 2)}
			r="1.7"
			fill="none"
			stroke="currentColor"
			stroke-width="0.9"
		/>
	{/each}
{:else}
	{#each dots as d, i (d)}
		<circle cx={d} cy={y + 1.4} r="0.75" fill={ink} />
		<circle cx={d + 2.5} cy={y + 3.6} r="0.75" fill={ink} opacity={i % 2 ? 0.9 : 0.6} />
	{/each}
{/if}
