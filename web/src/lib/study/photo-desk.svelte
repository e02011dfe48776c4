<script lang="ts">
	import type { Schemas } from '$lib/api/client';
	import Button from '$lib/ui/button.svelte';
	import { Desk } from '$lib/ui/desk.svelte';
	import { PhotoMarks } from './marks.svelte';
	import PhotoStage from './photo-stage.svelte';

	/** One photograph with its marks and what else can be marked on it. */
	type Props = { photo: Schemas['Photograph']; lengthMm: number; heightMm: number };

	let { photo, lengthMm, heightMm }: Props = $props();

	const desk = Desk.get();
	// made anew for each photograph by the key around this component
	// svelte-ignore state_referenced_locally
	const marks = new PhotoMarks(photo, desk);
</script>

<PhotoStage {marks} caption={photo.caption || 'Photograph'} />
{#if !marks.placed}
	<p class="mt-2 flex flex-wrap items-center gap-3">
		<span>Drag the four corners to the corners of the side.</span>
		<Button look="act" onclick={() => void marks.save()}>The corners are right</Button>
	</p>
{/if}
<div class="mt-2 flex flex-wrap items-center gap-x-4 gap-y-1">
	{#if marks.grey}
		<label class="flex items-center gap-2">
			<span class="tag">Grey card L*</span>
			<input
				class="w-20"
				type="number"
				min="5"
				max="95"
				step="1"
				value={marks.grey.lightness}
				onchange={(e) => marks.setLightness(e.currentTarget.valueAsNumber)}
			/>
		</label>
		<button class="tag underline" onclick={() => marks.resizeGrey(1.2)}>larger</button>
		<button class="tag underline" onclick={() => marks.resizeGrey(1 / 1.2)}>smaller</button>
		<button class="tag underline" onclick={() => marks.dropGrey()}>no grey card</button>
	{:else}
		<button class="tag underline" onclick={() => marks.addGrey()}>Mark a grey card</button>
	{/if}
	<button class="tag underline" onclick={() => marks.addKnown(lengthMm, heightMm)}
		>Add a known point</button
	>
	{#if marks.placed}
		<span class="tag ml-auto" role="status"
			>{marks.refused ? 'Marks not kept' : marks.kept ? 'Marks kept' : 'Keeping the marks …'}</span
		>
	{/if}
</div>
{#each marks.known as k, i (i)}
	<div class="mt-1 flex flex-wrap items-center gap-2">
		<span class="tag">Known point {i + 1} lies at</span>
		<input
			class="w-24"
			type="number"
			aria-label="Known point {i + 1}, mm from the left"
			value={Math.round(k.xMm)}
			onchange={(e) => marks.setKnown(i, { xMm: e.currentTarget.valueAsNumber })}
		/>
		mm from the left,
		<input
			class="w-24"
			type="number"
			aria-label="Known point {i + 1}, mm from the top"
			value={Math.round(k.yMm)}
			onchange={(e) => marks.setKnown(i, { yMm: e.currentTarget.valueAsNumber })}
		/>
		mm from the top
		<button class="tag underline" onclick={() => marks.dropKnown(i)}>take out</button>
	</div>
{/each}
