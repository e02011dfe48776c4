<script lang="ts">
	import { Desk } from './desk.svelte';

	const desk = Desk.get();
</script>

<div
	class="no-print pointer-events-none fixed right-4 bottom-4 z-50 flex w-[min(26rem,calc(100vw-2rem))] flex-col gap-2"
	role="status"
	aria-live="polite"
>
	{#each desk.toasts as toast (toast.id)}
		<div
			class="pointer-events-auto flex items-start gap-3 border-2 bg-sheet px-3 py-2 shadow-lg {toast.kind ===
			'failed'
				? 'border-ink'
				: 'border-line'}"
			data-kind={toast.kind}
		>
			<span class="tag mt-0.5 text-ink" aria-hidden="true"
				>{toast.kind === 'failed' ? '✕ not stored' : '✓'}</span
			>
			<p class="grow first-letter:uppercase">{toast.text}</p>
			{#if toast.undo}
				<button class="tag underline" onclick={() => desk.undo()}>Undo</button>
			{/if}
			<button
				class="tag min-h-7 min-w-7"
				aria-label="Close this message"
				onclick={() => desk.drop(toast.id)}>×</button
			>
		</div>
	{/each}
</div>
