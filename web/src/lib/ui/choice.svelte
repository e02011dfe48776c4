<script lang="ts" generics="K extends string">
	import { ToggleGroup } from 'bits-ui';

	/** One of a few things that exclude each other, all of them in sight; arrow keys go through them. */
	type Item = { key: K; label: string; count?: number; title?: string };
	type Props = {
		label: string;
		items: readonly Item[];
		value: K;
		onchange: (key: K) => void;
		/** Words in a line, boxes that stand for switches, or small print. */
		look?: 'words' | 'boxes' | 'tags';
		class?: string;
	};

	let { label, items, value, onchange, look = 'words', class: more = '' }: Props = $props();

	const LOOKS = {
		tags: 'tag border-b-2 border-transparent px-1 py-1 data-[state=on]:border-ink data-[state=on]:text-ink',
		words:
			'min-h-7 border-b-2 border-transparent font-label text-lg font-semibold text-soft data-[state=on]:border-ink data-[state=on]:text-ink',
		boxes:
			'min-h-9 border border-soft px-2 font-label font-semibold data-[state=on]:border-ink data-[state=on]:bg-ink data-[state=on]:text-ground'
	};
</script>

<ToggleGroup.Root
	type="single"
	aria-label={label}
	{value}
	class="flex flex-wrap items-baseline {look === 'words' ? 'gap-x-5 gap-y-1' : 'gap-1'} {more}"
	onValueChange={(key) => {
		// what is chosen stays chosen when it is pressed again
		if (key) onchange(key as K);
	}}
>
	{#each items as item (item.key)}
		<ToggleGroup.Item value={item.key} title={item.title ?? ''} class={LOOKS[look]}
			>{item.label}{#if item.count}<span class="figure ml-1 text-base font-normal"
					>{item.count}</span
				>{/if}</ToggleGroup.Item
		>
	{/each}
</ToggleGroup.Root>
