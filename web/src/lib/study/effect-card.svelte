<script lang="ts">
	import type { Schemas } from '$lib/api/client';
	import NewMaterial from '$lib/shelf/new-material.svelte';
	import { EffectEdit, STRENGTHS } from './effect-edit';
	import type { Effect } from './study-desk.svelte';

	/** One effect opened: how strong, in which tones, made how, where, and when. */
	type Props = {
		effect: Effect;
		lists: Schemas['Lists'];
		made: Schemas['MadeView'] | undefined;
		zones: Schemas['JobZone'][];
		sets: string[];
		onchange: (part: Partial<Effect>, all?: boolean) => void;
	};

	let { effect, lists, made, zones, sets, onchange }: Props = $props();

	const id = $props.id();
	const edit = $derived(new EffectEdit(effect, lists, made));
	let making = $state(false);

	const nameOf = (key: string) => lists.materials.find((m) => m.key === key)?.name ?? key;
	const applicators = $derived(lists.schools.find((q) => q.key === 'applicator')?.answers ?? []);
	const shows = $derived(lists.techniques.filter((t) => t.role === 'EFFECT'));
	const more = $derived(
		Boolean(
			edit.how.technique ||
			edit.how.applicator ||
			edit.how.thinner ||
			edit.how.liquid ||
			edit.how.beside ||
			edit.how.set ||
			edit.how.phase !== 'USUAL'
		)
	);

	function toggle(zone: string) {
		const on = effect.zones.includes(zone);
		if (on && effect.zones.length === 1) return;
		onchange(
			{ zones: on ? effect.zones.filter((z) => z !== zone) : [...effect.zones, zone] },
			true
		);
	}
</script>

<div class="mt-1 flex flex-col gap-2 border-l-2 border-ink pl-3">
	{#if made?.problem}
		<p role="alert" class="border-l-4 border-ink bg-sheet px-3 py-1">
			{made.problem}
			{made.remedy}
		</p>
	{/if}
	<fieldset class="flex flex-wrap gap-x-4">
		<legend class="sr-only">Strength</legend>
		{#each STRENGTHS as s, i (s)}
			<label class="flex min-h-7 items-center gap-1.5"
				><input
					type="radio"
					name="strength-{id}"
					checked={effect.strength === i + 1}
					onchange={() => onchange({ strength: i + 1 }, true)}
				/>{s}</label
			>
		{/each}
		{#if made?.strength}<span class="self-center text-soft">{made.strength}</span>{/if}
	</fieldset>
	<div class="flex flex-wrap items-center gap-2">
		<label class="tag w-14" for="way-{id}">Made</label>
		<select
			id="way-{id}"
			class="max-w-72"
			value={edit.how.way ?? ''}
			onchange={(e) => onchange(edit.withWay(e.currentTarget.value || null))}
		>
			<option value=""
				>as the school has it{made && !edit.how.way && made.name ? `: ${made.name}` : ''}</option
			>
			{#each edit.ways as w (w.key)}<option value={w.key}>{w.name}</option>{/each}
		</select>
		{#if made && made.steps.length > 1}<span class="text-soft">{made.steps.join(' → ')}</span>{/if}
	</div>
	{#each edit.tones as tone, i (i)}
		<div class="flex flex-wrap items-center gap-2">
			<label class="tag w-14" for="tone-{id}-{i}">{i ? 'then' : 'Tone'}</label>
			<select
				id="tone-{id}-{i}"
				class="max-w-64"
				value={tone}
				onchange={(e) =>
					e.currentTarget.value === '+'
						? (making = true)
						: onchange(edit.withTone(i, e.currentTarget.value))}
			>
				<option value="">{edit.started}</option>
				{#each edit.usable(tone) as key (key)}<option value={key}>{nameOf(key)}</option>{/each}
				<option value="+">a new material…</option>
			</select>
			{#if edit.hexOf(tone)}<span
					class="h-4 w-7 border border-soft"
					style:background-color={edit.hexOf(tone)}
				></span>{/if}
			{#if edit.asked.length > 1}
				<button class="tag underline" onclick={() => onchange(edit.withTone(i, ''))}
					>take off</button
				>
			{/if}
		</div>
	{/each}
	{#if making}
		<NewMaterial
			{lists}
			onmade={(key) => {
				making = false;
				if (key) onchange(edit.withTone(edit.asked.length, key));
			}}
		/>
	{/if}
	{#if edit.asked.length && edit.asked.length < 6}
		<div class="flex flex-wrap items-center gap-4">
			<button
				class="tag underline"
				onclick={() => onchange(edit.withTone(edit.asked.length, edit.another))}
				>another tone</button
			>
			{#if edit.asked.length > 1}
				<label class="flex min-h-7 items-center gap-1.5"
					><input
						type="checkbox"
						checked={edit.how.rounds}
						onchange={(e) => onchange(edit.with({ rounds: e.currentTarget.checked }))}
					/>as rounds, each when the one before is dry</label
				>
			{/if}
		</div>
	{/if}
	<details open={more}>
		<summary class="tag cursor-pointer">Otherwise than usual</summary>
		<div class="mt-1 grid grid-cols-[7rem_1fr] items-center gap-x-2 gap-y-1">
			<label class="tag" for="tech-{id}">Technique</label>
			<select
				id="tech-{id}"
				value={edit.how.technique ?? ''}
				onchange={(e) => onchange(edit.with({ technique: e.currentTarget.value || null }))}
			>
				<option value="">as the way has it</option>
				{#each shows as t (t.key)}<option value={t.key}>{t.name}</option>{/each}
			</select>
			<label class="tag" for="app-{id}">Applicator</label>
			<select
				id="app-{id}"
				value={edit.how.applicator ?? ''}
				onchange={(e) => onchange(edit.with({ applicator: e.currentTarget.value || null }))}
			>
				<option value="">as the school has it</option>
				{#each applicators as a (a.key)}<option value={a.key}>{a.label}</option>{/each}
			</select>
			<label class="tag" for="thin-{id}">Thinned with</label>
			<select
				id="thin-{id}"
				value={edit.how.thinner ?? ''}
				onchange={(e) => onchange(edit.with({ thinner: e.currentTarget.value || null }))}
			>
				<option value="">what it is thinned with</option>
				{#each edit.thinners as key (key)}<option value={key}>{nameOf(key)}</option>{/each}
			</select>
			{#if edit.liquids.length}
				<label class="tag" for="liq-{id}">Worked with</label>
				<select
					id="liq-{id}"
					value={edit.how.liquid ?? ''}
					onchange={(e) => onchange(edit.with({ liquid: e.currentTarget.value || null }))}
				>
					<option value="">what carries it</option>
					{#each edit.liquids as key (key)}<option value={key}>{nameOf(key)}</option>{/each}
				</select>
			{/if}
			{#each made?.beside ?? [] as b (b.step)}
				<label class="tag" for="beside-{id}-{b.step}">{b.name}</label>
				<select
					id="beside-{id}-{b.step}"
					value={edit.how.beside?.[b.step] ?? ''}
					onchange={(e) => onchange(edit.withBeside(b.step, e.currentTarget.value))}
				>
					<option value="">as it starts: {nameOf(b.start)}</option>
					{#each b.materials as key (key)}<option value={key}>{nameOf(key)}</option>{/each}
				</select>
			{/each}
			<label class="tag" for="when-{id}">Happened</label>
			<select
				id="when-{id}"
				value={edit.how.phase}
				onchange={(e) =>
					onchange(edit.with({ phase: e.currentTarget.value as Schemas['EffectHow']['phase'] }))}
			>
				{#each lists.phases as p (p.key)}<option value={p.key}>{p.label}</option>{/each}
			</select>
			<label class="tag" for="set-{id}">Set</label>
			<span>
				<input
					id="set-{id}"
					class="w-full"
					list="sets-{id}"
					maxlength="80"
					placeholder="belongs to no set"
					value={edit.how.set}
					onchange={(e) => onchange(edit.with({ set: e.currentTarget.value }))}
				/>
				<datalist id="sets-{id}">
					{#each sets as s (s)}<option value={s}></option>{/each}
				</datalist>
			</span>
		</div>
	</details>
	<fieldset class="flex flex-wrap gap-x-4">
		<legend class="sr-only">Zones</legend>
		{#each zones as z (z.zoneKey)}
			<label class="flex min-h-7 items-center gap-1.5"
				><input
					type="checkbox"
					checked={effect.zones.includes(z.zoneKey)}
					onchange={() => toggle(z.zoneKey)}
				/>{z.name}</label
			>
		{/each}
	</fieldset>
	<input
		aria-label="Note on {edit.kind?.label ?? 'the effect'}"
		placeholder="Where exactly, which way it runs"
		maxlength="500"
		value={effect.note}
		onchange={(ev) => onchange({ note: ev.currentTarget.value })}
	/>
</div>
