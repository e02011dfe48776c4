<script lang="ts">
	import type { Drawn } from './zones';

	/** The subject from its left side, zone by zone. Zones can be chosen; `marked` ones are hatched. */
	type Props = {
		zones: Drawn[];
		axles: number[];
		marked?: string[];
		colours?: Record<string, string>;
		onchoose?: (zone: string) => void;
		/** A box was drawn on the side, in shares of it. */
		ondraw?: (box: { x: number; y: number; width: number; height: number }) => void;
		ratio: number;
		label: string;
	};

	let { zones, axles, marked = [], colours = {}, onchoose, ondraw, ratio, label }: Props = $props();

	const id = $props.id();
	const W = 1000;
	const H = $derived(Math.round(W / Math.min(6, Math.max(1.2, ratio))));
	const seen = $derived(zones.filter((z) => z.box && z.key !== 'wheels'));
	const wheelFill = $derived(colours['wheels'] ?? 'var(--c-sunk)');
	const wheelsMarked = $derived(marked.includes('wheels'));
	type Place = { x: number; y: number };
	let from = $state<Place>();
	let to = $state<Place>();
	const drawn = $derived(
		from && to
			? {
					x: Math.min(from.x, to.x),
					y: Math.min(from.y, to.y),
					width: Math.abs(to.x - from.x),
					height: Math.abs(to.y - from.y)
				}
			: undefined
	);
	/** Where the pointer is, in shares of the side. */
	function place(event: PointerEvent): Place | undefined {
		const svg = event.currentTarget as SVGSVGElement;
		const at = svg.getScreenCTM()?.inverse();
		if (!at) return undefined;
		const p = new DOMPoint(event.clientX, event.clientY).matrixTransform(at);
		const clamp = (v: number) => Math.min(1, Math.max(0, v));
		return { x: clamp(p.x / W), y: clamp(p.y / H) };
	}
	function over() {
		const box = drawn;
		[from, to] = [undefined, undefined];
		if (box && box.width > 0.01 && box.height > 0.01) ondraw?.(box);
	}
	const unseen = $derived(zones.filter((z) => !z.box));
</script>

<div>
	<svg
		viewBox="-8 -8 {W + 16} {H + 16}"
		class="block max-h-56 w-full text-ink {ondraw ? 'cursor-crosshair touch-none' : ''}"
		role="img"
		aria-label={label}
		onpointerdown={(e) => ondraw && ([from, to] = [place(e), place(e)])}
		onpointermove={(e) => from && (to = place(e))}
		onpointerup={over}
		onpointerleave={() => ([from, to] = [undefined, undefined])}
	>
		<defs>
			<pattern
				id="{id}-hatch"
				width="9"
				height="9"
				patternUnits="userSpaceOnUse"
				patternTransform="rotate(45)"
			>
				<line x1="0" x2="0" y1="0" y2="9" stroke="currentColor" stroke-width="2.2" />
			</pattern>
		</defs>
		{#each axles as x (x)}
			<circle
				cx={x * W}
				cy={H * 0.87}
				r={H * 0.12}
				fill={wheelFill}
				stroke="currentColor"
				stroke-width={wheelsMarked ? 4 : 1.5}
			/>
			{#if wheelsMarked}<circle
					cx={x * W}
					cy={H * 0.87}
					r={H * 0.12}
					fill="url(#{id}-hatch)"
					opacity="0.55"
				/>{/if}
			<circle cx={x * W} cy={H * 0.87} r={H * 0.03} fill="var(--c-soft)" />
		{/each}
		<line x1="-8" x2={W + 8} y1={H} y2={H} stroke="var(--c-soft)" stroke-width="4" />
		{#each seen as z (z.key)}
			{@const b = z.box}
			{#if b}
				<!-- svelte-ignore a11y_click_events_have_key_events, a11y_no_static_element_interactions -->
				<g onclick={() => onchoose?.(z.key)} class={onchoose ? 'cursor-pointer' : ''}>
					<title>{z.name}</title>
					<rect
						x={b.x * W}
						y={b.y * H}
						width={b.width * W}
						height={b.height * H}
						fill={colours[z.key] ?? 'var(--c-sunk)'}
						stroke="currentColor"
						stroke-width={marked.includes(z.key) ? 4 : 1.5}
					/>
					{#if marked.includes(z.key)}
						<rect
							x={b.x * W}
							y={b.y * H}
							width={b.width * W}
							height={b.height * H}
							fill="url(#{id}-hatch)"
							opacity="0.55"
						/>
					{/if}
				</g>
			{/if}
		{/each}
		{#if drawn}
			<rect
				x={drawn.x * W}
				y={drawn.y * H}
				width={drawn.width * W}
				height={drawn.height * H}
				fill="none"
				stroke="currentColor"
				stroke-width="5"
				stroke-dasharray="14 8"
			/>
		{/if}
	</svg>
	{#if unseen.length}
		<p class="tag mt-1">
			Not seen from here: {unseen
				.map((z) => (marked.includes(z.key) ? `▨ ${z.name}` : z.name))
				.join(', ')}
		</p>
	{/if}
</div>
