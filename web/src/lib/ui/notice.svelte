<script lang="ts">
	import type { Snippet } from 'svelte';

	/** An empty, waiting or failed state: what is so, and what to do about it. */
	type Props = { title: string; text?: string; kind?: 'empty' | 'failed'; children?: Snippet };

	let { title, text, kind = 'empty', children }: Props = $props();
</script>

<div
	class="flex flex-col items-start gap-3 border-2 border-dashed px-6 py-8 {kind === 'failed'
		? 'border-ink'
		: 'border-line'}"
	role={kind === 'failed' ? 'alert' : undefined}
>
	<h2 class="text-2xl">{title}</h2>
	{#if text}<p class="max-w-prose text-soft">{text}</p>{/if}
	{@render children?.()}
</div>
