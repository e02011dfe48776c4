<script lang="ts">
	import Select from '$lib/ui/select.svelte';
	import Button from '$lib/ui/button.svelte';
	import { number } from '$lib/ui/number';
	import type { Schemas } from '$lib/api/client';
	import ColourFields from './colour-fields.svelte';
	import type { BottleView } from './shelf';

	/** A new bottle: what it says, and its colour when it has one, typed or measured on a swatch. */
	type Props = {
		measured?: Schemas['Lab'] | undefined;
		onput: (draft: BottleView['bottle']) => void;
	};

	let { measured, onput }: Props = $props();

	const swatch = () => measured;

	let name = $state('');
	let maker = $state('');
	let family = $state('waterborne acrylic');
	let kind = $state<BottleView['bottle']['kind']>('PAINT');
	let finish = $state('flat');
	let l = $state(swatch()?.l.toFixed(2) ?? '');
	let a = $state(swatch()?.a.toFixed(2) ?? '');
	let b = $state(swatch()?.b.toFixed(2) ?? '');
	let amount = $state('17');
	const families = [
		'waterborne acrylic',
		'alcohol-reducible acrylic',
		'lacquer',
		'enamel paint',
		'enamel wash',
		'artist oil',
		'dry powder',
		'cleaner'
	];
	const colour = $derived({ l: number(l), a: number(a), b: number(b) });
	const some = $derived([l, a, b].some((t) => t.trim() !== ''));
	const still = $derived(
		measured !== undefined &&
			[l, a, b].join() === [measured.l, measured.a, measured.b].map((v) => v.toFixed(2)).join()
	);
	const whole = $derived(Object.values(colour).every(Number.isFinite));
</script>

<form
	class="mt-2 flex flex-wrap items-end gap-2"
	onsubmit={(event) => {
		event.preventDefault();
		onput({
			name,
			maker,
			family,
			kind,
			finish,
			colour: some ? colour : null,
			source: measured && still ? 'MEASURED' : 'TYPED',
			hiding: null,
			amountMl: number(amount),
			fullMl: null,
			opened: null,
			keepsUntil: null,
			pricePerMl: null,
			place: null,
			dropMl: null,
			strength: null,
			notes: null
		});
	}}
>
	<label class="flex flex-col"
		><span class="tag">What it says</span><input bind:value={name} /></label
	>
	<label class="flex flex-col"><span class="tag">Maker</span><input bind:value={maker} /></label>
	<label class="flex flex-col"
		><span class="tag">Family</span><input list="families" bind:value={family} /></label
	>
	<datalist id="families">
		{#each families as f (f)}<option value={f}></option>{/each}
	</datalist>
	<label class="flex flex-col"
		><span class="tag">Kind</span><Select
			bind:value={kind}
			options={[
				['PAINT', 'paint'],
				['CLEAR', 'clear'],
				['METALLIC', 'metallic'],
				['FLUORESCENT', 'fluorescent'],
				['POWDER', 'powder'],
				['LIQUID', 'liquid']
			]}
		/></label
	>
	<label class="flex flex-col"
		><span class="tag">Finish</span><Select
			bind:value={finish}
			options={['gloss', 'semi-gloss', 'satin', 'flat', 'powder'].map((f) => [f, f] as const)}
		/></label
	>
	<ColourFields bind:l bind:a bind:b />
	<label class="flex flex-col"
		><span class="tag">Left, ml</span><input
			class="w-20"
			inputmode="decimal"
			bind:value={amount}
		/></label
	>
	<Button
		type="submit"
		disabled={!name.trim() || (some && !whole) || !Number.isFinite(number(amount))}
		>Put it there</Button
	>
</form>
