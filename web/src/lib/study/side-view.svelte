<script lang="ts">
	import type { Schemas } from '$lib/api/client';
	import RegionMark from './region-mark.svelte';
	import { className, type Side, type WeatherClass } from './sides';
	import type { Region, StudyDesk } from './study-desk.svelte';
	import { Viewport } from './viewport.svelte';

	/**
	 * The flat side in prototype millimetres, with what is measured on it. A drag marks what was chosen
	 * above it: a region, a place to leave out, an edge, a piece to cut, or a sample of a class.
	 */
	type Props = {
		photoId: string;
		stamp: string;
		side: Side;
		lengthMm: number;
		heightMm: number;
		desk: StudyDesk;
		colours: Schemas['Measures']['colours'] | undefined;
	};

	let { photoId, stamp, side, lengthMm, heightMm, desk, colours }: Props = $props();

	type Verb = Region['role'] | 'SAMPLE';
	const VERBS: { key: Verb; label: string }[] = [
		{ key: 'MEASURE', label: 'measures' },
		{ key: 'EXCLUDE', label: 'leaves out' },
		{ key: 'EDGE', label: 'follows an edge' },
		{ key: 'CUT', label: 'cuts a piece' },
		{ key: 'SAMPLE', label: 'shows' }
	];
	const KINDS: WeatherClass[] = [
		'PAINT',
		'FRESH_RUST',
		'OLD_RUST',
		'GRIME',
		'DUST',
		'SOOT',
		'WHITE_MINERAL',
		'BARE_METAL',
		'OTHER'
	];

	let svg = $state<SVGSVGElement>();
	let start = $state<{ x: number; y: number }>();
	let end = $state<{ x: number; y: number }>();
	let panning = $state<{ x: number; y: number }>();
	let shownWidth = $state(800);
	let verb = $state<Verb>('MEASURE');
	let kind = $state<WeatherClass>('PAINT');
	let only = $state<WeatherClass>();

	const view = new Viewport(
		() => lengthMm,
		() => heightMm
	);
	const unit = $derived(view.box.width / Math.max(1, shownWidth));
	const regions = $derived(desk.regions.filter((r) => r.side === side));
	const samples = $derived(desk.samples.filter((s) => s.photographId === photoId));
	const sampled = $derived(Object.keys(colours ?? {}) as WeatherClass[]);
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
	const href = $derived(
		only && sampled.includes(only)
			? `/api/photographs/${photoId}/class?kind=${only}&at=${stamp}-${samples.map((s) => s.id).join('')}`
			: `/api/photographs/${photoId}/side?at=${stamp}`
	);

	function place(event: PointerEvent) {
		const box = svg?.getBoundingClientRect();
		if (!box) return { x: 0, y: 0 };
		const b = view.box;
		return {
			x: Math.min(Math.max(b.x + ((event.clientX - box.left) / box.width) * b.width, 0), lengthMm),
			y: Math.min(Math.max(b.y + ((event.clientY - box.top) / box.height) * b.height, 0), heightMm)
		};
	}

	function press(event: PointerEvent) {
		if (event.shiftKey && view.zoom > 1) {
			panning = { x: event.clientX, y: event.clientY };
			svg?.setPointerCapture(event.pointerId);
			return;
		}
		const p = place(event);
		const hit = [...regions]
			.reverse()
			.find(
				(r) => p.x >= r.xMm && p.x <= r.xMm + r.widthMm && p.y >= r.yMm && p.y <= r.yMm + r.heightMm
			);
		if (verb !== 'SAMPLE' && hit && hit.id !== desk.chosen) {
			desk.chosen = hit.id;
			return;
		}
		start = p;
		end = p;
		svg?.setPointerCapture(event.pointerId);
	}

	function drag(event: PointerEvent) {
		if (panning) {
			const box = svg?.getBoundingClientRect();
			if (!box) return;
			view.move((panning.x - event.clientX) / box.width, (panning.y - event.clientY) / box.height);
			panning = { x: event.clientX, y: event.clientY };
		} else if (start) {
			end = place(event);
		}
	}

	function release() {
		const d = draft;
		const ends = start && end ? [start, end] : [];
		start = end = panning = undefined;
		if (!d) return;
		if (verb === 'SAMPLE') {
			if (d.widthMm > 3 * unit && d.heightMm > 3 * unit)
				void desk.addSample({ ...d, photographId: photoId, kind });
		} else if (verb === 'EDGE') {
			if (Math.max(d.widthMm, d.heightMm) > 12 * unit) mark('EDGE', d, ends);
		} else if (d.widthMm > 12 * unit && d.heightMm > 6 * unit) {
			mark(verb, d, []);
		}
	}

	type Box = { xMm: number; yMm: number; widthMm: number; heightMm: number };
	function mark(role: Region['role'], box: Box, outline: Region['outline']) {
		void desk.addRegion({
			...box,
			widthMm: Math.max(1, box.widthMm),
			heightMm: Math.max(1, box.heightMm),
			zoneKey: null,
			side,
			role,
			outline
		});
	}

	function wheel(event: WheelEvent) {
		const box = svg?.getBoundingClientRect();
		if (!box || !(event.ctrlKey || view.zoom > 1 || event.deltaY < 0)) return;
		event.preventDefault();
		view.by(
			event.deltaY < 0 ? 1.25 : 1 / 1.25,
			(event.clientX - box.left) / box.width,
			(event.clientY - box.top) / box.height
		);
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
			const b = view.box;
			const box = {
				xMm: b.x + b.width * 0.45,
				yMm: b.y + b.height * 0.4,
				widthMm: b.width * 0.1,
				heightMm: b.height * 0.15
			};
			if (verb === 'SAMPLE') {
				void desk.addSample({ ...box, photographId: photoId, kind });
			} else {
				const y = box.yMm + box.heightMm / 2;
				const ends =
					verb === 'EDGE'
						? [
								{ x: box.xMm, y },
								{ x: box.xMm + box.widthMm, y }
							]
						: [];
				mark(verb, verb === 'EDGE' ? { ...box, yMm: y, heightMm: 1 } : box, ends);
			}
		} else if (event.key === '+' || event.key === '-') {
			event.preventDefault();
			view.by(event.key === '+' ? 1.5 : 1 / 1.5);
		} else if (move && r && r.side === side && r.outline.length === 0) {
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
		} else if (move && view.zoom > 1) {
			event.preventDefault();
			view.move(Math.sign(move[0]) / 8, Math.sign(move[1]) / 8);
		}
	}
</script>

<div class="mb-1 flex flex-wrap items-baseline gap-x-4 gap-y-1" role="group" aria-label="A drag">
	<span class="tag">A drag</span>
	{#each VERBS as v (v.key)}
		<button
			class="min-h-7 border-b-2 font-label text-[1.02rem] font-semibold {verb === v.key
				? 'border-ink'
				: 'border-transparent text-soft'}"
			aria-pressed={verb === v.key}
			onclick={() => (verb = v.key)}>{v.label}</button
		>
	{/each}
	{#if verb === 'SAMPLE'}
		<select class="min-h-7" aria-label="Class of the sample" bind:value={kind}>
			{#each KINDS as k (k)}<option value={k}>{className(k)}</option>{/each}
		</select>
	{/if}
</div>
<!-- svelte-ignore a11y_no_noninteractive_tabindex, a11y_no_noninteractive_element_interactions -->
<div
	role="application"
	aria-label="The side, flat. m marks a region; arrow keys move the chosen one, with ctrl they size it; plus and minus zoom."
	tabindex="0"
	onkeydown={steer}
	bind:clientWidth={shownWidth}
>
	<svg
		bind:this={svg}
		viewBox={view.attribute}
		style:aspect-ratio={lengthMm / heightMm}
		class="block w-full cursor-crosshair touch-none bg-sunk select-none"
		onpointerdown={press}
		onpointermove={drag}
		onpointerup={release}
		onwheel={wheel}
		role="presentation"
	>
		<image {href} width={lengthMm} height={heightMm} preserveAspectRatio="none" />
		{#each regions as r, i (r.id)}
			<RegionMark region={r} number={i + 1} on={r.id === desk.chosen} {unit} />
		{/each}
		{#each samples as s (s.id)}
			<rect
				x={s.xMm}
				y={s.yMm}
				width={s.widthMm}
				height={s.heightMm}
				fill="none"
				stroke="#000"
				stroke-width={3.4 * unit}
			/>
			<rect
				x={s.xMm}
				y={s.yMm}
				width={s.widthMm}
				height={s.heightMm}
				fill="none"
				stroke="#fff"
				stroke-width={1.4 * unit}
				stroke-dasharray="{1.5 * unit} {2 * unit}"
			/>
			{#if verb === 'SAMPLE'}
				<text
					x={s.xMm}
					y={s.yMm - 4 * unit}
					font-size={12 * unit}
					fill="#fff"
					stroke="#000"
					stroke-width={3 * unit}
					paint-order="stroke"
					class="font-label font-semibold">{className(s.kind)}</text
				>
			{/if}
		{/each}
		{#if draft && verb === 'EDGE' && start && end}
			<line
				x1={start.x}
				y1={start.y}
				x2={end.x}
				y2={end.y}
				stroke="#fff"
				stroke-width={2 * unit}
				stroke-dasharray={4 * unit}
			/>
		{:else if draft}
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
	<svg
		viewBox="{view.box.x} 0 {view.box.width} {26 * unit}"
		class="block w-full text-ink"
		aria-hidden="true"
	>
		<g transform="translate({view.box.x} 0)">
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
</div>
<div class="flex flex-wrap items-baseline gap-x-4 gap-y-1">
	{#if view.zoom > 1}
		<button class="tag underline" onclick={() => view.whole()}>whole side</button>
		<span class="tag normal-case">shift and drag, or arrows, move about</span>
	{/if}
	{#if sampled.length}
		<span class="tag">Show only</span>
		{#each sampled as c (c)}
			<button
				class="inline-flex min-h-7 items-center gap-1.5 border-b-2 font-label font-medium {only ===
				c
					? 'border-ink'
					: 'border-transparent text-soft'}"
				aria-pressed={only === c}
				onclick={() => {
					only = only === c ? undefined : c;
					if (only) {
						verb = 'SAMPLE';
						kind = c;
					}
				}}
				><span class="block h-3 w-4 border border-soft" style:background-color={colours?.[c]}
				></span>{className(c)}</button
			>
		{/each}
	{/if}
</div>
{#if only}
	<p class="text-soft" role="status">
		What is taken for {className(only)} keeps its colour. Where that is wrong, drag over it: it then shows
		<select class="mx-1" aria-label="What it really shows" bind:value={kind}>
			{#each KINDS as k (k)}<option value={k}>{className(k)}</option>{/each}
		</select>
	</p>
{/if}
{#if verb === 'SAMPLE' && samples.length}
	<ul class="mt-1 flex flex-wrap gap-x-4">
		{#each samples as s (s.id)}
			<li class="flex items-baseline gap-1.5">
				<span>{className(s.kind)}</span><span class="figure text-soft"
					>{Math.round(s.xMm)}, {Math.round(s.yMm)} mm</span
				>
				<button
					class="tag underline"
					aria-label="Take the sample of {className(s.kind)} out"
					onclick={() => void desk.dropSample(s.id)}>take out</button
				>
			</li>
		{/each}
	</ul>
{/if}
