<script lang="ts">
	/**
	 * Both sides in the same coordinates: a wipe between them, both in turn, or how far apart they are at
	 * every point.
	 */
	type Props = {
		prototypeSrc: string;
		modelSrc: string;
		mapSrc: string;
		ratio: number;
		look: 'wipe' | 'blink' | 'map';
		share: number;
	};

	let { prototypeSrc, modelSrc, mapSrc, ratio, look, share = $bindable() }: Props = $props();

	let frame = $state<HTMLDivElement>();
	let held = $state(false);
	let drawn = $state(false);
	let first = $state(true);
	let beat = $state(true);
	const BEAT_MS = 700;

	$effect(() => {
		if (look !== 'blink' || !beat) return;
		const timer = setInterval(() => (first = !first), BEAT_MS);
		return () => clearInterval(timer);
	});

	function follow(event: PointerEvent) {
		const box = frame?.getBoundingClientRect();
		if (held && box) share = Math.min(1, Math.max(0, (event.clientX - box.left) / box.width));
	}
</script>

{#if look === 'map'}
	{#if !drawn}<p class="tag" role="status">Comparing every point …</p>{/if}
	<img
		onload={() => (drawn = true)}
		src={mapSrc}
		alt="Difference map: light is alike, dark is far apart; edges are left out"
		class="block w-full border border-line"
		style:aspect-ratio={ratio}
	/>
{:else if look === 'blink'}
	<div class="relative w-full overflow-hidden border border-line" style:aspect-ratio={ratio}>
		<img src={modelSrc} alt="The model's side" class="absolute inset-0 h-full w-full" />
		<img
			src={prototypeSrc}
			alt="The prototype's side"
			class="absolute inset-0 h-full w-full {first ? '' : 'invisible'}"
		/>
		<span class="tag absolute bottom-1 left-2 bg-white px-1 text-black"
			>{first ? 'prototype' : 'model'}</span
		>
	</div>
	<p class="mt-1 flex gap-4">
		<button class="tag underline" onclick={() => (beat = !beat)}
			>{beat ? 'hold this one' : 'go on in turn'}</button
		>
		<button
			class="tag underline"
			onclick={() => {
				beat = false;
				first = !first;
			}}>the other one</button
		>
	</p>
{:else}
	<div
		bind:this={frame}
		class="relative w-full cursor-ew-resize touch-none overflow-hidden border border-line select-none"
		style:aspect-ratio={ratio}
		onpointerdown={(e) => {
			held = true;
			frame?.setPointerCapture(e.pointerId);
			follow(e);
		}}
		onpointermove={follow}
		onpointerup={() => (held = false)}
		role="presentation"
	>
		<img
			src={modelSrc}
			alt="The model's side"
			class="absolute inset-0 h-full w-full"
			draggable="false"
		/>
		<img
			src={prototypeSrc}
			alt="The prototype's side"
			class="absolute inset-0 h-full w-full"
			style:clip-path={`inset(0 ${(1 - share) * 100}% 0 0)`}
			draggable="false"
		/>
		<div
			class="absolute inset-y-0 w-1 bg-white outline outline-black"
			style:left={`calc(${share * 100}% - 2px)`}
		></div>
		<span class="tag absolute bottom-1 left-2 bg-white px-1 text-black">prototype</span>
		<span class="tag absolute right-2 bottom-1 bg-white px-1 text-black">model</span>
	</div>
	<label class="mt-1 flex items-center gap-3"
		><span class="tag">Wipe</span><input
			class="grow"
			type="range"
			min="0"
			max="1"
			step="0.01"
			bind:value={share}
		/></label
	>
{/if}
