<script lang="ts">
	/**
	 * A bar of so many prototype mm under a picture that shows `width` of them from `left`; a unit is a
	 * pixel of the screen.
	 */
	type Props = { left: number; width: number; unit: number; bar: number };

	let { left, width, unit, bar }: Props = $props();
</script>

<svg viewBox="{left} 0 {width} {26 * unit}" class="block w-full text-ink" aria-hidden="true">
	<g transform="translate({left} 0)">
		<path
			d="M0 {4 * unit} H{bar} M0 {unit} V{9 * unit} M{bar} {unit} V{9 * unit}"
			stroke="currentColor"
			stroke-width={2 * unit}
			fill="none"
		/>
		<text
			x={bar + 6 * unit}
			y={12 * unit}
			font-size={13 * unit}
			class="fill-ink font-label font-semibold">{bar / 1000} m of the prototype</text
		>
	</g>
</svg>
