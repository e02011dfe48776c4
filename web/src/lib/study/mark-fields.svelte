<script lang="ts">
	import Select from '$lib/ui/select.svelte';
	import { REFERENCES, type PhotoMarks, type Reference } from './marks.svelte';

	/** What can be marked on a photograph besides its corners, with the numbers that belong to it. */
	type Props = {
		marks: PhotoMarks;
		lengthMm: number;
		heightMm: number;
		/** Told when a mark was added by key, which goes on by moving it. */
		onkey?: () => void;
	};

	let { marks, lengthMm, heightMm, onkey }: Props = $props();

	function add(event: MouseEvent, mark: () => void) {
		mark();
		if (event.detail === 0) onkey?.();
	}

	const THINGS = (Object.keys(REFERENCES) as Reference[]).map(
		(key) => [key, REFERENCES[key].label] as const
	);
</script>

<div class="mt-1 flex flex-wrap items-center gap-x-4 gap-y-1">
	{#if marks.grey}
		<Select
			label="What the patch of known colour is"
			value={marks.reference}
			options={THINGS}
			onchange={(by) => marks.setReference(by)}
		/>
		{#if marks.reference !== 'BALLAST'}
			<label class="flex items-center gap-2">
				<span class="tag normal-case">L*</span>
				<input
					class="w-20"
					type="number"
					min="5"
					max="95"
					step="1"
					aria-label="Known L* of the patch"
					value={marks.grey.lightness}
					onchange={(e) => marks.setLightness(e.currentTarget.valueAsNumber)}
				/>
			</label>
		{/if}
		{#each ['a', 'b'] as const as axis (axis)}
			<label class="flex items-center gap-1">
				<span class="tag normal-case">{axis}*</span>
				<input
					class="w-16"
					type="number"
					min="-100"
					max="100"
					step="1"
					aria-label="Known {axis}* of the patch, 0 for a grey card"
					value={marks.grey[axis] ?? 0}
					onchange={(e) => marks.setKnownColour(axis, e.currentTarget.valueAsNumber)}
				/>
			</label>
		{/each}
		<button class="tag underline" onclick={() => marks.resizeGrey(1.2)}>larger</button>
		<button class="tag underline" onclick={() => marks.resizeGrey(1 / 1.2)}>smaller</button>
		<button class="tag underline" onclick={() => marks.dropGrey()}>take the patch out</button>
	{:else}
		<button class="tag underline" onclick={(event) => add(event, () => marks.addGrey())}
			>Mark a grey card</button
		>
		<button
			class="tag underline"
			title="Without a card: what left the shop white tells the light, less surely"
			onclick={(event) => add(event, () => marks.addGrey('LETTERING'))}>or white lettering</button
		>
		<button
			class="tag underline"
			title="Without a card: grey stone under the open sky tells the colour of the light, not its level"
			onclick={(event) => add(event, () => marks.addGrey('BALLAST'))}>or ballast</button
		>
	{/if}
	{#if !marks.curved}
		<button
			class="tag underline"
			onclick={(event) => add(event, () => marks.addKnown(lengthMm, heightMm))}
			>Add a known point</button
		>
	{/if}
	{#if marks.inPart}
		<button class="tag underline" onclick={(event) => add(event, () => marks.addLevel('LEVEL'))}
			>Lay a level line</button
		>
		<button class="tag underline" onclick={(event) => add(event, () => marks.addLevel('UPRIGHT'))}
			>Lay an upright line</button
		>
	{/if}
	<button class="tag underline" onclick={(event) => add(event, () => marks.addLine())}
		>Lay a straight line</button
	>
</div>
{#each marks.level as l, i (i)}
	<div class="mt-1 flex flex-wrap items-center gap-2">
		<span class="tag">{l.along === 'LEVEL' ? 'Level' : 'Upright'} line {i + 1}</span>
		<label class="flex items-center gap-2"
			>is <input
				class="w-24"
				type="number"
				min="10"
				aria-label="Line {i + 1}, length on the prototype in mm, empty when nobody knows"
				value={l.lengthMm ?? ''}
				onchange={(e) => marks.setLevelLength(i, e.currentTarget.valueAsNumber)}
			/> mm long, if you know it</label
		>
		<button class="tag underline" onclick={() => marks.dropLevel(i)}>take out</button>
	</div>
{/each}
{#each marks.lines as line, i (i)}
	<div class="mt-1 flex flex-wrap items-center gap-3">
		<span class="tag">Straight line {i + 1}</span>
		<span class="text-soft"
			>{line.length} places along something straight, near the border of the photograph: it takes out
			the lens.</span
		>
		<button class="tag underline" onclick={() => marks.dropLine(i)}>take out</button>
	</div>
{/each}
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
