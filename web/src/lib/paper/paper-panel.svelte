<script lang="ts">
	import Select from '$lib/ui/select.svelte';
	import type { StudyDesk } from '$lib/study/study-desk.svelte';
	import Artworks from './artworks.svelte';
	import SaveButton from './save-button.svelte';
	import WiperArc from './wiper-arc.svelte';

	/** To paper and blade: the side card, masks and the wiper arc to cut, artwork to print. */
	let { jobId, desk }: { jobId: string; desk: StudyDesk } = $props();

	let paper = $state<'A4' | 'LETTER'>('A4');
	let grid = $state<'NONE' | 'FEET' | 'HALF_METRES'>('HALF_METRES');
	let kerf = $state(0.1);
	let kept = $state<'PIECE' | 'OPENING'>('PIECE');
	let wiping = $state(false);

	const pieces = $derived(desk.regions.filter((r) => r.role === 'CUT'));
	const panels = $derived(desk.regions.filter((r) => r.role !== 'EDGE' && r.role !== 'EXCLUDE'));
</script>

<div class="flex flex-col gap-4">
	<div class="flex flex-wrap items-end gap-3">
		<label class="flex flex-col"
			><span class="tag">Paper</span><Select
				bind:value={paper}
				options={[
					['A4', 'A4'],
					['LETTER', 'Letter']
				]}
			/></label
		>
		<label class="flex flex-col"
			><span class="tag">Grid over the side</span><Select
				bind:value={grid}
				options={[
					['HALF_METRES', 'half metres'],
					['FEET', 'feet'],
					['NONE', 'none']
				]}
			/></label
		>
		<SaveButton from="/api/jobs/{jobId}/paper/card.pdf?paper={paper}&grid={grid}"
			>Bench sheet at model scale (PDF)</SaveButton
		>
	</div>
	<div class="flex flex-wrap items-end gap-3">
		<label class="flex flex-col"
			><span class="tag">Kerf, mm</span><input
				class="w-20"
				type="number"
				min="0"
				max="1"
				step="0.05"
				bind:value={kerf}
			/></label
		>
		<label class="flex flex-col"
			><span class="tag">Keep</span><Select
				bind:value={kept}
				options={[
					['PIECE', 'the piece'],
					['OPENING', 'the opening']
				]}
			/></label
		>
		{#if pieces.length}
			<SaveButton from="/api/jobs/{jobId}/paper/mask.svg?kerf={kerf}&kept={kept}"
				>{pieces.length === 1 ? 'The piece' : `${pieces.length} pieces`} to cut, 1:1 (SVG)</SaveButton
			>
		{:else}
			<p class="text-soft">
				For masks and patches: let a drag cut a piece out of the flat side. Cut away from the hand.
			</p>
		{/if}
	</div>
	<details bind:open={wiping}>
		<summary class="tag cursor-pointer normal-case">Wiper arc of a windscreen</summary>
		{#if wiping}<WiperArc {kerf} />{/if}
	</details>
	<Artworks {jobId} {paper} {panels} />
	<p class="text-soft">
		Print without scaling and hold a rule against both rulers on the sheet: 100 mm must be 100 mm,
		along and up.
	</p>
</div>
