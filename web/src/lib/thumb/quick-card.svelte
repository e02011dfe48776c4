<script lang="ts" generics="K extends string, F extends Record<K, string>, A">
	import Select from '$lib/ui/select.svelte';
	import type { Snippet } from 'svelte';
	import type { Quick } from './quick.svelte';

	type Field = {
		key: K;
		label: string;
		unit?: string;
		wide?: boolean;
		choices?: [string, string][];
	};
	/** A question with its fields above and its answer beneath, large enough for wet hands. */
	type Props = { title: string; quick: Quick<F, A>; fields: Field[]; children: Snippet<[A]> };

	let { title, quick, fields, children }: Props = $props();

	$effect(() => {
		void quick.ask();
	});
</script>

<section
	aria-label={title}
	class="flex flex-col gap-2 border-t-4 border-double border-line bg-sheet p-4"
>
	<h2 class="text-2xl">{title}</h2>
	<div class="flex flex-wrap items-end gap-2">
		{#each fields as f (f.key)}
			<label class="flex flex-col">
				<span class="tag"
					>{f.label}{#if f.unit}<span class="normal-case">, {f.unit}</span>{/if}</span
				>
				{#if f.choices}
					<Select
						class="min-h-11 text-lg"
						value={quick.fields[f.key]}
						onchange={(held) => {
							quick.fields[f.key] = held as F[K];
							quick.changed();
						}}
						options={f.choices}
					/>
				{:else}
					<input
						class="figure min-h-11 text-xl {f.wide ? 'w-40' : 'w-24'}"
						inputmode={f.wide ? 'text' : 'decimal'}
						bind:value={quick.fields[f.key]}
						oninput={() => quick.changed()}
					/>
				{/if}
			</label>
		{/each}
	</div>
	{#if quick.problem}
		<p role="alert" class="border-l-4 border-ink pl-3">{quick.problem}</p>
	{:else if quick.answer !== undefined}
		<div class="text-lg" aria-live="polite">{@render children(quick.answer)}</div>
	{/if}
</section>
