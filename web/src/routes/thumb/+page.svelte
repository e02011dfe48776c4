<script lang="ts">
	import LayoutCards from '$lib/thumb/layout-cards.svelte';
	import QuickCard from '$lib/thumb/quick-card.svelte';
	import { CARRIERS, EFFECTS, questions } from '$lib/thumb/questions';
	import Button from '$lib/ui/button.svelte';

	const { ratio, dilute, amount, flow, airbrush, scale } = questions();
	const two = (v: number) => v.toFixed(2);
	const nearest = (shares: number[]) => {
		const least = Math.min(...shares);
		return shares.map((s) => (s / least).toFixed(2).replace(/\.?0+$/, '')).join(' : ');
	};
</script>

<svelte:head><title>Rule of thumb – Pendrik</title></svelte:head>

<div class="px-5 py-4">
	<div class="no-print mb-3 flex flex-wrap items-center gap-4">
		<h1 class="text-3xl">Rule of thumb</h1>
		<p class="text-soft">Small answers, from what you typed last time. Try it on scrap first.</p>
		<Button class="ml-auto" onclick={() => window.print()}>Print as a mix card</Button>
	</div>
	<div class="grid gap-4 md:grid-cols-2 xl:grid-cols-3">
		<QuickCard
			title="Drops of a ratio"
			quick={ratio}
			fields={[
				{ key: 'parts', label: 'Parts', wide: true },
				{ key: 'ml', label: 'At least', unit: 'ml' },
				{ key: 'drop', label: 'A drop', unit: 'ml' }
			]}
		>
			{#snippet children(a)}
				<p><span class="figure text-3xl">{a.drops?.join(' + ')}</span> drops</p>
				<p class="text-soft">
					{two((a.millilitres ?? []).reduce((x, y) => x + y, 0))} ml; really {nearest(
						a.share ?? []
					)}.
				</p>
				{#if a.note}<p class="border-l-4 border-ink pl-3">{a.note}</p>{/if}
			{/snippet}
		</QuickCard>
		<QuickCard
			title="Alcohol, thinned"
			quick={dilute}
			fields={[
				{ key: 'stock', label: 'Bottle', unit: '%' },
				{ key: 'wanted', label: 'Wanted', unit: '%' },
				{ key: 'ml', label: 'Amount', unit: 'ml' }
			]}
		>
			{#snippet children(a)}
				<p>
					<span class="figure text-3xl">{a.stockMl} ml</span> from the bottle,
					<span class="figure text-3xl">{a.weakMl} ml</span> water
				</p>
				<p class="text-soft">Comes to {a.percent} %. No flame; air the room.</p>
			{/snippet}
		</QuickCard>
		<QuickCard
			title="How much to mix"
			quick={amount}
			fields={[
				{ key: 'length', label: 'Length', unit: 'mm' },
				{ key: 'height', label: 'Height', unit: 'mm' },
				{ key: 'sides', label: 'Sides' },
				{ key: 'models', label: 'Models' },
				{ key: 'coats', label: 'Coats' },
				{ key: 'film', label: 'Dry film', unit: 'µm' },
				{ key: 'thinner', label: 'Thinner to 1 paint' },
				{ key: 'cup', label: 'Cup', unit: 'ml' },
				{ key: 'bottle', label: 'Bottle', unit: 'ml' },
				{ key: 'price', label: 'Price', unit: 'a ml' }
			]}
		>
			{#snippet children(a)}
				<p>
					<span class="figure text-3xl">{a.paintDrops}</span> drops of paint,
					<span class="figure text-3xl">{two(a.mixMl)} ml</span> thinned
				</p>
				<p class="text-soft">
					{a.cups === 1
						? `One cup with ${two(a.mixMl)} ml`
						: `${a.cups} cups with ${two(a.mixMl / a.cups)} ml each`}; {(a.share * 100).toFixed(0)} %
					of a bottle; it costs {two(a.cost)}.
				</p>
			{/snippet}
		</QuickCard>
		<QuickCard
			title="Flow test"
			quick={flow}
			fields={[
				{
					key: 'by',
					label: 'By',
					choices: [
						['card', 'a tilted card, mm'],
						['cup', 'a flow cup, s']
					]
				},
				{ key: 'run', label: 'It ran' },
				{ key: 'line', label: 'Yours runs' },
				{ key: 'paint', label: 'Paint', unit: 'drops' },
				{ key: 'thinner', label: 'Thinner', unit: 'drops' }
			]}
		>
			{#snippet children(a)}
				<p>
					{#if a.onTheLine}
						<span class="figure text-3xl">On the line</span>
					{:else if a.thinnerDrops > 0}
						<span class="figure text-3xl">+ {a.thinnerDrops}</span> drops of thinner
					{:else if a.paintDrops > 0}
						<span class="figure text-3xl">+ {a.paintDrops}</span> drops of paint
					{:else}
						<span class="figure text-3xl">Drops do not do it</span>
					{/if}
				</p>
				{#if a.note}<p class="border-l-4 border-ink pl-3">{a.note}</p>{/if}
				<p class="text-soft">
					Thinner is {(a.share * 100).toFixed(0)} % of the cup now{#if a.thinnerDrops || a.paintDrops},
						{(a.wanted * 100).toFixed(0)} % then{/if}. Test again.
				</p>
			{/snippet}
		</QuickCard>
		<QuickCard
			title="Airbrush, where to begin"
			quick={airbrush}
			fields={[
				{ key: 'effect', label: 'For', choices: EFFECTS },
				{ key: 'ratio', label: 'Scale 1 :' },
				{ key: 'carries', label: 'Carrier', choices: CARRIERS },
				{
					key: 'retarder',
					label: 'Retarder',
					choices: [
						['no', 'no'],
						['yes', 'yes']
					]
				},
				{ key: 'celsius', label: 'Air', unit: '°C' },
				{ key: 'humidity', label: 'Damp', unit: '%' }
			]}
		>
			{#snippet children(a)}
				<p>
					<span class="figure text-3xl">{a.fromBar.toFixed(1)}–{a.toBar.toFixed(1)} bar</span>
					<span class="text-soft">{Math.round(a.fromPsi)}–{Math.round(a.toPsi)} psi</span>, needle {a.needleMm}
					mm, from
					{Math.round(a.fromMm)}–{Math.round(a.toMm)} mm
				</p>
				<p class="text-soft">
					Mix {a.milk}. Tip-dry: {a.tipDry === 'HIGH'
						? 'likely'
						: a.tipDry === 'LOW'
							? 'unlikely'
							: 'as usual'}.
					{a.lowers.join(' ')} Booth and mask as the safety sheet says.
				</p>
			{/snippet}
		</QuickCard>
		<QuickCard
			title="Prototype and model"
			quick={scale}
			fields={[
				{ key: 'length', label: 'Length', wide: true },
				{
					key: 'on',
					label: 'On the',
					choices: [
						['PROTOTYPE', 'prototype'],
						['MODEL', 'model']
					]
				},
				{ key: 'ratio', label: 'Scale 1 :' },
				{ key: 'viewing', label: 'Seen from', unit: 'mm' }
			]}
		>
			{#snippet children(a)}
				<p>
					<span class="figure text-3xl">{a.model.mm} mm</span>
					<span class="text-soft">{a.model.feetInches}</span> on the model
				</p>
				<p>
					<span class="figure">{a.prototype.mm} mm</span>
					<span class="text-soft">{a.prototype.feetInches}</span> on the prototype
				</p>
				<p class="text-soft">
					Smallest mark seen: {two(a.smallestModelMm)} mm, {Number(a.smallestPrototype.mm).toFixed(
						1
					)} mm of the prototype; smallest made: {two(a.makeableModelMm)} mm, {a.finestTool}.
				</p>
				<details>
					<summary>In other scales</summary>
					<ul class="columns-2">
						{#each a.others as o (o.name)}<li>
								{o.name} <span class="figure">{o.model.mm} mm</span>
							</li>{/each}
					</ul>
				</details>
			{/snippet}
		</QuickCard>
		<LayoutCards />
	</div>
</div>
