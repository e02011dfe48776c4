<script lang="ts">
	import type { StudyDesk } from './study-desk.svelte';

	/** The rectified side in prototype millimetres, with the regions that are measured on it. Drag to mark a new one. */
	type Props = {
		photoId: string;
		stamp: string;
		lengthMm: number;
		heightMm: number;
		desk: StudyDesk;
	};

	let { photoId, stamp, lengthMm, heightMm, desk }: Props = $props();

	let svg = $state<SVGSVGElement>();
	let start = $state<{ x: number; y: number }>();
	let end = $state<{ x: number; y: number }>();
	let shownWidth = $state(800);

	const unit = $derived(lengthMm / Math.max(1, shownWidth));
	const draft = $derived(
		start && end
			? {
					xMm: Math.min(start.x, end.x),
					yMm: Math.min(start.y, end.y),
					widthMm: Math.abs(end.x - start.x),
					heightMm: Math.abs(end.y - start.y)
				}
			: undefined
	);
	const bar = $derived(lengthMm > 4000 ? 1000 : 500);

	function place(event: PointerEvent) {
		const box = svg?.getBoundingClientRect();
		if (!box) return { x: 0, y: 0 };
		return {
			x: Math.min(Math.max(((event.clientX - box.left) / box.width) * lengthMm, 0), lengthMm),
			y: Math.min(Math.max(((event.clientY - box.top) / box.height) * heightMm, 0), heightMm)
		};
	}

	function press(event: PointerEvent) {
		const p = place(event);
		const hit = [...desk.regions]
			.reverse()
			.find(
				(r) => p.x >= r.xMm && p.x <= r.xMm + r.widthMm && p.y >= r.yMm && p.y <= r.yMm + r.heightMm
			);
		if (hit && hit.id !== desk.chosen) {
			desk.chosen = hit.id;
			return;
		}
		start = p;
		end = p;
		svg?.setPointerCapture(event.pointerId);
	}

	function release() {
		const d = draft;
		start = end = undefined;
		if (d && d.widthMm > 12 * unit && d.heightMm > 6 * unit) {
			void desk.addRegion({ ...d, zoneKey: null });
		}
	}

	function steer(event: KeyboardEvent) {
		const step = event.shiftKey ? 100 : 20;
		const r = desk.chosenRegion;
		const by: Record<string, [number, number]> = {
			ArrowLeft: [-step, 0],
			ArrowRight: [step, 0],
			ArrowUp: [0, -step],
			ArrowDown: [0, step]
		};
		const move = by[event.key];
		if (event.key === 'm') {
			event.preventDefault();
			event.stopPropagation();
			void desk.addRegion({
				xMm: lengthMm * 0.45,
				yMm: heightMm * 0.4,
				widthMm: lengthMm * 0.1,
				heightMm: heightMm * 0.15,
				zoneKey: null
			});
		} else if (move && r) {
			event.preventDefault();
			const fit = (v: number, most: number) => Math.min(Math.max(v, 0), most);
			const next = event.ctrlKey
				? {
						widthMm: Math.min(Math.max(r.widthMm + move[0], 20), lengthMm - r.xMm),
						heightMm: Math.min(Math.max(r.heightMm + move[1], 20), heightMm - r.yMm)
					}
				: {
						xMm: fit(r.xMm + move[0], lengthMm - r.widthMm),
						yMm: fit(r.yMm + move[1], heightMm - r.heightMm)
					};
			void desk.changeRegion(r.id, next, 'Region moved');
		}
	}
</script>

<!-- svelte-ignore a11y_no_noninteractive_tabindex, a11y_no_noninteractive_element_interactions -->
<div
	role="application"
	aria-label="The side, flat. m marks a region; arrow keys move the chosen one, with ctrl they size it."
	tabindex="0"
	onkeydown={steer}
	bind:clientWidth={shownWidth}
>
	<svg
		bind:this={svg}
		viewBox="0 0 {lengthMm} {heightMm}"
		class="block w-full cursor-crosshair touch-none bg-sunk"
		onpointerdown={press}
		onpointermove={(e) => start && (end = place(e))}
		onpointerup={release}
		role="presentation"
	>
		<image
			href="/api/photographs/{photoId}/side?at={stamp}"
			width={lengthMm}
			height={heightMm}
			preserveAspectRatio="none"
		/>
		{#each desk.regions as r, i (r.id)}
			{@const on = r.id === desk.chosen}
			<g>
				<rect
					x={r.xMm}
					y={r.yMm}
					width={r.widthMm}
					height={r.heightMm}
					fill="none"
					stroke="#000"
					stroke-width={(on ? 6 : 4) * unit}
				/>
				<rect
					x={r.xMm}
					y={r.yMm}
					width={r.widthMm}
					height={r.heightMm}
					fill="none"
					stroke="#fff"
					stroke-width={(on ? 3 : 1.6) * unit}
					stroke-dasharray={r.factory ? `${6 * unit} ${3 * unit}` : undefined}
				/>
				<text
					x={r.xMm + 4 * unit}
					y={r.yMm + 16 * unit}
					font-size={15 * unit}
					fill="#fff"
					stroke="#000"
					stroke-width={3 * unit}
					paint-order="stroke"
					class="font-label font-semibold">{i + 1}</text
				>
			</g>
		{/each}
		{#if draft}
			<rect
				x={draft.xMm}
				y={draft.yMm}
				width={draft.widthMm}
				height={draft.heightMm}
				fill="none"
				stroke="#fff"
				stroke-width={2 * unit}
				stroke-dasharray={4 * unit}
			/>
		{/if}
	</svg>
	<svg viewBox="0 0 {lengthMm} {26 * unit}" class="block w-full text-ink" aria-hidden="true">
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
	</svg>
</div>
