<script lang="ts">
	import type { Chosen, PhotoMarks } from './marks.svelte';

	/** The marks on a photograph, in its pixels; a unit is a pixel of the screen. */
	let { marks, outline, unit }: { marks: PhotoMarks; outline: string; unit: number } = $props();

	const isChosen = (c: Chosen) => JSON.stringify(c) === JSON.stringify(marks.chosen);
</script>

{#if marks.curved}
	{#each [true, false] as left (left)}
		{@const arc = marks.shell
			.filter((m) => m.leftEnd === left)
			.map((m) => `${m.photo.x},${m.photo.y}`)
			.join(' ')}
		<polyline points={arc} fill="none" stroke="#000" stroke-width={3.5 * unit} />
		<polyline points={arc} fill="none" stroke="#fff" stroke-width={1.5 * unit} />
	{/each}
{:else if !marks.inPart}
	<polygon points={outline} fill="none" stroke="#000" stroke-width={3.5 * unit} />
	<polygon
		points={outline}
		fill="none"
		stroke="#fff"
		stroke-width={1.5 * unit}
		stroke-dasharray={marks.placed ? undefined : `${8 * unit} ${6 * unit}`}
	/>
{/if}
{#each marks.lines as line, l (l)}
	{@const places = line.map((p) => `${p.x},${p.y}`).join(' ')}
	<polyline points={places} fill="none" stroke="#000" stroke-width={2.6 * unit} />
	<polyline
		points={places}
		fill="none"
		stroke="#fff"
		stroke-width={1.2 * unit}
		stroke-dasharray="{2 * unit} {3 * unit}"
	/>
	{#each line as p, i (i)}
		<g transform="translate({p.x} {p.y}) scale({unit})">
			<rect x="-6" y="-6" width="12" height="12" fill="none" stroke="#000" stroke-width="4" />
			<rect
				x="-6"
				y="-6"
				width="12"
				height="12"
				fill="none"
				stroke="#fff"
				stroke-width={isChosen({ kind: 'line', line: l, index: i }) ? 2.6 : 1.4}
			/>
		</g>
	{/each}
{/each}
{#if marks.grey}
	<rect
		x={marks.grey.x}
		y={marks.grey.y}
		width={marks.grey.width}
		height={marks.grey.height}
		fill="none"
		stroke="#fff"
		stroke-width={(isChosen({ kind: 'grey' }) ? 3.5 : 2) * unit}
	/>
	<rect
		x={marks.grey.x - 2 * unit}
		y={marks.grey.y - 2 * unit}
		width={marks.grey.width + 4 * unit}
		height={marks.grey.height + 4 * unit}
		fill="none"
		stroke="#000"
		stroke-width={1.2 * unit}
	/>
{/if}
{#each marks.level as l, n (n)}
	{@const d = `M${l.fromX} ${l.fromY}L${l.toX} ${l.toY}`}
	<path {d} fill="none" stroke="#000" stroke-width={3.5 * unit} />
	<path {d} fill="none" stroke="#fff" stroke-width={1.5 * unit} />
	{#each [{ x: l.fromX, y: l.fromY }, { x: l.toX, y: l.toY }] as p, i (i)}
		{@const wide = isChosen({ kind: 'level', line: n, index: i }) ? 2.6 : 1.4}
		<g transform="translate({p.x} {p.y}) scale({unit}) rotate({l.along === 'LEVEL' ? 0 : 90})">
			<path d="M0 -9V9" stroke="#000" stroke-width={wide + 2.6} />
			<path d="M0 -9V9" stroke="#fff" stroke-width={wide} />
		</g>
	{/each}
	<text
		x={l.fromX + 8 * unit}
		y={l.fromY - 8 * unit}
		fill="#fff"
		stroke="#000"
		stroke-width={3 * unit}
		paint-order="stroke"
		font-size={15 * unit}>{n + 1}</text
	>
{/each}
{#each marks.curved ? marks.shell.map((m) => m.photo) : marks.inPart ? [] : marks.corners as c, i (i)}
	{@const on = isChosen({ kind: marks.curved ? 'arc' : 'corner', index: i })}
	<g transform="translate({c.x} {c.y}) scale({unit})">
		<circle r={on ? 13 : 10} fill="none" stroke="#000" stroke-width="4.5" />
		<circle r={on ? 13 : 10} fill="none" stroke="#fff" stroke-width="2" />
		<circle r="1.6" fill="#fff" stroke="#000" stroke-width="0.8" />
	</g>
{/each}
{#each marks.known as k, i (i)}
	<g transform="translate({k.xPx} {k.yPx}) scale({unit})">
		<path d="M-11 0 H11 M0 -11 V11" stroke="#000" stroke-width="4.5" />
		<path d="M-11 0 H11 M0 -11 V11" stroke="#fff" stroke-width="2" />
		<text
			x="10"
			y="-8"
			fill="#fff"
			stroke="#000"
			stroke-width="3"
			paint-order="stroke"
			font-size="15">{i + 1}</text
		>
	</g>
{/each}
