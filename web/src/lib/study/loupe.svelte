<script lang="ts">
	import type { PhotoMarks } from './marks.svelte';

	/** Enlarges the photograph about the chosen mark. */
	type Props = { marks: PhotoMarks; src: string; outline: string; shown: boolean };

	let { marks, src, outline, shown }: Props = $props();

	const loupe = $derived(marks.width * 0.045);
	const loupeRight = $derived(marks.focus.x < marks.width / 2);
	const loupeLow = $derived(marks.focus.y < marks.height / 2);
</script>

<!-- the loupe lies on the far side of what it enlarges -->
<div
	class="pointer-events-none absolute h-36 w-36 overflow-hidden rounded-full border-2 border-white outline-2 outline-black {loupeRight
		? 'right-2'
		: 'left-2'} {loupeLow ? 'bottom-2' : 'top-2'} {shown ? '' : 'hidden'}"
	aria-hidden="true"
>
	<svg
		viewBox="{marks.focus.x - loupe} {marks.focus.y - loupe} {2 * loupe} {2 * loupe}"
		class="h-full w-full bg-black"
	>
		<image href={src} width={marks.width} height={marks.height} />
		{#if !marks.curved}<polygon
				points={outline}
				fill="none"
				stroke="#fff"
				stroke-width={loupe * 0.02}
			/>{/if}
		<path
			d="M{marks.focus.x - loupe} {marks.focus.y} h{loupe * 0.85} m{loupe * 0.3} 0 h{loupe *
				0.85} M{marks.focus.x} {marks.focus.y - loupe} v{loupe * 0.85} m0 {loupe * 0.3} v{loupe *
				0.85}"
			stroke="#fff"
			stroke-width={loupe * 0.015}
		/>
	</svg>
</div>
