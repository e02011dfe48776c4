<script lang="ts">
	import { resolve } from '$app/paths';
	import type { Schemas } from '$lib/api/client';
	import DataPanel from './data-panel.svelte';

	/** A job as a strip: its side as photographed, its figures, where it stands. */
	let { card, onmove }: { card: Schemas['Card']; onmove: () => void } = $props();

	const target = $derived.by(() => {
		const id = card.job.id;
		switch (card.stage) {
			case 'STUDY':
				return { href: resolve('/jobs/[id]/study', { id }), label: 'Study it' };
			case 'MAKE_UP':
				return {
					href: resolve('/jobs/[id]/makeup', { id }),
					label: card.total ? 'Look at the plan' : 'Make the plan'
				};
			case 'BENCH':
				return {
					href: resolve('/jobs/[id]/bench', { id }),
					label: `Bench: ${card.nextStep ?? ''}`
				};
			case 'FINISHED':
				return { href: resolve('/jobs/[id]/record', { id }), label: 'Record' };
		}
	});
</script>

<article class="sheet grid items-center gap-4 p-3 sm:grid-cols-[15rem_1fr_auto]">
	<a
		href={resolve('/jobs/[id]', { id: card.job.id })}
		class="block border border-line bg-sunk"
		tabindex="-1"
		aria-hidden="true"
	>
		{#if card.photographId}
			<img
				src="/api/photographs/{card.photographId}/side"
				alt=""
				loading="lazy"
				class="block aspect-[2.4] w-full object-cover"
			/>
		{:else}
			<span class="tag flex aspect-[2.4] items-center justify-center">no photograph yet</span>
		{/if}
	</a>
	<div class="min-w-0">
		<h2 class="font-stencil text-3xl leading-none font-bold">
			<a class="hover:underline" href={resolve('/jobs/[id]', { id: card.job.id })}
				>{card.job.name}</a
			>
		</h2>
		<div class="mt-2"><DataPanel job={card.job} scaleName={card.scaleName} /></div>
		{#if card.job.note}<p class="mt-1.5 truncate text-soft">{card.job.note}</p>{/if}
	</div>
	<div class="flex flex-col items-start gap-1.5 sm:items-end">
		{#if card.total}
			<svg
				width="168"
				height="16"
				role="img"
				aria-label="{card.done} of {card.total} steps done"
				class="text-ink"
			>
				{#each Array.from({ length: card.total }, (_, i) => i) as i (i)}
					<rect
						x={(i * 166) / card.total + 1}
						y="2"
						width={Math.max(2, 166 / card.total - 3)}
						height="12"
						fill={i < card.done ? 'currentColor' : 'none'}
						stroke="currentColor"
					/>
				{/each}
			</svg>
			<span class="figure text-soft">{card.done} of {card.total} steps</span>
		{:else}
			<span class="tag">{card.effects ? `${card.effects} effects noted` : 'nothing noted yet'}</span
			>
		{/if}
		<a
			class="font-label text-[1.05rem] font-semibold underline underline-offset-4"
			href={target.href}>{target.label}</a
		>
		<button class="tag hover:text-ink" onclick={onmove}
			>{card.job.archived ? 'Take out again' : 'Put away'}</button
		>
	</div>
</article>
