<script lang="ts">
	import type { Schemas } from '$lib/api/client';
	import BandEdge from './band-edge.svelte';
	import SurfaceMark from './surface-mark.svelte';
	import { describe, inkOn, place, type Core, type Surface } from './core';

	/**
	 * The coats on one zone as a core: band height by film, finish in the upper edge, clears with a closed side, planned coats
	 * with an open one. `reach` draws how deep a carrier goes.
	 */
	type Props = {
		core: Core;
		height?: number;
		chosen?: string | undefined;
		reach?: Schemas['ReachView'] | undefined;
		/** Whether a coat comes after the step that is looked at. */
		later?: (stepId: string) => boolean;
		surface?: Surface | undefined;
		onchoose?: (stepId: string | undefined) => void;
	};

	let { core, height = 230, chosen, reach, later, surface, onchoose }: Props = $props();

	const id = $props.id();
	const W = 62;
	const X = 12;
	const laid = $derived(place(core, height));
	const topOf = (band: number) =>
		band >= 0 ? (laid.bands[band]?.top ?? laid.baseTop) : laid.baseTop + (band === -1 ? 2 : 8);
	const met = $derived((reach?.met ?? []).filter((m) => m.effect !== 'UNTOUCHED'));
	const arrow = $derived.by(() => {
		const first = reach?.met[0];
		if (!first) return undefined;
		const last = met.at(-1);
		return {
			from: topOf(first.band) - 14,
			to: last ? topOf(last.band) + 6 : topOf(first.band) - 2
		};
	});
	// the surface that the chosen step meets: the top of what lies before it
	const metY = $derived.by(() => {
		const before = laid.bands.filter((b) => b.stepId !== chosen && !later?.(b.stepId));
		return before.at(-1)?.top ?? laid.baseTop;
	});
	const surfaceY = $derived(laid.bands.at(-1)?.top ?? laid.baseTop);
</script>

<figure class="flex w-[5.4rem] shrink-0 flex-col items-center">
	<svg
		width="86"
		{height}
		viewBox="0 0 86 {height}"
		role="img"
		aria-label={describe(core)}
		class="text-ink"
	>
		<defs>
			<pattern
				id="{id}-soft"
				width="6"
				height="6"
				patternUnits="userSpaceOnUse"
				patternTransform="rotate(45)"
			>
				<line x1="0" x2="0" y1="0" y2="6" stroke="#fff" stroke-width="2" />
				<line x1="2" x2="2" y1="0" y2="6" stroke="#000" stroke-width="1.4" />
			</pattern>
			<pattern id="{id}-broken" width="7" height="7" patternUnits="userSpaceOnUse">
				<path d="M0 0 L7 7 M7 0 L0 7" stroke="#fff" stroke-width="2.6" />
				<path d="M0 0 L7 7 M7 0 L0 7" stroke="#000" stroke-width="1.2" />
			</pattern>
		</defs>
		<!-- substrate: cut through, with the grain of what it is made of -->
		<rect x={X} y={laid.baseTop} width={W} height="30" fill={core.baseHex} />
		<BandEdge
			finish={core.substrateFinish}
			x={X}
			y={laid.baseTop}
			width={W}
			ink={inkOn(core.baseHex)}
			wet={false}
		/>
		{#if core.lettering}
			<rect x={X + 8} y={laid.baseTop} width="18" height="2.5" fill={inkOn(core.baseHex)} />
			<rect x={X + 34} y={laid.baseTop} width="14" height="2.5" fill={inkOn(core.baseHex)} />
		{/if}
		<path
			d="M{X} {height - 9} l9 5 l10 -6 l11 6 l10 -5 l12 6 l10 -6 V {height} H {X} Z"
			fill="var(--c-sheet)"
		/>
		<path
			d="M{X} {laid.baseTop} V{height - 9} M{X + W} {laid.baseTop} V{height - 9}"
			stroke="currentColor"
		/>
		{#each laid.bands as band (band.stepId)}
			<!-- svelte-ignore a11y_click_events_have_key_events, a11y_no_static_element_interactions -->
			<g
				onclick={() => onchoose?.(chosen === band.stepId ? undefined : band.stepId)}
				class={onchoose ? 'cursor-pointer' : ''}
				opacity={later?.(band.stepId) ? 0.28 : 1}
			>
				<title>{band.material}{band.done ? '' : ' (planned)'}</title>
				<rect
					x={X}
					y={band.top}
					width={W}
					height={band.height}
					fill={band.ownHex ?? band.surfaceHex}
				/>
				{#if band.clear}
					<path
						d="M{X + 5} {band.top} H{X} V{band.top + band.height} H{X + 5} M{X +
							W -
							5} {band.top} H{X + W} V{band.top + band.height} H{X + W - 5}"
						fill="none"
						stroke="currentColor"
						stroke-width="2.4"
					/>
				{:else}
					<path
						d="M{X} {band.top} V{band.top + band.height} M{X + W} {band.top} V{band.top +
							band.height}"
						stroke="currentColor"
						stroke-width="1"
						stroke-dasharray={band.done ? undefined : '2 2.5'}
					/>
				{/if}
				<BandEdge
					finish={band.setsFinish ? band.finish : 'KEPT'}
					x={X}
					y={band.top}
					width={W}
					ink={inkOn(band.ownHex ?? band.surfaceHex)}
					wet={band.done && band.cure < 0.3}
				/>
				{#if chosen === band.stepId}
					<path d="M{X - 10} {band.top + band.height / 2 - 5} l8 5 l-8 5 Z" fill="currentColor" />
				{/if}
			</g>
		{/each}
		{#each met as m (m.band)}
			{@const band = laid.bands[m.band]}
			<rect
				x={X}
				y={band ? band.top : topOf(m.band)}
				width={W}
				height={band ? band.height : 9}
				fill="url(#{id}-{m.effect === 'BROKEN' ? 'broken' : 'soft'})"
				opacity="0.85"
			/>
		{/each}
		{#if surface}
			<SurfaceMark kind={surface} x={X} y={metY} width={W} />
		{/if}
		{#if arrow}
			<path
				d="M80 {Math.max(2, arrow.from)} V{arrow.to} m-4 -6 l4 6 l4 -6"
				fill="none"
				stroke="currentColor"
				stroke-width="2"
			/>
		{/if}
		<!-- what shows from outside -->
		<rect
			x={X + 12}
			y={Math.max(0, surfaceY - 10)}
			width={W - 24}
			height="6"
			fill={core.surfaceHex}
			stroke="currentColor"
			stroke-width="0.6"
		/>
	</svg>
	<figcaption
		class="mt-1 min-h-[2.4em] text-center font-label text-[0.92rem] leading-tight font-medium"
	>
		{core.name}
	</figcaption>
</figure>
