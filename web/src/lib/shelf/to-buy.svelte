<script lang="ts">
	import { shoppingQuery } from '$lib/api/queries';
	import { createQuery } from '@tanstack/svelte-query';
	import { stateOf, type BottleView } from './shelf';

	/** What the plans ahead take and the shelf has not, and what perishes. */
	let { bottles }: { bottles: BottleView[] } = $props();

	const shopping = createQuery(() => shoppingQuery());
	const short = $derived((shopping.data ?? []).filter((l) => l.shortMl > 0));
	const going = $derived(
		bottles.filter((b) => b.state === 'PERISHES_SOON' || b.state === 'PERISHED')
	);
	const day = (iso: string | null | undefined) =>
		iso
			? new Date(`${iso}T12:00`).toLocaleDateString('en-GB', { day: 'numeric', month: 'long' })
			: '';
</script>

<section aria-label="To buy">
	<h2 class="text-2xl">Short for the plans ahead</h2>
	{#if short.length}
		<ul>
			{#each short as l (l.name)}
				<li class="border-t border-line py-1">
					<strong>{l.name}</strong>
					<span class="figure">{l.shortMl.toFixed(1)} ml</span>
					<span class="text-soft"
						>{l.leftMl === null
							? 'does not stand on the shelf'
							: `${l.leftMl?.toFixed(1)} ml left`}; {l.neededMl.toFixed(1)} ml for {l.jobs.join(
							', '
						)}</span
					>
				</li>
			{/each}
		</ul>
	{:else if shopping.data}
		<p class="text-soft">Everything that the open steps take stands here.</p>
	{/if}
	{#if going.length}
		<h2 class="mt-3 text-2xl">What perishes</h2>
		<ul>
			{#each going as b (b.id)}
				<li class="border-t border-line py-1">
					<strong>{b.bottle.name}</strong>
					{stateOf(b)}, keeps until {day(b.bottle.keepsUntil)}{b.bottle.place
						? `, ${b.bottle.place}`
						: ''}
				</li>
			{/each}
		</ul>
	{/if}
</section>
