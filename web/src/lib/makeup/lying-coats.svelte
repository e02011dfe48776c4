<script lang="ts">
	import Select from '$lib/ui/select.svelte';
	import type { Schemas } from '$lib/api/client';
	import Button from '$lib/ui/button.svelte';
	import { number } from '$lib/ui/number';
	import type { PlanDesk } from './plan-desk.svelte';

	/** What lies on the subject already, coat by coat with its age. */
	type Props = {
		desk: PlanDesk;
		lists: Schemas['Lists'];
		zones: Schemas['JobZone'][];
		now: string | undefined;
	};

	let { desk, lists, zones, now }: Props = $props();

	let key = $state('seal-gloss');
	let material = $state('');
	let thickness = $state<Schemas['StepView']['thickness']>('LIGHT');
	let age = $state('7');
	let unit = $state(1440);
	let on = $state<string[]>([]);
	const may = $derived(lists.techniques.filter((t) => t.role === 'CLEAR' || t.role === 'EFFECT'));
	const technique = $derived(may.find((t) => t.key === key));
	const nameOf = (k: string) => lists.materials.find((m) => m.key === k)?.name ?? k;
	const there = $derived(desk.steps.filter((s) => s.origin === 'FOUND'));
	const THICK = [
		['MIST', 'a mist'],
		['LIGHT', 'light'],
		['NORMAL', 'full'],
		['WET', 'thick']
	] as const;
	const ago = (at: string) => {
		const hours = (Date.parse(now ?? at) - Date.parse(at)) / 3_600_000;
		return hours < 48 ? `${Math.round(hours)} h ago` : `${Math.round(hours / 24)} days ago`;
	};
	function put() {
		if (!technique) return;
		void desk.lies({
			id: crypto.randomUUID(),
			technique: key,
			material: material || (technique.materials[0] ?? ''),
			thickness,
			zones: on,
			minutesAgo: Math.round(number(age) * unit),
			share: null
		});
	}
</script>

<p class="text-soft">
	Varnished, pre-weathered, half done: say it from the lowest coat up. The plan goes on from there.
</p>
<ol class="my-2">
	{#each there as s (s.id)}
		<li class="flex items-baseline gap-2 border-t border-line py-1">
			<span class="grow"
				><span class="font-semibold first-letter:uppercase">{s.name}</span>, {s.materialName},
				<span class="text-soft"
					>{ago(s.earliest)}, on {s.zones
						.map((k) => zones.find((z) => z.zoneKey === k)?.name ?? k)
						.join(', ')}</span
				></span
			>
			<button class="tag underline" onclick={() => void desk.liesNot(s.id)}>take out</button>
		</li>
	{/each}
</ol>
<div class="flex flex-wrap items-end gap-2">
	<label class="flex flex-col"
		><span class="tag">What lies there</span>
		<Select
			class="max-w-60"
			value={key}
			onchange={(value) => {
				key = value;
				material = '';
			}}
			options={may.map((t) => [t.key, t.name] as const)}
		/></label
	>
	<label class="flex flex-col"
		><span class="tag">Of</span>
		<Select
			class="max-w-52"
			bind:value={material}
			options={(technique?.materials ?? []).map((m, i) => [i ? m : '', nameOf(m)] as const)}
		/></label
	>
	<label class="flex flex-col"
		><span class="tag">How thick</span>
		<Select bind:value={thickness} options={THICK.map(([k, n]) => [k, n] as const)} /></label
	>
	<label class="flex flex-col"
		><span class="tag">Laid</span><span class="flex gap-1"
			><input class="w-20" inputmode="decimal" bind:value={age} aria-label="How long ago" />
			<Select
				bind:value={unit}
				label="Unit of the age"
				options={[
					[60, 'hours ago'],
					[1440, 'days ago'],
					[43200, 'months ago']
				]}
			/></span
		></label
	>
</div>
<fieldset class="mt-2 flex flex-wrap gap-x-4">
	<legend class="tag">On</legend>
	{#each zones as z (z.zoneKey)}
		<label class="flex min-h-7 items-center gap-1.5"
			><input type="checkbox" value={z.zoneKey} bind:group={on} />{z.name}</label
		>
	{/each}
</fieldset>
<div class="mt-2 flex gap-3">
	<Button disabled={!on.length} onclick={put}>It lies there</Button>
	<button class="tag underline" onclick={() => (on = zones.map((z) => z.zoneKey))}
		>on all zones</button
	>
</div>
