<script lang="ts">
	import type { Schemas } from '$lib/api/client';
	import { countdown, when } from '$lib/time/time';
	import { windowAt } from './window';

	/** The clock of a window, readable from across the room. */
	let { clock, now }: { clock: Schemas['ClockView']; now: number } = $props();

	const opens = $derived(new Date(clock.opensAt).getTime());
	const closes = $derived(new Date(clock.closesAt).getTime());
	const at = $derived(windowAt(clock.opensAt, clock.closesAt, now));
	const phase = $derived(at.phase);
	const words = {
		WAITING: 'opens in',
		OPEN: 'work now, closes in',
		CLOSING: 'closing in',
		CLOSED: 'closed since'
	};
	const left = $derived(at.left);
	const share = $derived(Math.min(1, Math.max(0, (now - opens) / (closes - opens))));
</script>

<div
	class="border-4 px-5 py-3 {phase === 'OPEN' || phase === 'CLOSING'
		? 'border-act'
		: 'border-line'}"
	role="timer"
	aria-label="Window of the {clock.coat}: {words[phase]} {countdown(left)}"
>
	<p class="font-label text-[1.7rem] leading-tight font-semibold">
		Window of the {clock.coat}: {words[phase]}
	</p>
	<p class="figure text-[min(8.5rem,22vw)] leading-[0.95] {phase === 'CLOSING' ? 'text-act' : ''}">
		{countdown(left)}
	</p>
	<svg
		viewBox="0 0 100 6"
		preserveAspectRatio="none"
		class="mt-2 block h-4 w-full text-ink"
		aria-hidden="true"
	>
		<rect width="100" height="6" fill="var(--c-sunk)" />
		<rect width={100 * share} height="6" fill="currentColor" />
		<path d="M75 0 V6" stroke="var(--c-act)" stroke-width="0.8" />
	</svg>
	<p class="text-[1.35rem] text-soft">
		from {when(clock.opensAt, now)} to {when(clock.closesAt, now)}
	</p>
</div>
