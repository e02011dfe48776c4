<script lang="ts">
	import { api, must, said } from '$lib/api/client';
	import Button from '$lib/ui/button.svelte';
	import { numberIn } from '$lib/ui/number';
	import { createQuery } from '@tanstack/svelte-query';
	import type { BottleView } from './shelf';
	import { stateOf } from './shelf';
	import SwatchForm from './swatch-form.svelte';

	/** One bottle: what is known of it, and what can be changed. */
	type Props = {
		bottle: BottleView;
		nameOf: (id: string) => string;
		rule: 'must' | 'not' | 'may';
		onrule: (rule: 'must' | 'not' | 'may') => void;
		onadd: () => void;
		onsave: (draft: BottleView['bottle']) => Promise<boolean>;
		ontake: () => void;
	};

	let { bottle, nameOf, rule, onrule, onadd, onsave, ontake }: Props = $props();

	const start = () => bottle.bottle;
	let amount = $state(String(start().amountMl));
	let place = $state(start().place ?? '');
	let notes = $state(start().notes ?? '');
	let drop = $state(String(start().dropMl));
	let keeps = $state(start().keepsUntil ?? '');
	const substitutes = createQuery(() => ({
		queryKey: ['shelf', 'substitutes', bottle.id],
		queryFn: () =>
			must(api.GET('/api/shelf/{id}/substitutes', { params: { path: { id: bottle.id } } }))
	}));
	const b = $derived(bottle.bottle);
	let problem = $state('');
</script>

<section aria-label={b.name} class="border-t-4 border-double border-line pt-2">
	<h3 class="text-xl">{b.name}</h3>
	<p class="text-soft">
		{[b.maker, b.family, b.finish].filter(Boolean).join(', ')}.
		{#if b.colour}<span class="figure"
				>L* {b.colour.l.toFixed(1)}, a* {b.colour.a.toFixed(1)}, b* {b.colour.b.toFixed(1)}</span
			>; <span class="border-b border-dashed border-ink">{bottle.provenance}</span>.{/if}
		{#if b.strength && Math.abs(b.strength - 1) > 0.005}Cards have taught a strength of {b.strength.toFixed(
				2
			)}.{/if}
		{#if bottle.clamped}A screen cannot show this colour; the nearest is drawn.{/if}
	</p>
	{#if bottle.tints}
		<p class="border-l-4 border-dashed border-ink pl-3">
			{#if bottle.tints.darkerThanVeil}Darker than a {b.finish} surface can be, so it counts as dark as
				paint gets.
			{/if}So dark a colour says little of its tints: four parts of white may make it anything from
			<span
				class="inline-block h-[1em] w-8 border border-line align-[-0.15em]"
				style:background={bottle.tints.leastHex}
				aria-hidden="true"
			></span>
			<span class="figure">{bottle.tints.leastHex}</span> to
			<span
				class="inline-block h-[1em] w-8 border border-line align-[-0.15em]"
				style:background={bottle.tints.mostHex}
				aria-hidden="true"
			></span>
			<span class="figure">{bottle.tints.mostHex}</span>. One swatch let down with white tells.
		</p>
	{/if}
	{#if stateOf(bottle)}<p class="font-semibold">! {stateOf(bottle)}</p>{/if}
	{#if bottle.whyNot}<p class="border-l-4 border-ink pl-3">{bottle.whyNot}</p>{/if}
	<form
		class="mt-2 flex flex-wrap items-end gap-2"
		onsubmit={(event) => {
			event.preventDefault();
			problem = '';
			try {
				void onsave({
					...b,
					amountMl: numberIn('Left', amount),
					dropMl: numberIn('A drop', drop),
					place,
					notes,
					keepsUntil: keeps || null
				});
			} catch (error) {
				problem = said(error);
			}
		}}
	>
		<label class="flex flex-col"
			><span class="tag">Left, ml</span><input
				class="w-20"
				inputmode="decimal"
				bind:value={amount}
			/></label
		>
		<label class="flex flex-col"
			><span class="tag">A drop, ml</span><input
				class="w-20"
				inputmode="decimal"
				bind:value={drop}
			/></label
		>
		<label class="flex flex-col"
			><span class="tag">Keeps until</span><input type="date" bind:value={keeps} /></label
		>
		<label class="flex flex-col"
			><span class="tag">Stands</span><input class="w-32" bind:value={place} /></label
		>
		<label class="flex grow flex-col"
			><span class="tag">Notes</span><input bind:value={notes} /></label
		>
		<Button type="submit">Save</Button>
		{#if problem}<p role="alert" class="basis-full border-l-4 border-ink pl-3">{problem}</p>{/if}
	</form>
	{#if bottle.mixes}
		<SwatchForm
			name={b.name}
			swatches={b.swatches ?? []}
			onsave={(swatches) => onsave({ ...b, swatches })}
		/>
	{/if}
	<div class="mt-2 flex flex-wrap gap-2">
		<Button disabled={!bottle.mixes} onclick={onadd}>A drop into the cup</Button>
		{#if bottle.mixes}
			<Button
				aria-pressed={rule === 'must'}
				onclick={() => onrule(rule === 'must' ? 'may' : 'must')}
				>{rule === 'must' ? '✓ Must be in the recipe' : 'Must be in the recipe'}</Button
			>
			<Button aria-pressed={rule === 'not'} onclick={() => onrule(rule === 'not' ? 'may' : 'not')}
				>{rule === 'not' ? '✓ Stays out of it' : 'Stays out of it'}</Button
			>
		{/if}
		<Button look="bare" onclick={ontake}>Take off the shelf</Button>
	</div>
	{#if substitutes.data?.length}
		<p class="mt-1 text-soft">
			Could stand in:
			{substitutes.data.map((s) => `${nameOf(s.key)} (ΔE ${s.deltaE00.toFixed(1)})`).join(', ')}.
		</p>
	{/if}
</section>
