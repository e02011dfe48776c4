<script lang="ts">
	import type { Schemas } from '$lib/api/client';
	import type { Side } from '$lib/study/sides';
	import { frameOf } from './frame';

	/** A small drawing of which edges are meant: the frame that size and corners go by, with a mark on each corner. */
	type Props = { kind: Schemas['Job']['kind']; side: Side };
	let { kind, side }: Props = $props();

	const f = $derived(frameOf(kind, side));
	// the frame lies in 12..108 by 8..48; wheels stand on its lower edge
	const CORNERS = [
		[12, 8],
		[108, 8],
		[108, 48],
		[12, 48]
	] as const;
</script>

<figure class="flex flex-wrap items-center gap-x-4 gap-y-1">
	<svg viewBox="0 0 120 56" class="block h-20 w-44 text-ink" aria-hidden="true">
		<g fill="var(--c-sunk)" stroke="currentColor" stroke-width="1">
			{#if f.shape === 'car'}
				<rect x="12" y="8" width="96" height="27" />
				<rect x="18" y="35" width="84" height="3" fill="currentColor" stroke="none" />
				<circle cx="32" cy="42" r="6" /><circle cx="88" cy="42" r="6" />
				<path d="M4 37H12M108 37H116" />
			{:else if f.shape === 'end'}
				<rect x="12" y="8" width="96" height="29" />
				<path d="M34 37V48M42 37V48M78 37V48M86 37V48" />
			{:else if f.shape === 'house'}
				<path d="M6 8L60 1L114 8Z" />
				<rect x="12" y="8" width="96" height="40" />
				<path d="M28 48V26H40V48M60 20H76V32H60Z" />
			{:else if f.shape === 'plan'}
				<rect x="12" y="8" width="96" height="40" />
				<path d="M12 28H108" />
			{:else}
				<rect x="12" y="8" width="96" height="40" />
			{/if}
		</g>
		{#if f.shape === 'car' || f.shape === 'end' || f.shape === 'house'}
			<path d="M0 48.6H120" stroke="currentColor" stroke-width="1.6" />
		{/if}
		<rect
			x="12"
			y="8"
			width="96"
			height="40"
			fill="none"
			stroke="currentColor"
			stroke-width="1"
			stroke-dasharray="3 2"
		/>
		{#each CORNERS as [x, y] (`${x} ${y}`)}
			<circle
				cx={x}
				cy={y}
				r="3.4"
				fill="var(--c-ground)"
				stroke="currentColor"
				stroke-width="1.4"
			/>
		{/each}
	</svg>
	<figcaption class="text-soft">
		Length {f.length}.<br />Height {f.height}.
	</figcaption>
</figure>
