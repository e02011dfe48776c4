<script lang="ts">
	import { Desk, type Toast } from './desk.svelte';

	/** At the bench: above what is worked with, and for a wet glove. */
	let { atBench }: { atBench: boolean } = $props();

	const desk = Desk.get();
	const target = $derived(atBench ? 'min-h-14 min-w-14' : 'min-h-7 min-w-7');
	const marks: Record<Toast['kind'], string> = { saved: '✓', warned: '!', failed: '✕ not stored' };
</script>

<div
	class="no-print pointer-events-none fixed right-4 z-50 flex w-[min(26rem,calc(100vw-2rem))] flex-col gap-2 {atBench
		? 'top-2 text-[1.3rem]'
		: 'bottom-4'}"
	role="status"
	aria-live="polite"
>
	{#each desk.toasts as toast (toast.id)}
		<div
			class="pointer-events-auto flex items-center gap-3 border-2 bg-sheet px-3 py-2 shadow-lg {toast.kind ===
			'saved'
				? 'border-line'
				: 'border-ink'}"
			data-kind={toast.kind}
		>
			<span class="tag text-ink" aria-hidden="true">{marks[toast.kind]}</span>
			<p class="grow first-letter:uppercase">{toast.text}</p>
			{#if toast.undo}
				<button
					class="tag underline {target} {atBench ? 'text-base' : ''}"
					onclick={() => desk.undo()}>Undo</button
				>
			{/if}
			<button
				class="text-xl leading-none {target}"
				aria-label="Close this message"
				onclick={() => desk.drop(toast.id)}>×</button
			>
		</div>
	{/each}
</div>
