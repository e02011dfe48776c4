<script lang="ts">
	import type { Schemas } from '$lib/api/client';
	import { span, when } from '$lib/time/time';

	/** What was done, latest first. */
	type Props = {
		log: Schemas['LogEntry'][];
		names: Record<string, string>;
		materials: Record<string, string>;
		now: number;
	};

	let { log, names, materials, now }: Props = $props();

	const finished = $derived([...log].filter((e) => e.finishedAt).reverse());
	const time = (iso: string) => new Date(iso).getTime();
</script>

<ol>
	{#each finished as e (e.id)}
		<li class="border-t border-line py-1.5">
			<span class="flex flex-wrap justify-between gap-x-4">
				<span class="font-semibold first-letter:uppercase"
					>{names[e.technique] ?? e.technique}, {materials[e.material] ?? e.material}</span
				>
				<span class="figure text-soft"
					>{when(e.startedAt, now)} · {span(
						time(e.finishedAt ?? e.startedAt) - time(e.startedAt)
					)}</span
				>
			</span>
			{#if e.note}<span class="block text-soft">{e.note}</span>{/if}
			{#if e.photographId}<img
					src="/api/photographs/{e.photographId}/picture?most=240"
					alt="Photograph at this step"
					class="mt-1 h-20 border border-line"
					loading="lazy"
				/>{/if}
		</li>
	{/each}
</ol>
