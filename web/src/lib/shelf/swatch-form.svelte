<script lang="ts">
	import Select from '$lib/ui/select.svelte';
	import { said } from '$lib/api/client';
	import Button from '$lib/ui/button.svelte';
	import { numberIn } from '$lib/ui/number';
	import ColourFields from './colour-fields.svelte';
	import type { BottleView } from './shelf';

	/** Swatches beside the hiding coat: over black and white, and let down with white. */
	type Swatch = NonNullable<BottleView['bottle']['swatches']>[number];
	type Props = {
		name: string;
		swatches: Swatch[];
		onsave: (swatches: Swatch[]) => Promise<boolean>;
	};

	let { name, swatches, onsave }: Props = $props();

	const KINDS = [
		['BLACK', 'a usual coat over black'],
		['WHITE', 'a usual coat over white'],
		['LET_DOWN', 'let down with white']
	] as const;
	const has = (ground: Swatch['ground']) => swatches.some((s) => s.ground === ground);
	// what is still missing comes first
	const next = () => (!has('BLACK') ? 'BLACK' : !has('WHITE') ? 'WHITE' : 'LET_DOWN');
	let kind = $state<Swatch['ground']>(next());
	let share = $state('10');
	let l = $state('');
	let a = $state('');
	let b = $state('');
	let problem = $state('');
	const told = (s: Swatch) =>
		s.ground === 'LET_DOWN'
			? `${+(s.share * 100).toFixed(2)} % in white`
			: s.ground === 'BLACK'
				? 'over black'
				: 'over white';
	const half = $derived(has('BLACK') !== has('WHITE'));

	const typed = (): Swatch => ({
		ground: kind,
		share: kind === 'LET_DOWN' ? numberIn('Share of the paint', share) / 100 : 1,
		seen: { l: numberIn('L*', l), a: numberIn('a*', a), b: numberIn('b*', b) }
	});

	/** What was typed stays until it is stored. */
	async function add(event: SubmitEvent) {
		event.preventDefault();
		problem = '';
		let fresh: Swatch;
		try {
			fresh = typed();
		} catch (error) {
			problem = said(error);
			return;
		}
		const others = swatches.filter(
			(s) => s.ground !== kind || (kind === 'LET_DOWN' && s.share !== fresh.share)
		);
		if (await onsave([...others, fresh])) l = a = b = '';
	}
</script>

<details class="mt-2" open={swatches.length > 0}>
	<summary class="cursor-pointer"
		><span class="tag">Swatches</span>
		{swatches.length ? swatches.map(told).join(', ') : 'none but the hiding coat'}</summary
	>
	<p class="mt-1 text-soft">
		How a paint covers and tints shows on two more cards: a usual coat across black and white, or
		one part of it in nine of white. Photograph them dry and measure them in Study.
	</p>
	{#if swatches.length}
		<ul class="mt-1">
			{#each swatches as s, i (i)}
				<li class="flex flex-wrap items-baseline gap-x-3">
					<span class="w-32">{told(s)}</span>
					<span class="figure"
						>L* {s.seen.l.toFixed(1)}, a* {s.seen.a.toFixed(1)}, b* {s.seen.b.toFixed(1)}</span
					>
					<Button
						look="bare"
						aria-label="Leave out the swatch {told(s)} of {name}"
						onclick={() => void onsave(swatches.filter((o) => o !== s))}>Leave out</Button
					>
				</li>
			{/each}
		</ul>
	{/if}
	{#if half}<p class="border-l-4 border-ink pl-3">
			One ground alone tells nothing: add the coat over the other.
		</p>{/if}
	<form class="mt-1 flex flex-wrap items-end gap-2" onsubmit={(event) => void add(event)}>
		<label class="flex flex-col"
			><span class="tag">Swatch</span><Select
				bind:value={kind}
				options={KINDS.map(([key, label]) => [key, label] as const)}
			/></label
		>
		{#if kind === 'LET_DOWN'}<label class="flex flex-col"
				><span class="tag">Of it, %</span><input
					class="w-16"
					inputmode="decimal"
					bind:value={share}
				/></label
			>{/if}
		<ColourFields bind:l bind:a bind:b />
		<Button type="submit">Keep swatch</Button>
		{#if problem}<p role="alert" class="basis-full border-l-4 border-ink pl-3">{problem}</p>{/if}
	</form>
</details>
