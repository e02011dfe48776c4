<script lang="ts">
	import Loupe from './loupe.svelte';
	import { CORNERS, type PhotoMarks } from './marks.svelte';
	import PhotoMarksDrawn from './photo-marks.svelte';
	import { Viewport } from './viewport.svelte';

	/** The photograph with its marks; a loupe follows the chosen one, the wheel zooms. */
	let { marks, caption }: { marks: PhotoMarks; caption: string } = $props();

	let svg = $state<SVGSVGElement>();
	let board = $state<HTMLDivElement>();
	let dragging = $state(false);
	let steering = $state(false);
	let shownWidth = $state(800);

	const view = new Viewport(
		() => marks.width,
		() => marks.height
	);
	const unit = $derived(view.box.width / Math.max(1, shownWidth));
	const src = $derived(`/api/photographs/${marks.id}/picture?most=2000`);
	const outline = $derived(marks.corners.map((p) => `${p.x},${p.y}`).join(' '));

	/** Takes the keys. */
	export function take(): void {
		board?.focus({ preventScroll: true });
	}

	function toPhoto(event: PointerEvent) {
		const box = svg?.getBoundingClientRect();
		if (!box) return { x: 0, y: 0 };
		const shown = view.box;
		return {
			x: shown.x + ((event.clientX - box.left) / box.width) * shown.width,
			y: shown.y + ((event.clientY - box.top) / box.height) * shown.height
		};
	}

	function grab(event: PointerEvent) {
		const p = toPhoto(event);
		const reach = 26 * unit;
		const near = marks.all
			.map((m) => ({ ...m, far: Math.hypot(m.x - p.x, m.y - p.y) }))
			.sort((a, b) => a.far - b.far)[0];
		if (
			near &&
			near.far < Math.max(reach, marks.grey && near.chosen.kind === 'grey' ? marks.grey.width : 0)
		) {
			marks.chosen = near.chosen;
			dragging = true;
			svg?.setPointerCapture(event.pointerId);
		} else {
			view.grab(event);
		}
	}

	function drag(event: PointerEvent) {
		if (dragging) {
			const p = toPhoto(event);
			marks.moveTo(p.x, p.y);
		} else {
			view.pan(event);
		}
	}

	function drop() {
		view.letGo();
		if (dragging) {
			dragging = false;
			void marks.save();
		}
	}

	function steer(event: KeyboardEvent) {
		const step = event.shiftKey ? 10 : event.ctrlKey ? 0.25 : 1;
		const moves: Record<string, [number, number]> = {
			ArrowLeft: [-step, 0],
			ArrowRight: [step, 0],
			ArrowUp: [0, -step],
			ArrowDown: [0, step]
		};
		const move = moves[event.key];
		if (move) {
			event.preventDefault();
			marks.nudge(...move);
			view.show(marks.focus.x, marks.focus.y);
		} else if (event.key === 'c') {
			event.preventDefault();
			event.stopPropagation();
			marks.next();
			view.show(marks.focus.x, marks.focus.y);
		} else if (marks.chosen.kind === 'grey' && (event.key === '+' || event.key === '-')) {
			event.preventDefault();
			marks.resizeGrey(event.key === '+' ? 1.1 : 1 / 1.1);
		} else if (event.key === '+' || event.key === '-') {
			event.preventDefault();
			const b = view.box;
			view.by(
				event.key === '+' ? 1.5 : 1 / 1.5,
				(marks.focus.x - b.x) / b.width,
				(marks.focus.y - b.y) / b.height
			);
		}
	}

	const name = $derived(
		marks.all.length === 0
			? 'nothing yet'
			: marks.chosen.kind === 'corner'
				? `${CORNERS[marks.chosen.index] ?? ''} corner`
				: marks.chosen.kind === 'known'
					? `known point ${marks.chosen.index + 1}`
					: marks.chosen.kind === 'line'
						? `place ${marks.chosen.index + 1} of line ${marks.chosen.line + 1}`
						: marks.chosen.kind === 'level'
							? `end ${marks.chosen.index + 1} of ${marks.level[marks.chosen.line]?.along === 'LEVEL' ? 'level' : 'upright'} line ${marks.chosen.line + 1}`
							: marks.chosen.kind === 'arc'
								? `${marks.shell[marks.chosen.index]?.leftEnd ? 'left' : 'right'} end circle at ${marks.shell[marks.chosen.index]?.degrees ?? 0}°`
								: 'patch of known colour'
	);
</script>

<div class="relative">
	<!-- svelte-ignore a11y_no_noninteractive_tabindex, a11y_no_noninteractive_element_interactions -->
	<div
		bind:this={board}
		role="application"
		aria-label="{caption}. Marks of the side. Arrow keys move the {name}, c takes the next one."
		tabindex="0"
		onkeydown={steer}
		onfocus={() => (steering = true)}
		onblur={() => (steering = false)}
		bind:clientWidth={shownWidth}
	>
		<svg
			bind:this={svg}
			viewBox={view.attribute}
			style:aspect-ratio={marks.width / marks.height}
			class="block w-full touch-none bg-sunk select-none {dragging
				? 'cursor-none'
				: 'cursor-crosshair'}"
			onpointerdown={grab}
			onpointermove={drag}
			onpointerup={drop}
			onpointercancel={drop}
			onwheel={(event) => view.wheel(event)}
			role="presentation"
		>
			<image href={src} width={marks.width} height={marks.height} />
			<PhotoMarksDrawn {marks} {outline} {unit} />
		</svg>
	</div>
	<Loupe {marks} {src} {outline} shown={dragging || steering} />
</div>
<p class="tag mt-1 flex flex-wrap gap-x-4">
	<span>Chosen: {name}</span>
	<span class="normal-case"
		>{Math.round(marks.focus.x * 4) / 4}, {Math.round(marks.focus.y * 4) / 4} px</span
	>
	<span class="normal-case">arrows nudge, shift ten, ctrl a quarter, c next mark, + and − zoom</span
	>
	{#if view.zoom > 1}<button class="underline" onclick={() => view.whole()}>whole photograph</button
		>{/if}
</p>
{#if marks.refused}
	<p role="alert" class="mt-2 border-l-8 border-ink bg-sheet px-3 py-2">{marks.refused}</p>
{/if}
