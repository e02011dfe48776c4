<script lang="ts">
	import { resolve } from '$app/paths';
	import { page } from '$app/state';
	import { mixSheetQuery } from '$lib/api/queries';
	import MixCard from '$lib/bench/mix-card.svelte';
	import { Keys } from '$lib/keys/keys.svelte';
	import Button from '$lib/ui/button.svelte';
	import Loaded from '$lib/ui/loaded.svelte';
	import { createQuery } from '@tanstack/svelte-query';

	const id = $derived(page.params.id ?? '');
	const step = $derived(page.params.step ?? '');
	const sheet = createQuery(() => mixSheetQuery(id, step));

	Keys.use('Mix card', () => [{ key: 'p', label: 'Print', run: () => window.print() }]);
</script>

<svelte:head><title>Mix card – Pendrik</title></svelte:head>

<div class="mx-auto max-w-[44rem] px-5 py-4">
	<div class="no-print mb-4 flex flex-wrap items-center gap-4">
		<Button look="act" onclick={() => window.print()}>Print the mix card</Button>
		<a class="underline" href={resolve('/jobs/[id]/makeup', { id })}>Back to Make-up</a>
	</div>
	<Loaded query={sheet}>
		{#snippet children(s)}
			<article class="flex flex-col gap-3" aria-label="Mix card of {s.step}">
				<div>
					<p class="tag">{s.job}</p>
					<h1 class="font-stencil text-4xl leading-none font-bold first-letter:uppercase">
						{s.step}
					</h1>
					<p class="text-lg">{s.zones.join(', ')}</p>
				</div>
				{#if s.mix}
					<MixCard mix={s.mix} />
				{:else}
					<p class="sheet px-5 py-3 text-xl">{s.material}, as it comes.</p>
				{/if}
				<p><span class="tag">Stroke</span> {s.stroke}</p>
				<p><span class="tag">Stop rule</span> {s.stopRule}</p>
				{#if s.caution}
					<p class="border-2 border-ink px-4 py-2">
						<strong class="tag text-ink">Caution</strong><br />{s.caution} The safety data sheet of the
						product comes first.
					</p>
				{/if}
			</article>
		{/snippet}
	</Loaded>
</div>
