<script lang="ts">
	import Select from '$lib/ui/select.svelte';
	import type { Schemas } from '$lib/api/client';
	import { untrack } from 'svelte';
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
		/** What changes is reckoned from the effect as it is when its turn comes. */
		onchange: (change: (now: EffectEdit) => Partial<Effect>, all?: boolean) => void;
	};

	let { effect, lists, made, zones, sets, onchange }: Props = $props();

	const id = $props.id();
	const edit = $derived(new EffectEdit(effect, lists, made));
	let making = $state(false);

	const nameOf = (key: string) => lists.materials.find((m) => m.key === key)?.name ?? key;
	const applicators = $derived(lists.schools.find((q) => q.key === 'applicator')?.answers ?? []);
	const shows = $derived(lists.techniques.filter((t) => t.role === 'EFFECT'));
	/** What is asked otherwise is shown at once; after that it stays as it was opened or closed. */
	let more = $state(untrack(() => edit.isOtherwise));

	/** Says what a field holds; an empty one holds nothing. */
	function say(held: string, change: (now: EffectEdit, value: string | null) => Partial<Effect>) {
		onchange((now) => change(now, held || null));
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
					onchange={() => onchange(() => ({ strength: i + 1 }), true)}
				/>{s}</label
			>
		{/each}
		{#if made?.strength}<span class="self-center text-soft">{made.strength}</span>{/if}
	</fieldset>
	<div class="flex flex-wrap items-center gap-2">
		<label class="tag w-14" for="way-{id}">Made</label>
		<Select
			id="way-{id}"
			class="max-w-72"
			value={edit.how.way ?? ''}
			onchange={(value) => say(value, (now, key) => now.withWay(key))}
			options={[
				['', `as the school has it${made && !edit.how.way && made.name ? `: ${made.name}` : ''}`],
				...edit.ways.map((w) => [w.key, w.name] as const)
			]}
		/>
		{#if made && made.steps.length > 1}<span class="text-soft">{made.steps.join(' → ')}</span>{/if}
	</div>
	{#each edit.tones as tone, i (i)}
		<div class="flex flex-wrap items-center gap-2">
			<label class="tag w-14" for="tone-{id}-{i}">{i ? 'then' : 'Tone'}</label>
			<Select
				id="tone-{id}-{i}"
				class="max-w-64"
				value={tone}
				onchange={(value) =>
					value === '+' ? (making = true) : say(value, (now, key) => now.withTone(i, key ?? ''))}
				options={[
					['', edit.started],
					...edit.usable(tone).map((key) => [key, nameOf(key)] as const),
					['+', 'a new material…']
				]}
			/>
			{#if edit.hexOf(tone)}<span
					class="h-4 w-7 border border-soft"
					style:background-color={edit.hexOf(tone)}
				></span>{/if}
			{#if edit.asked.length > 1}
				<button class="tag underline" onclick={() => onchange((now) => now.withTone(i, ''))}
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
				if (key) onchange((now) => now.withTone(now.asked.length, key));
			}}
		/>
	{/if}
	{#if edit.asked.length && edit.asked.length < 6}
		<div class="flex flex-wrap items-center gap-4">
			<button
				class="tag underline"
				onclick={() => onchange((now) => now.withTone(now.asked.length, now.another))}
				>another tone</button
			>
			{#if edit.asked.length > 1}
				<label class="flex min-h-7 items-center gap-1.5"
					><input
						type="checkbox"
						checked={edit.how.rounds}
						onchange={(e) => {
							const rounds = e.currentTarget.checked;
							onchange((now) => now.with({ rounds }));
						}}
					/>as rounds, each when the one before is dry</label
				>
			{/if}
		</div>
	{/if}
	<details bind:open={more}>
		<summary class="tag cursor-pointer">Otherwise than usual</summary>
		<div class="mt-1 grid grid-cols-[7rem_1fr] items-center gap-x-2 gap-y-1">
			<label class="tag" for="tech-{id}">Technique</label>
			<Select
				id="tech-{id}"
				value={edit.how.technique ?? ''}
				onchange={(value) => say(value, (now, technique) => now.with({ technique }))}
				options={[['', 'as the way has it'], ...shows.map((t) => [t.key, t.name] as const)]}
			/>
			<label class="tag" for="app-{id}">Applicator</label>
			<Select
				id="app-{id}"
				value={edit.how.applicator ?? ''}
				onchange={(value) => say(value, (now, applicator) => now.with({ applicator }))}
				options={[
					['', 'as the school has it'],
					...applicators.map((a) => [a.key, a.label] as const)
				]}
			/>
			<label class="tag" for="thin-{id}">Thinned with</label>
			<Select
				id="thin-{id}"
				value={edit.how.thinner ?? ''}
				onchange={(value) => say(value, (now, thinner) => now.with({ thinner }))}
				options={[
					['', 'what it is thinned with'],
					...edit.thinners.map((key) => [key, nameOf(key)] as const)
				]}
			/>
			{#if edit.liquids.length}
				<label class="tag" for="liq-{id}">Worked with</label>
				<Select
					id="liq-{id}"
					value={edit.how.liquid ?? ''}
					onchange={(value) => say(value, (now, liquid) => now.with({ liquid }))}
					options={[
						['', 'what carries it'],
						...edit.liquids.map((key) => [key, nameOf(key)] as const)
					]}
				/>
			{/if}
			{#each made?.beside ?? [] as b (b.step)}
				<label class="tag" for="beside-{id}-{b.step}">{b.name}</label>
				<Select
					id="beside-{id}-{b.step}"
					value={edit.how.beside?.[b.step] ?? ''}
					onchange={(value) => say(value, (now, key) => now.withBeside(b.step, key ?? ''))}
					options={[
						['', `as it starts: ${nameOf(b.start)}`],
						...b.materials.map((key) => [key, nameOf(key)] as const)
					]}
				/>
			{/each}
			<label class="tag" for="when-{id}">Happened</label>
			<Select
				id="when-{id}"
				value={edit.how.phase}
				onchange={(value) =>
					say(value, (now, phase) => now.with({ phase: phase as Schemas['EffectHow']['phase'] }))}
				options={lists.phases.map((p) => [p.key, p.label] as const)}
			/>
			<label class="tag" for="set-{id}">Set</label>
			<span>
				<input
					id="set-{id}"
					class="w-full"
					list="sets-{id}"
					maxlength="80"
					placeholder="belongs to no set"
					value={edit.how.set}
					onchange={(e) => say(e.currentTarget.value, (now, set) => now.with({ set: set ?? '' }))}
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
					disabled={edit.isOnlyOn(z.zoneKey)}
					title={edit.isOnlyOn(z.zoneKey) ? 'An effect is on one zone at least' : undefined}
					onchange={(e) => {
						const [zone, on] = [z.zoneKey, e.currentTarget.checked];
						onchange((now) => now.onZone(zone, on), true);
					}}
				/>{z.name}</label
			>
		{/each}
	</fieldset>
	<input
		aria-label="Note on {edit.kind?.label ?? 'the effect'}"
		placeholder="Where exactly, which way it runs"
		maxlength="500"
		value={effect.note}
		onchange={(e) => say(e.currentTarget.value, (_, note) => ({ note: note ?? '' }))}
	/>
</div>
