<script lang="ts">
	import type { Schemas } from '$lib/api/client';
	import { number as toNumber } from '$lib/ui/number';
	import { LIES, NEEDS, NOTHING_SAID, type Lies, type Needs } from './own-step';
	import StepMix from './step-mix.svelte';
	import type { PlanDesk, Step } from './plan-desk.svelte';

	/** What is said of the chosen step, and what can be changed of it. */
	type Props = {
		job: string;
		step: Step;
		number: number;
		desk: PlanDesk;
		materials: Schemas['MaterialItem'][];
		zones: Schemas['JobZone'][];
		pinned: string | undefined;
	};

	let { job, step, number, desk, materials, zones, pinned }: Props = $props();

	/** What the user says of it changed in one of its parts. */
	function say(part: Partial<Schemas['StepExtra']>) {
		void desk.change(
			step.id,
			(now) => ({ extra: { ...NOTHING_SAID, ...now.extra, ...part } }),
			`${step.name} changed`
		);
	}
	const THICK = [
		['MIST', 'mist'],
		['LIGHT', 'light'],
		['NORMAL', 'normal'],
		['WET', 'wet']
	] as const;

	const percent = (share: number) => `${Math.round(share * 100)} %`;
	const saidOfWash = (w: Schemas['WashView']) =>
		w.removability < 0.4
			? 'it soaks in, stains and does not wipe clean.'
			: w.grip < 0.4
				? 'it runs well, slips, and may wipe off entirely.'
				: 'it runs and wipes as it should.';
	const MUST = {
		NOTHING: 'laid into it',
		LIFTED: 'to be lifted',
		MOVED: 'to be moved',
		REMOVED: 'to be taken off'
	};
	/** Coats in front of this step that it can be meant for. */
	const beneath = $derived(
		desk.steps
			.slice(0, number - 1)
			.filter((s) => s.role !== 'HANDLING' && s.role !== 'WORK')
			.filter((s) => s.zones.some((z) => step.zones.includes(z)))
	);
	function mean(id: string, must: keyof typeof MUST) {
		void desk.change(
			step.id,
			{ worksOn: id ? { steps: [id], must } : null },
			id ? `${step.name}: meant for a coat` : `${step.name}: meant for nothing`
		);
	}

	/** Puts it on a zone or takes it off; off its last one it does not go. */
	function onZone(zone: string, on: boolean) {
		void desk.change(
			step.id,
			(now) => {
				const rest = now.zones.filter((z) => z !== zone);
				const there = on ? [...rest, zone] : rest;
				return { zones: there.length ? there : now.zones };
			},
			`${step.name}: zones changed`
		);
	}
</script>

<div class="mx-2 mb-2 ml-10 flex flex-col gap-2 border-l-2 border-ink pl-3">
	<p><span class="tag">Why is it here</span> {step.reason}</p>
	{#each step.wash as w (w.finish)}
		<p>
			<span class="tag">On {w.finish}</span>
			{saidOfWash(w)}
			<span class="figure text-soft"
				>runs {percent(w.flow)}, stays {percent(w.grip)}, wipes off {percent(w.removability)}</span
			>
		</p>
	{/each}
	{#if step.worksOn}
		<p>
			<span class="tag">Meant for</span>
			{step.worksOn.steps.map((id) => desk.steps.find((s) => s.id === id)?.name ?? id).join(', ')}:
			{MUST[step.worksOn.must]}
		</p>
	{/if}
	{#if !step.done}
		<div class="flex flex-wrap items-center gap-2">
			<select
				class="max-w-52"
				aria-label="Material of {step.name}"
				value={step.material}
				onchange={(e) =>
					void desk.change(step.id, { material: e.currentTarget.value }, 'Material changed')}
			>
				{#each step.materials as key (key)}<option value={key}
						>{materials.find((m) => m.key === key)?.name ?? key}</option
					>{/each}
			</select>
			{#if step.role !== 'WORK'}
				<select
					aria-label="Thickness of {step.name}"
					value={step.thickness}
					onchange={(e) =>
						void desk.change(
							step.id,
							{ thickness: e.currentTarget.value as Step['thickness'] },
							'Thickness changed'
						)}
				>
					{#each THICK as [key, name] (key)}<option value={key}>{name}</option>{/each}
				</select>
			{/if}
		</div>
		{#if step.origin === 'MANUAL'}
			<div class="flex flex-wrap items-end gap-2">
				<label class="flex grow flex-col"
					><span class="tag">In your words</span><input
						maxlength="200"
						value={step.extra?.text ?? ''}
						onchange={(e) => say({ text: e.currentTarget.value })}
					/></label
				>
				<label class="flex flex-col"
					><span class="tag">Minutes</span><input
						class="w-20"
						inputmode="decimal"
						value={step.minutes}
						onchange={(e) => say({ minutes: Math.round(toNumber(e.currentTarget.value)) })}
					/></label
				>
				<label class="flex flex-col"
					><span class="tag">Then wait, h</span><input
						class="w-20"
						inputmode="decimal"
						value={(step.extra?.restMinutes ?? 0) / 60}
						onchange={(e) => say({ restMinutes: Math.round(60 * toNumber(e.currentTarget.value)) })}
					/></label
				>
				<label class="flex flex-col"
					><span class="tag">Not before all is</span><select
						value={step.extra?.needs ?? ''}
						onchange={(e) => say({ needs: (e.currentTarget.value || null) as Needs | null })}
					>
						<option value="">as dry as it usually needs</option>
						{#each Object.entries(NEEDS) as [k, name] (k)}<option value={k}>{name}</option>{/each}
					</select></label
				>
				<label class="flex flex-col"
					><span class="tag">The model</span><select
						value={step.extra?.lies ?? ''}
						onchange={(e) => say({ lies: (e.currentTarget.value || null) as Lies | null })}
					>
						<option value="">lies as it usually does</option>
						{#each Object.entries(LIES) as [k, name] (k)}<option value={k}>{name}</option>{/each}
					</select></label
				>
			</div>
		{/if}
		<StepMix {step} {job} />
		{#if step.origin === 'MANUAL' && beneath.length}
			<div class="flex flex-wrap items-center gap-2">
				<select
					class="max-w-52"
					aria-label="Coat that {step.name} is meant for"
					value={step.worksOn?.steps[0] ?? ''}
					onchange={(e) => mean(e.currentTarget.value, step.worksOn?.must ?? 'MOVED')}
				>
					<option value="">meant for what it always is</option>
					{#each beneath as s (s.id)}<option value={s.id}>meant for {s.name}</option>{/each}
				</select>
				{#if step.worksOn}
					<select
						aria-label="What must happen to it"
						value={step.worksOn.must}
						onchange={(e) =>
							mean(step.worksOn?.steps[0] ?? '', e.currentTarget.value as keyof typeof MUST)}
					>
						{#each Object.entries(MUST) as [key, name] (key)}<option value={key}>{name}</option
							>{/each}
					</select>
				{/if}
			</div>
		{/if}
		<details>
			<summary class="tag cursor-pointer">Zones</summary>
			<div class="flex flex-wrap gap-x-4">
				{#each zones as z (z.zoneKey)}
					<label class="flex min-h-7 items-center gap-1.5"
						><input
							type="checkbox"
							checked={step.zones.includes(z.zoneKey)}
							disabled={step.zones.length === 1 && step.zones.includes(z.zoneKey)}
							onchange={(e) => onZone(z.zoneKey, e.currentTarget.checked)}
						/>{z.name}</label
					>
				{/each}
			</div>
		</details>
		<div class="flex flex-wrap gap-4">
			<button class="tag underline" onclick={() => void desk.move(step.id, -1)}>earlier</button>
			<button class="tag underline" onclick={() => void desk.move(step.id, 1)}>later</button>
			<button class="tag underline" onclick={() => void desk.pin(step.id)}
				>{pinned ? 'let it move' : 'keep it after the one before'}</button
			>
			<button class="tag underline" onclick={() => void desk.remove(step.id)}>take out</button>
		</div>
	{/if}
</div>
