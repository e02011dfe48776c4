<script lang="ts">
	import { api, must, type Schemas } from '$lib/api/client';
	import { createQuery, keepPreviousData } from '@tanstack/svelte-query';
	import SaveButton from './save-button.svelte';

	/** What the wiper of a windscreen keeps clean: measured on the model, seen on its pane, then cut. */
	let { kerf }: { kerf: number } = $props();

	const FIELDS = [
		['paneWidthMm', 'Pane width, mm'],
		['paneHeightMm', 'Pane height, mm'],
		['pivotXMm', 'Pivot from the left, mm'],
		['pivotYMm', 'Pivot from the top, mm'],
		['armMm', 'Arm to mid blade, mm'],
		['bladeMm', 'Blade, mm'],
		['fromDegrees', 'Sweep from °'],
		['toDegrees', 'Sweep to °']
	] as const;

	let wiper = $state<Schemas['WiperArc']>({
		paneWidthMm: 14,
		paneHeightMm: 9,
		pivotXMm: 7,
		pivotYMm: 10,
		armMm: 6.5,
		bladeMm: 5,
		fromDegrees: -40,
		toDegrees: 40
	});

	const mask = createQuery(() => {
		const body: Schemas['MaskQuestion'] = {
			pieces: [],
			wiper: { ...wiper },
			kerfMm: kerf,
			kept: 'PIECE'
		};
		return {
			queryKey: ['wiper', body],
			queryFn: ({ signal }: { signal: AbortSignal }) =>
				must(api.POST('/api/calc/photo/mask', { body, signal })),
			placeholderData: keepPreviousData,
			staleTime: Infinity
		};
	});
	const clean = $derived(mask.error ? undefined : mask.data?.pieces[0]?.outline);
	const shown = $derived.by(() => {
		const x = Math.min(0, wiper.pivotXMm) - 1;
		const y = Math.min(0, wiper.pivotYMm) - 1;
		return {
			x,
			y,
			width: Math.max(wiper.paneWidthMm, wiper.pivotXMm) + 1 - x,
			height: Math.max(wiper.paneHeightMm, wiper.pivotYMm) + 1 - y
		};
	});

	async function file() {
		const { svg } = await must(
			api.POST('/api/calc/photo/mask', {
				body: { pieces: [], wiper: { ...wiper }, kerfMm: kerf, kept: 'PIECE' }
			})
		);
		return { name: 'wiper.svg', blob: new Blob([svg], { type: 'image/svg+xml' }) };
	}
</script>

<div class="mt-1 flex flex-wrap items-start gap-x-6 gap-y-3">
	<div class="grid grid-cols-2 gap-x-3 gap-y-1.5">
		{#each FIELDS as [key, label] (key)}
			<label class="flex flex-col"
				><span class="tag normal-case">{label}</span><input
					class="w-32"
					type="number"
					step="0.1"
					bind:value={wiper[key]}
				/></label
			>
		{/each}
	</div>
	<div class="flex flex-col items-start gap-2">
		{#if mask.error}
			<p class="max-w-sm border-l-4 border-ink pl-2" role="alert">{mask.error.message}</p>
		{:else if clean}
			<svg
				viewBox="{shown.x} {shown.y} {shown.width} {shown.height}"
				class="block max-h-56 w-72 text-ink"
				role="img"
				aria-label="The pane, and on it what the wiper keeps clean"
			>
				<rect
					width={wiper.paneWidthMm}
					height={wiper.paneHeightMm}
					class="fill-faint"
					stroke="currentColor"
					vector-effect="non-scaling-stroke"
				/>
				<path
					d="M{clean.map((p) => `${p.x} ${p.y}`).join('L')}Z"
					class="fill-sheet"
					stroke="currentColor"
					stroke-width="2"
					vector-effect="non-scaling-stroke"
				/>
				<path
					d="M{wiper.pivotXMm} {wiper.pivotYMm}h0.001"
					stroke="currentColor"
					stroke-width="7"
					stroke-linecap="round"
					vector-effect="non-scaling-stroke"
				/>
			</svg>
		{/if}
		<SaveButton from={file}>Wiper arc, 1:1 (SVG)</SaveButton>
	</div>
</div>
