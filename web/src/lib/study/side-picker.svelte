<script lang="ts">
	import type { Schemas } from '$lib/api/client';
	import Choice from '$lib/ui/choice.svelte';
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

<div class="mb-2 flex flex-wrap items-baseline gap-x-5 gap-y-1">
	<Choice
		label="Side"
		value={side}
		items={sidesOf(kind).map((s) => ({ ...s, count: count(s.key) }))}
		onchange={(key) => (side = key)}
	/>
	<span class="ml-auto"
		>{#if children}{@render children()}{/if}</span
	>
</div>
