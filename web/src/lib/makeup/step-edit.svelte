<script lang="ts">
	import Select from '$lib/ui/select.svelte';
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
			<Select
				class="max-w-52"
				label="Material of {step.name}"
				value={step.material}
				onchange={(value) => void desk.change(step.id, { material: value }, 'Material changed')}
				options={step.materials.map(
					(key) => [key, materials.find((m) => m.key === key)?.name ?? key] as const
				)}
			/>
			{#if step.role !== 'WORK'}
				<Select
					label="Thickness of {step.name}"
					value={step.thickness}
					onchange={(value) =>
						void desk.change(
							step.id,
							{ thickness: value as Step['thickness'] },
							'Thickness changed'
						)}
					options={THICK.map(([key, name]) => [key, name] as const)}
				/>
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
					><span class="tag">Not before all is</span><Select
						value={step.extra?.needs ?? ''}
						onchange={(value) => say({ needs: (value || null) as Needs | null })}
						options={[
							['', 'as dry as it usually needs'],
							...Object.entries(NEEDS).map(([k, name]) => [k, name] as const)
						]}
					/></label
				>
				<label class="flex flex-col"
					><span class="tag">The model</span><Select
						value={step.extra?.lies ?? ''}
						onchange={(value) => say({ lies: (value || null) as Lies | null })}
						options={[
							['', 'lies as it usually does'],
							...Object.entries(LIES).map(([k, name]) => [k, name] as const)
						]}
					/></label
				>
			</div>
		{/if}
		<StepMix {step} {job} />
		{#if step.origin === 'MANUAL' && beneath.length}
			<div class="flex flex-wrap items-center gap-2">
				<Select
					class="max-w-52"
					label="Coat that {step.name} is meant for"
					value={step.worksOn?.steps[0] ?? ''}
					onchange={(value) => mean(value, step.worksOn?.must ?? 'MOVED')}
					options={[
						['', 'meant for what it always is'],
						...beneath.map((s) => [s.id, `meant for ${s.name}`] as const)
					]}
				/>
				{#if step.worksOn}
					<Select
						label="What must happen to it"
						value={step.worksOn.must}
						onchange={(value) => mean(step.worksOn?.steps[0] ?? '', value as keyof typeof MUST)}
						options={Object.entries(MUST).map(([key, name]) => [key, name] as const)}
					/>
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
