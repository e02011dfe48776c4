<script lang="ts">
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
		<select
			class="max-w-60"
			value={key}
			onchange={(e) => {
				key = e.currentTarget.value;
				material = '';
			}}
		>
			{#each may as t (t.key)}<option value={t.key}>{t.name}</option>{/each}
		</select></label
	>
	<label class="flex flex-col"
		><span class="tag">Of</span>
		<select class="max-w-52" bind:value={material}>
			{#each technique?.materials ?? [] as m, i (m)}<option value={i ? m : ''}>{nameOf(m)}</option
				>{/each}
		</select></label
	>
	<label class="flex flex-col"
		><span class="tag">How thick</span>
		<select bind:value={thickness}>
			{#each THICK as [k, n] (k)}<option value={k}>{n}</option>{/each}
		</select></label
	>
	<label class="flex flex-col"
		><span class="tag">Laid</span><span class="flex gap-1"
			><input class="w-20" inputmode="decimal" bind:value={age} aria-label="How long ago" />
			<select bind:value={unit} aria-label="Unit of the age">
				<option value={60}>hours ago</option>
				<option value={1440}>days ago</option>
				<option value={43200}>months ago</option>
			</select></span
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
