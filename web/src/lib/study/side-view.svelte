<script lang="ts">
	import Select from '$lib/ui/select.svelte';
	import ClassOverlay from './class-overlay.svelte';
	import Choice from '$lib/ui/choice.svelte';
	import type { Schemas } from '$lib/api/client';
	import MarksBeingMade from './marks-being-made.svelte';
	import RegionMark from './region-mark.svelte';
	import SampleList from './sample-list.svelte';
	import ScaleBar from './scale-bar.svelte';
	import { SideMarking, type Place, type Verb } from './side-marking.svelte';
	import { CLASSES, type Side, type WeatherClass } from './sides';
	import type { StudyDesk } from './study-desk.svelte';
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
		/** What the photograph shows of it, where that is finer: drawn over it. */
		part?: Schemas['Measures']['part'] | undefined;
		/** Nothing but samples is picked on it: regions are marked on the prototype. */
		samplesOnly?: boolean;
	};

	let {
		photoId,
		stamp,
		side,
		lengthMm,
		heightMm,
		desk,
		colours,
		part,
		samplesOnly = false
	}: Props = $props();

	const VERBS: { key: Verb; label: string }[] = [
		{ key: 'MEASURE', label: 'measures' },
		{ key: 'EXCLUDE', label: 'leaves out' },
		{ key: 'EDGE', label: 'follows an edge' },
		{ key: 'CUT', label: 'cuts a piece' },
		{ key: 'SAMPLE', label: 'shows' }
	];
	const LONGEST_WAIT_MS = 1500;
	const ARROWS: Record<string, [number, number]> = {
		ArrowLeft: [-1, 0],
		ArrowRight: [1, 0],
		ArrowUp: [0, -1],
		ArrowDown: [0, 1]
	};

	let board = $state<HTMLDivElement>();
	let svg = $state<SVGSVGElement>();
	let shownWidth = $state(800);
	let only = $state<WeatherClass>();

	const view = new Viewport(
		() => lengthMm,
		() => heightMm
	);
	const unit = $derived(view.box.width / Math.max(1, shownWidth));
	// svelte-ignore state_referenced_locally
	const marking = new SideMarking(desk, () => ({
		photoId,
		side,
		lengthMm,
		heightMm,
		shown: view.box,
		unit
	}));
	// svelte-ignore state_referenced_locally
	if (samplesOnly) marking.verb = 'SAMPLE';
	const regions = $derived(desk.regions.filter((r) => r.side === side));
	const samples = $derived(desk.samples.filter((s) => s.photographId === photoId));
	const sampled = $derived(Object.keys(colours ?? {}) as WeatherClass[]);
	const bar = $derived(lengthMm > 4000 ? 1000 : 500);
	const href = $derived(
		`/api/photographs/${photoId}/` +
			(only && sampled.includes(only) ? `class?kind=${only}&` : 'even?') +
			`at=${stamp}-${samples.map((s) => s.id).join('')}`
	);

	// a detail is looked at as large as it can be, until someone looks about
	let looked = false;
	$effect(() => {
		if (!part || looked) return;
		looked = true;
		const { xMm, yMm, widthMm, heightMm } = part;
		if (view.zoom === 1) view.fit({ x: xMm, y: yMm, width: widthMm, height: heightMm });
	});

	// the overlay first: measuring anew beside it would make both wait
	let drawn: (() => void) | undefined;
	$effect(() => {
		desk.beforeMeasures = () =>
			only
				? new Promise((done) => {
						drawn = done;
						setTimeout(done, LONGEST_WAIT_MS);
					})
				: Promise.resolve();
		return () => (desk.beforeMeasures = () => Promise.resolve());
	});

	function place(event: PointerEvent): Place {
		const box = svg?.getBoundingClientRect();
		if (!box) return { x: 0, y: 0 };
		const b = view.box;
		return {
			x: Math.min(Math.max(b.x + ((event.clientX - box.left) / box.width) * b.width, 0), lengthMm),
			y: Math.min(Math.max(b.y + ((event.clientY - box.top) / box.height) * b.height, 0), heightMm)
		};
	}

	/** Takes the keys. */
	export function take() {
		board?.focus();
	}

	function press(event: PointerEvent) {
		if (event.shiftKey && view.grab(event)) return;
		if (marking.press(place(event))) {
			svg?.setPointerCapture(event.pointerId);
		}
	}

	function drag(event: PointerEvent) {
		if (!view.pan(event)) marking.drag(place(event));
	}

	function release() {
		view.letGo();
		marking.release();
	}

	/** Whether the key did something here. */
	function key(event: KeyboardEvent): boolean {
		const arrow = ARROWS[event.key];
		if (event.key === 'm') {
			marking.mark();
		} else if (event.key === '+' || event.key === '-') {
			view.by(event.key === '+' ? 1.5 : 1 / 1.5);
		} else if (event.key === 'Enter' && marking.corners.length) {
			marking.close();
		} else if (event.key === 'Backspace') {
			return marking.back();
		} else if (event.key === 'Escape' && marking.corners.length) {
			marking.forget();
		} else if (arrow) {
			const step = event.shiftKey ? 100 : 20;
			if (marking.steer(arrow[0] * step, arrow[1] * step, event.ctrlKey)) {
				if (marking.aim) view.show(marking.aim.x, marking.aim.y);
				return true;
			}
			if (view.zoom === 1) return false;
			view.move(arrow[0] / 8, arrow[1] / 8);
		} else {
			return false;
		}
		return true;
	}

	function steer(event: KeyboardEvent) {
		if (key(event)) {
			event.preventDefault();
			event.stopPropagation();
		}
	}
</script>

<div class="mb-1 flex flex-wrap items-baseline gap-x-4 gap-y-1">
	<span class="tag" aria-hidden="true">A drag</span>
	<Choice
		label="A drag"
		value={marking.verb}
		items={samplesOnly ? VERBS.filter((v) => v.key === 'SAMPLE') : VERBS}
		onchange={(key) => (marking.verb = key)}
	/>
	{#if marking.verb === 'SAMPLE'}
		<Select
			class="min-h-7"
			label="Class of the sample"
			bind:value={marking.kind}
			options={CLASSES.map((c) => [c.key, c.label] as const)}
		/>
	{:else if marking.canCorner}
		<label class="tag flex min-h-7 items-center gap-1.5 normal-case"
			><input type="checkbox" bind:checked={marking.cornered} />corner by corner</label
		>
	{/if}
</div>
<!-- svelte-ignore a11y_no_noninteractive_tabindex, a11y_no_noninteractive_element_interactions -->
<div
	role="application"
	bind:this={board}
	aria-label="The side, flat. m marks what was chosen above; arrow keys move it, with ctrl they size it; plus and minus zoom. Corner by corner the arrow keys aim and m sets a corner; enter closes the outline, backspace takes its last corner back."
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
		onwheel={(event) => view.wheel(event)}
		role="presentation"
	>
		<image
			{href}
			width={lengthMm}
			height={heightMm}
			preserveAspectRatio="none"
			onload={() => drawn?.()}
		/>
		{#if part}
			<image
				href="{href}&part=true"
				x={part.xMm}
				y={part.yMm}
				width={part.widthMm}
				height={part.heightMm}
				preserveAspectRatio="none"
			/>
		{/if}
		{#each regions as r, i (r.id)}
			<RegionMark region={r} number={i + 1} on={r.id === desk.chosen} {unit} />
		{/each}
		<MarksBeingMade {marking} {samples} {unit} />
	</svg>
	<ScaleBar left={view.box.x} width={view.box.width} {unit} {bar} />
</div>
{#if marking.cornered}
	<p class="flex flex-wrap items-baseline gap-x-4 text-soft" role="status">
		{#if marking.corners.length < 3}
			Touch one corner after the other, round what is to be marked; or aim with the arrows, m sets a
			corner.
		{:else}
			<button class="tag underline" onclick={() => marking.close()}>close the outline</button>
			<span class="tag normal-case">or enter, or touch the first corner again</span>
		{/if}
		{#if marking.corners.length}
			<button class="tag underline" onclick={() => void marking.back()}
				>take the last corner back</button
			>
		{/if}
	</p>
{/if}
{#if view.zoom > 1}
	<div class="flex flex-wrap items-baseline gap-x-4 gap-y-1">
		<button class="tag underline" onclick={() => view.whole()}>whole side</button>
		<span class="tag normal-case">shift and drag, or arrows, move about</span>
	</div>
{/if}
<ClassOverlay {marking} {colours} bind:only />
<SampleList {samples} {desk} shown={marking.verb === 'SAMPLE'} />
