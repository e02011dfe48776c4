<script lang="ts">
	import type { Progress } from '$lib/api/progress.svelte';

	/** Long work as it goes on, with the way to stop it. Nothing is shown while nothing runs. */
	let { progress, waiting }: { progress: Progress; waiting: string } = $props();
</script>

{#if progress.running}
	<p class="flex items-center gap-3" role="status">
		<span>{progress.what || waiting} …</span>
		<progress class="h-1.5 w-28" max="1" value={progress.share} aria-label={waiting}></progress>
		<button class="tag underline" onclick={() => progress.stop()}>stop</button>
	</p>
{/if}
