<script lang="ts">
	import type { Schemas } from '$lib/api/client';
	import type { Snippet } from 'svelte';
	import { sidesOf, type Side } from './sides';

	/** The sides of the subject, each with how many photographs it has. */
	type Props = {
		side: Side;
		kind: Schemas['Job']['kind'];
		photographs: Schemas['Photograph'][];
		children?: Snippet;
	};

	let { side = $bindable(), kind, photographs, children }: Props = $props();

	const count = (s: Side) => photographs.filter((p) => p.side === s).length;
</script>

<div class="mb-2 flex flex-wrap items-baseline gap-x-5 gap-y-1" role="group" aria-label="Side">
	{#each sidesOf(kind) as s (s.key)}
		<button
			class="min-h-7 border-b-2 font-label text-lg font-semibold {side === s.key
				? 'border-ink'
				: 'border-transparent text-soft'}"
			aria-pressed={side === s.key}
			onclick={() => (side = s.key)}
			>{s.label}{#if count(s.key)}<span class="figure ml-1 text-base font-normal"
					>{count(s.key)}</span
				>{/if}</button
		>
	{/each}
	<span class="ml-auto"
		>{#if children}{@render children()}{/if}</span
	>
</div>
