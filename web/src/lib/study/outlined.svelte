<script lang="ts">
	/** A line that stands out of any picture: white on black. Widths and dashes are pixels of the screen. */
	type Props = { d: string; unit: number; wide: number; dash?: number[] | undefined };

	let { d, unit, wide, dash = [] }: Props = $props();
</script>

<path {d} fill="none" stroke="#000" stroke-width={(wide + 2.4) * unit} />
<path
	{d}
	fill="none"
	stroke="#fff"
	stroke-width={wide * unit}
	stroke-dasharray={dash.map((n) => n * unit).join(' ')}
/>
