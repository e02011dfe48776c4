<script lang="ts">
	import type { Schemas } from '$lib/api/client';
	import { madeQuery } from '$lib/api/queries';
	import { createQuery } from '@tanstack/svelte-query';
	import EffectCard from './effect-card.svelte';
	import { EffectEdit, STRENGTHS } from './effect-edit';
	import type { Effect, StudyDesk } from './study-desk.svelte';

	/** The effects seen on the prototype: what, where, how strong, in which tones, made how. */
	type Props = {
		jobId: string;
		desk: StudyDesk;
		lists: Schemas['Lists'];
		of: Schemas['Job']['kind'];
		zones: Schemas['JobZone'][];
	};

	let { jobId, desk, lists, of, zones }: Props = $props();

	const made = createQuery(() => madeQuery(jobId));
	let open = $state<string>();

	const label = (kind: string) => lists.effects.find((k) => k.key === kind)?.label ?? kind;
	const madeOf = (id: string) => made.data?.find((m) => m.effect === id);
	const nameOf = (key: string) => lists.materials.find((m) => m.key === key)?.name ?? key;
	// a building has no trucks
	const suited = $derived(lists.effects.filter((k) => k.kinds.includes(of)));
	const sets = $derived([
		...new Set(desk.effects.map((e) => e.how?.set ?? '').filter((s) => s !== ''))
	]);

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
			tones: [],
			note: '',
			colour: null,
			marks: '',
			regionId: null,
			how: null
		};
		if (await desk.setEffects(`${label(kind)} noted`, (all) => [...all, effect])) open = effect.id;
	}

	/** What belongs to a set is placed and sized together. */
	function change(effect: Effect, part: (now: EffectEdit) => Partial<Effect>, together = false) {
		// its turn may come when this panel is closed
		const [choices, known] = [lists, madeOf(effect.id)];
		const set = together ? effect.how?.set : '';
		void desk.setEffects(
			set ? `The set ${set} changed` : `${label(effect.kind)} changed`,
			(all) => {
				const now = all.find((e) => e.id === effect.id) ?? effect;
				const changed = part(new EffectEdit(now, choices, known));
				return all.map((e) =>
					e.id === now.id || (set && e.how?.set === set) ? { ...e, ...changed } : e
				);
			}
		);
	}
	const told = (e: Effect) =>
		[
			(e.tones ?? []).map(nameOf).join(', '),
			e.how?.way || e.how?.technique ? (madeOf(e.id)?.name ?? '') : '',
			e.how?.set ? `set ${e.how.set}` : ''
		]
			.filter(Boolean)
			.join(' · ');
</script>

<div class="flex flex-wrap gap-x-4 gap-y-1" role="group" aria-label="Note an effect">
	<span class="tag self-center">Note</span>
	{#each suited as k (k.key)}
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
		{@const problem = madeOf(e.id)?.problem}
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
					{#if told(e)}<span class="block text-[0.93rem] text-soft">{told(e)}</span>{/if}
					{#if problem && !on}<span class="block border-l-4 border-ink pl-2">{problem}</span>{/if}
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
				<EffectCard
					effect={e}
					{lists}
					made={madeOf(e.id)}
					{zones}
					{sets}
					onchange={(part, together) => change(e, part, together)}
				/>
			{/if}
		</li>
	{/each}
</ol>
