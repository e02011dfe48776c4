<script lang="ts">
	import type { Schemas } from '$lib/api/client';
	import { factoryOffersQuery } from '$lib/api/queries';
	import ColourFields from '$lib/shelf/colour-fields.svelte';
	import Button from '$lib/ui/button.svelte';
	import { number } from '$lib/ui/number';
	import Select from '$lib/ui/select.svelte';
	import { createQuery } from '@tanstack/svelte-query';
	import { factorySaid, grouped, REGION, TYPED } from './factory-colour';
	import type { StudyDesk } from './study-desk.svelte';

	/** What the subject left the factory in: shown by a region, or said to be a colour that stands ready. */
	type Props = { jobId: string; desk: StudyDesk; regionHex?: string | undefined };
	let { jobId, desk, regionHex }: Props = $props();

	let line = $state<HTMLDivElement>();
	let open = $state(false);
	let choice = $state<string>();
	let l = $state('');
	let a = $state('');
	let b = $state('');
	const offers = createQuery(() => factoryOffersQuery(jobId, open));

	const paint = $derived(desk.factory?.paint);
	const region = $derived(desk.regions.find((r) => r.factory));
	const typed = $derived({ l: number(l), a: number(a), b: number(b) });
	const hex = $derived(desk.factory ? desk.factory.hex : regionHex);
	const now = $derived(choice ?? (paint ? (paint.source === 'TYPED' ? TYPED : '') : REGION));

	async function choose(key: string) {
		choice = key;
		if (key === TYPED) {
			l = paint ? paint.l.toFixed(1) : '';
			a = paint ? paint.a.toFixed(1) : '';
			b = paint ? paint.b.toFixed(1) : '';
			return;
		}
		const offer = key === REGION ? null : offers.data?.[Number(key)];
		if (offer !== undefined && (await desk.sayFactory(offer?.paint ?? null))) close();
	}

	async function keepTyped(event: SubmitEvent) {
		event.preventDefault();
		const said: Schemas['FactoryPaint'] = { source: 'TYPED', name: '', ...typed };
		if (await desk.sayFactory(said)) close();
	}

	function close() {
		open = false;
		choice = undefined;
		// what had the keys goes: they go on at the line
		line?.focus({ preventScroll: true });
	}
</script>

<div
	bind:this={line}
	tabindex="-1"
	class="flex flex-wrap items-center gap-x-3 gap-y-1 outline-none"
>
	<span
		class="block h-8 w-11 shrink-0 border border-soft"
		style:background-color={hex ?? 'transparent'}
	></span>
	<p class="min-w-0 flex-1 leading-tight">
		<span class="font-semibold">{factorySaid(paint, region?.name)[0]}</span>
		<span class="block text-soft">{factorySaid(paint, region?.name)[1]}</span>
	</p>
	<Button look="bare" onclick={() => (open ? close() : (open = true))} aria-expanded={open}
		>{open ? 'Leave it' : paint || region ? 'Another one' : 'Say what it is'}</Button
	>
</div>
{#if open}
	<div class="mt-2 flex flex-col gap-2 border-l-2 border-ink pl-3">
		{#if offers.error}
			<p role="alert">{offers.error.message}</p>
		{:else}
			<Select
				label="What the factory colour is"
				value={now}
				groups={grouped(offers.data ?? [], region?.name)}
				onchange={(key) => void choose(key)}
			/>
		{/if}
		{#if now === TYPED}
			<form class="flex flex-wrap items-end gap-2" onsubmit={(event) => void keepTyped(event)}>
				<ColourFields bind:l bind:a bind:b />
				<Button type="submit" disabled={!Object.values(typed).every(Number.isFinite)}
					>That is the factory colour</Button
				>
			</form>
		{/if}
	</div>
{/if}
