<script lang="ts" generics="V extends string | number">
	import { Select } from 'bits-ui';

	/** What is kept, and what is read. */
	type Option = readonly [value: V, label: string];
	/**
	 * One of many things: closed it shows the one, open it shows all, and typing first letters finds one of them.
	 * Groups have a heading each and stand in place of options. A label around it or `for` its id names it.
	 * Bound, it keeps what is chosen; with `onchange` it shows what it is given, whatever is chosen.
	 */
	type Props = {
		value: V;
		options?: readonly Option[];
		groups?: readonly (readonly [heading: string, options: readonly Option[]])[];
		onchange?: (value: V) => void;
		id?: string;
		label?: string | undefined;
		disabled?: boolean;
		/** It and what is in the list are large enough for a thumb in a wet glove. */
		roomy?: boolean;
		class?: string;
	};

	const uid = $props.id();
	let {
		value = $bindable(),
		options = [],
		groups,
		onchange,
		id = `select-${uid}`,
		label,
		disabled = false,
		roomy = false,
		class: more = ''
	}: Props = $props();

	const grouped = $derived(groups ?? [['', options] as const]);
	const all = $derived(grouped.flatMap(([, of]) => of));
	const shown = $derived(all.find(([key]) => key === value)?.[1] ?? '');

	/** Says that the list goes on. */
	const MORE = 'bg-ground py-0.5 text-center text-[0.6rem] text-soft';

	/** Keys that may be numbers or empty, as the text that an item is known by. */
	const name = (key: V) => `=${key}`;

	function choose(item: string) {
		const hit = all.find(([key]) => name(key) === item);
		if (!hit || hit[0] === value) return;
		if (onchange) onchange(hit[0]);
		else value = hit[0];
	}
</script>

<Select.Root type="single" bind:value={() => name(value), choose} {disabled}>
	<Select.Trigger
		{id}
		aria-label={label}
		data-value={value}
		class="field inline-flex max-w-full min-w-0 items-center justify-between gap-2 text-left disabled:text-soft {roomy
			? 'min-h-14'
			: ''} {more}"
	>
		<span class="truncate">{shown || '\u00a0'}</span>
		<svg viewBox="0 0 10 6" class="h-1.5 w-2.5 shrink-0" aria-hidden="true"
			><path d="M1 1l4 4 4-4" fill="none" stroke="currentColor" stroke-width="1.5" /></svg
		>
	</Select.Trigger>
	<Select.Portal>
		<Select.Content
			sideOffset={2}
			class="z-50 flex max-h-[min(22rem,var(--bits-select-content-available-height))] max-w-[min(32rem,calc(100vw-1rem))] min-w-(--bits-select-anchor-width) flex-col border border-soft bg-sheet shadow-md"
		>
			<Select.ScrollUpButton class={MORE}>▲</Select.ScrollUpButton>
			<Select.Viewport class="min-h-0 overflow-y-auto py-1">
				{#each grouped as [heading, of] (heading)}
					<Select.Group>
						{#if heading}<Select.GroupHeading class="tag px-2 pt-2">{heading}</Select.GroupHeading
							>{/if}
						{#each of as [key, text] (key)}
							<Select.Item
								value={name(key)}
								label={text}
								class="flex cursor-pointer items-center border-l-4 border-transparent px-2 py-1 data-highlighted:bg-ink data-highlighted:text-ground data-[selected]:border-ink {roomy
									? 'min-h-14 text-xl'
									: 'min-h-8 pointer-coarse:min-h-11'}">{text}</Select.Item
							>
						{/each}
					</Select.Group>
				{/each}
			</Select.Viewport>
			<Select.ScrollDownButton class={MORE}>▼</Select.ScrollDownButton>
		</Select.Content>
	</Select.Portal>
</Select.Root>
