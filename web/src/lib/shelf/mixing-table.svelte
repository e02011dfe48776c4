<script lang="ts">
	import Select from '$lib/ui/select.svelte';
	import { searching } from '$lib/api/progress.svelte';
	import Button from '$lib/ui/button.svelte';
	import Working from '$lib/ui/working.svelte';
	import type { MixingTable } from './mixing.svelte';
	import { lampNames, type BottleView } from './shelf';
	import TargetForm from './target-form.svelte';

	/** Target and mix in the same light, touching edges; the cup beneath, drop by drop. */
	type Props = { table: MixingTable; bottles: BottleView[]; onkeep: () => void };

	let { table, bottles, onkeep }: Props = $props();

	const lamp = $derived(table.view?.lamps[table.light]);
	const target = $derived(lamp?.target ?? table.wanted?.under[table.light]);
	const signed = (v: number) =>
		Math.abs(v) < 0.05 ? '0.0' : (v > 0 ? '+' : '−') + Math.abs(v).toFixed(1);
	const nameOf = (id: string) => bottles.find((b) => b.id === id)?.bottle.name ?? 'a bottle';
	let section = $state<HTMLElement>();

	/** Goes to the fields of the colour that is wanted. */
	export function aim() {
		section?.querySelector('input')?.select();
	}

	const isDark = (id: string) => !!bottles.find((b) => b.id === id)?.tints;
	const effect = (id: string) => table.view?.effects.find((e) => e.bottle === id);
	const families = $derived(
		[...new Set(bottles.filter((b) => b.mixes).map((b) => b.bottle.family))].toSorted()
	);
	const worst = $derived(
		Object.entries(table.view?.lamps ?? {}).toSorted((x, y) => y[1].metamerism - x[1].metamerism)[0]
	);
</script>

<section bind:this={section} aria-label="Mixing table" class="flex flex-col gap-3">
	{#key table.target}
		<TargetForm
			target={table.target}
			onaim={(t) => void table.aim(t)}
			onfade={(by) => void table.fade(by)}
		/>
	{/key}
	<div class="flex h-44 bg-[#8c8c8c] p-5" data-testid="swatches">
		<div
			class="flex-1"
			style:background={target ?? 'transparent'}
			role="img"
			aria-label="target"
		></div>
		<div
			class="flex-1"
			style:background={lamp?.mix ?? 'transparent'}
			role="img"
			aria-label="mix"
		></div>
	</div>
	<p class="tag -mt-2 grid grid-cols-2 px-5" aria-hidden="true">
		<span>{target ? 'target' : 'no target'}</span><span
			>{lamp ? 'mix in the cup' : 'empty cup'}</span
		>
	</p>
	{#if table.problem}
		<p role="alert" class="border-l-4 border-ink pl-3">{table.problem}</p>
	{/if}
	{#if table.view && lamp}
		<p class="text-lg">
			{#if lamp.difference}
				{#if lamp.words === 'as it is'}
					Under {lampNames[table.light].toLowerCase()} the mix <strong>looks as the target</strong>:
				{:else}
					Under {lampNames[table.light].toLowerCase()} the mix is <strong>{lamp.words}</strong>
					than the target:
				{/if}
				<span class="figure">ΔE {lamp.difference.deltaE00.toFixed(2)}</span>
				<span class="text-soft"
					>(ΔL {signed(lamp.difference.deltaL)}, ΔC {signed(lamp.difference.deltaC)}, ΔH {signed(
						lamp.difference.deltaH
					)})</span
				>.
			{:else}
				No target yet: this is what the drops come to.
			{/if}
		</p>
		<p class="text-soft">
			{table.view.drops}
			{table.view.drops === 1 ? 'drop' : 'drops'}, {table.view.millilitres.toFixed(2)} ml, hides {Math.round(
				table.view.hiding * 100
			)} % in a coat.
			{#if worst && worst[1].metamerism >= 0.5}
				Under {lampNames[worst[0] as keyof typeof lampNames].toLowerCase()} the two part by {worst[1].metamerism.toFixed(
					1
				)} more.
			{/if}
			{#if table.view.estimated}<span class="border-b border-dashed border-ink"
					>Estimated from colours, not from spectra: mix a drop on card first.</span
				>{/if}
		</p>
		<ol aria-label="Drops in the cup">
			{#each table.drops as d, i (d.bottle)}
				{@const e = effect(d.bottle)}
				<li
					class="grid grid-cols-[auto_2.6rem_auto_1fr] items-center gap-2 border-t border-line py-1 {i ===
					table.chosen
						? 'bg-sunk'
						: ''}"
					aria-current={i === table.chosen ? 'true' : undefined}
				>
					<Button
						aria-label="One drop less of {nameOf(d.bottle)}"
						onclick={() => void table.add(d.bottle, -1)}>−</Button
					>
					<span class="figure text-center text-2xl">{d.drops}</span>
					<Button
						aria-label="One drop more of {nameOf(d.bottle)}"
						onclick={() => void table.add(d.bottle, 1)}>+</Button
					>
					<span>
						<strong>{nameOf(d.bottle)}</strong>
						{#if isDark(d.bottle)}<span class="tag border-b border-dashed border-ink"
								>too dark to tell its tints</span
							>{/if}
						{#if e}
							<span class="block text-sm text-soft"
								>one more: {e.oneMore}{e.oneLess ? `; one less: ${e.oneLess}` : ''}</span
							>
						{/if}
					</span>
				</li>
			{/each}
		</ol>
	{:else}
		<p class="text-soft">
			The cup is empty. Pick a paint on the shelf to add a drop, or say which colour you want and
			let the shelf be searched.
		</p>
	{/if}
	<div class="flex flex-wrap items-end gap-2">
		<Button
			look="act"
			disabled={!table.target || searching.running}
			onclick={() => void table.search()}>Find the best recipe</Button
		>
		<label class="flex flex-col"
			><span class="tag">Bottles</span><Select
				bind:value={table.limits.mostPaints}
				options={[1, 2, 3, 4].map((n) => [n, `at most ${n}`] as const)}
			/></label
		>
		<label class="flex flex-col"
			><span class="tag">Drops</span><Select
				bind:value={table.limits.mostDrops}
				options={[4, 6, 8, 10, 12, 16, 20].map((n) => [n, `at most ${n}`] as const)}
			/></label
		>
		<label class="flex flex-col"
			><span class="tag">Hides at least</span><Select
				bind:value={table.limits.opacity}
				options={[
					[0, 'as it comes'],
					...[0.8, 0.9, 0.95].map((n) => [n, `${n * 100} % a coat`] as const)
				]}
			/></label
		>
		<label class="flex items-center gap-2 pb-2"
			><input type="checkbox" bind:checked={table.limits.exact} /> the very best</label
		>
		<Button disabled={table.drops.length === 0} onclick={onkeep}>Keep the recipe</Button>
	</div>
	{#if families.length > 1}
		<details>
			<summary
				>{table.limits.families.length
					? `Share a cup: ${table.limits.families.join(', ')}`
					: 'Only bottles of one family share a cup'}</summary
			>
			<fieldset class="flex flex-wrap gap-x-4">
				<legend class="text-soft"
					>Let families share a cup only where their makers say so. Oil and water part.</legend
				>
				{#each families as f (f)}
					<label class="flex min-h-7 items-center gap-1.5"
						><input type="checkbox" value={f} bind:group={table.limits.families} />{f}</label
					>
				{/each}
			</fieldset>
		</details>
	{/if}
	{#if table.limits.must.length + table.limits.not.length > 0}
		<p class="text-soft">
			{#if table.limits.must.length}Must be in: {table.limits.must.map(nameOf).join(', ')}.{/if}
			{#if table.limits.not.length}Stays out: {table.limits.not.map(nameOf).join(', ')}.{/if}
		</p>
	{/if}
	{#if searching.running}
		<div class="flex items-center gap-3">
			<Working progress={searching} waiting="searching the shelf" />
		</div>
	{/if}
	{#if table.found}
		{@const f = table.found}
		<div class="border-l-4 border-line pl-3">
			<p>
				{f.within === 0
					? 'Nothing on this shelf comes nearer.'
					: f.within > 0.1
						? 'The best so far: the search was ended, and something nearer is not ruled out.'
						: `Nothing on this shelf comes nearer by more than ${f.within.toFixed(1)}.`}
				<span class="text-soft"
					>{f.choices.toLocaleString('en-GB')} choices of bottles were looked at closely.</span
				>
			</p>
			{#if f.clamped}<p>
					No surface has the colour that was asked for; the nearest is aimed at.
				</p>{/if}
			{#if f.help}
				<p>
					A <strong>{f.help.name}</strong> would help most: with it, two bottles come to ΔE {f.help.deltaE00.toFixed(
						1
					)}.
				</p>
			{/if}
			{#if f.simple.length}
				<p class="tag mt-2">Simpler</p>
				<ul>
					{#each f.simple as s (JSON.stringify(s.drops))}
						<li>
							<Button look="bare" onclick={() => void table.fill(s.drops)}
								>{s.drops.map((d) => `${d.drops} ${nameOf(d.bottle)}`).join(', ')}</Button
							>
							<span class="figure">ΔE {s.deltaE00.toFixed(2)}</span>
						</li>
					{/each}
				</ul>
			{/if}
			{#if Object.keys(f.refused).length}
				<details>
					<summary
						>{Object.keys(f.refused).length === 1
							? 'One bottle was'
							: `${Object.keys(f.refused).length} bottles were`} left out</summary
					>
					<ul>
						{#each Object.entries(f.refused) as [name, why] (name)}<li>
								<strong>{name}</strong>: {why}
							</li>{/each}
					</ul>
				</details>
			{/if}
		</div>
	{/if}
</section>
