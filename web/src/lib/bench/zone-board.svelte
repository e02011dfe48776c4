<script lang="ts">
	import type { Schemas } from '$lib/api/client';
	import { countdown, when } from '$lib/time/time';
	import { windowAt } from './window';

	/** The zones of a coat and its work, one after the other, each with a clock of its own. */
	let { view, now }: { view: Schemas['ZonesView']; now: number } = $props();

	function state(line: Schemas['ZoneLine']): { words: string; hot: boolean } {
		if (line.workedAt) return { words: `done ${when(line.workedAt, now)}`, hot: false };
		if (!line.opensAt || !line.closesAt)
			return { words: line.laidAt ? 'laid' : 'to lay', hot: false };
		const { phase, left } = windowAt(line.opensAt, line.closesAt, now);
		if (phase === 'WAITING') return { words: `opens in ${countdown(left)}`, hot: false };
		if (phase === 'CLOSED') return { words: `closed ${countdown(left)} ago`, hot: false };
		return { words: `${countdown(left)} left`, hot: phase === 'CLOSING' };
	}
</script>

<section aria-label="Zone by zone" class="border-2 border-line px-4 py-2">
	<p class="font-label text-[1.5rem] font-semibold">
		{view.rounds > 1 ? `Round ${view.round} of ${view.rounds}: ` : ''}{view.stepName}, {view.zoneName}
	</p>
	<ol>
		{#each view.lines as line, i (line.zone)}
			{@const s = state(line)}
			<li
				class="grid grid-cols-[1fr_auto] items-baseline gap-4 py-1 text-[1.45rem] {i > 0 &&
				view.lines[i - 1]?.round !== line.round
					? 'border-t-2 border-line'
					: ''} {line.zone === view.zone ? 'font-semibold' : ''}"
				aria-current={line.zone === view.zone ? 'step' : undefined}
			>
				<span class={line.workedAt ? 'text-soft line-through' : ''}>{line.name}</span>
				<span
					class="figure {s.hot ? 'text-act' : line.workedAt ? 'text-soft' : ''}"
					role={line.opensAt && !line.workedAt ? 'timer' : undefined}
					aria-label={line.opensAt && !line.workedAt ? `${line.name}: ${s.words}` : undefined}
					>{s.words}</span
				>
			</li>
		{/each}
	</ol>
</section>
