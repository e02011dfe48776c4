<script lang="ts">
	import type { Schemas } from '$lib/api/client';
	import type { Effect, StudyDesk } from './study-desk.svelte';

	/** The effects seen on the prototype: what, where, how strong. */
	type Props = {
		desk: StudyDesk;
		kinds: Schemas['EffectItem'][];
		of: Schemas['Job']['kind'];
		zones: Schemas['JobZone'][];
	};

	let { desk, kinds, of, zones }: Props = $props();

	const STRENGTHS = ['a trace', 'plain', 'heavy'];
	let open = $state<string>();

	const label = (kind: string) => kinds.find((k) => k.key === kind)?.label ?? kind;
	// a building has no trucks
	const unused = $derived(kinds.filter((k) => k.kinds.includes(of)));

	async function add(kind: Effect['kind']) {
		const first = zones[0];
		if (!first) return;
		const near =
			desk.chosenRegion?.zoneKey ??
			zones.find((z) => z.zoneKey.includes('side') || z.zoneKey === 'walls')?.zoneKey;
		const effect: Effect = {
			id: crypto.randomUUID(),
			kind,
			zones: [near ?? first.zoneKey],
			strength: 2,
			material: null,
			note: '',
			colour: null,
			marks: '',
			regionId: null
		};
		if (await desk.setEffects(`${label(kind)} noted`, (all) => [...all, effect])) open = effect.id;
	}

	function change(effect: Effect, part: Partial<Effect>) {
		void desk.setEffects(`${label(effect.kind)} changed`, (all) =>
			all.map((e) => (e.id === effect.id ? { ...e, ...part } : e))
		);
	}

	function toggle(effect: Effect, zone: string) {
		const on = effect.zones.includes(zone);
		if (on && effect.zones.length === 1) return;
		change(effect, {
			zones: on ? effect.zones.filter((z) => z !== zone) : [...effect.zones, zone]
		});
	}
</script>

<div class="flex flex-wrap gap-x-4 gap-y-1" role="group" aria-label="Note an effect">
	<span class="tag self-center">Note</span>
	{#each unused as k (k.key)}
		<button
			class="font-label text-[1.02rem] font-semibold underline decoration-line underline-offset-4 hover:decoration-ink"
			onclick={() => void add(k.key)}>{k.label}</button
		>
	{/each}
</div>
{#if desk.effects.length === 0}
	<p class="mt-2 text-soft">
		Name each effect that you see. What is not there counts too: leave it out.
	</p>
{/if}
<ol class="mt-2">
	{#each desk.effects as e (e.id)}
		{@const on = open === e.id}
		<li class="border-t border-line py-1.5">
			<div class="flex items-baseline gap-2">
				<button
					class="grow text-left"
					aria-expanded={on}
					onclick={() => (open = on ? undefined : e.id)}
				>
					<span class="font-semibold first-letter:uppercase">{label(e.kind)}</span>, {STRENGTHS[
						e.strength - 1
					]}
					<span class="text-soft"
						>on {e.zones
							.map((k) => zones.find((z) => z.zoneKey === k)?.name ?? k)
							.join(', ')}{e.note ? ` – ${e.note}` : ''}</span
					>
					{#if e.colour}<span
							class="inline-block h-3.5 w-6 border border-soft align-middle"
							style:background-color={e.colour}
							title="measured colour"
						></span>{/if}
					{#if e.marks}<span class="block text-soft">{e.marks}</span>{/if}
				</button>
				<button
					class="tag whitespace-nowrap underline"
					onclick={() =>
						void desk.setEffects(`${label(e.kind)} taken out`, (all) =>
							all.filter((x) => x.id !== e.id)
						)}>take out</button
				>
			</div>
			{#if on}
				<div class="mt-1 flex flex-col gap-2 border-l-2 border-ink pl-3">
					<fieldset class="flex flex-wrap gap-4">
						<legend class="sr-only">Strength</legend>
						{#each STRENGTHS as s, i (s)}
							<label class="flex min-h-7 items-center gap-1.5"
								><input
									type="radio"
									name="strength-{e.id}"
									checked={e.strength === i + 1}
									onchange={() => change(e, { strength: i + 1 })}
								/>{s}</label
							>
						{/each}
					</fieldset>
					<fieldset class="flex flex-wrap gap-x-4">
						<legend class="sr-only">Zones</legend>
						{#each zones as z (z.zoneKey)}
							<label class="flex min-h-7 items-center gap-1.5"
								><input
									type="checkbox"
									checked={e.zones.includes(z.zoneKey)}
									onchange={() => toggle(e, z.zoneKey)}
								/>{z.name}</label
							>
						{/each}
					</fieldset>
					<input
						aria-label="Note on {label(e.kind)}"
						placeholder="Where exactly, which way it runs"
						maxlength="500"
						value={e.note}
						onchange={(ev) => change(e, { note: ev.currentTarget.value })}
					/>
				</div>
			{/if}
		</li>
	{/each}
</ol>
