<script lang="ts">
	import type { Schemas } from '$lib/api/client';
	import { span } from '$lib/time/time';
	import FindingCard from './finding-card.svelte';
	import { LIES, NEEDS } from './own-step';
	import StepEdit from './step-edit.svelte';
	import type { PlanDesk, Step } from './plan-desk.svelte';

	/** A step of the plan as a line of the work ticket, with what the engine says of it. */
	type Props = {
		job: string;
		step: Step;
		number: number;
		desk: PlanDesk;
		findings: Schemas['FindingView'][];
		materials: Schemas['MaterialItem'][];
		zones: Schemas['JobZone'][];
		pinned: string | undefined;
	};

	let { job, step, number, desk, findings, materials, zones, pinned }: Props = $props();

	const on = $derived(desk.chosen === step.id);
	let over = $state(false);

	const names = $derived(step.zones.map((k) => zones.find((z) => z.zoneKey === k)?.name ?? k));
</script>

<li
	class="border-t border-line {on ? 'bg-sheet' : ''} {over ? 'border-t-4 border-t-ink' : ''}"
	draggable={!step.done}
	ondragstart={(e) => e.dataTransfer?.setData('text/plain', step.id)}
	ondragover={(e) => {
		if (step.done) return;
		e.preventDefault();
		over = true;
	}}
	ondragleave={() => (over = false)}
	ondrop={(e) => {
		e.preventDefault();
		over = false;
		const id = e.dataTransfer?.getData('text/plain');
		if (id) void desk.moveTo(id, number - 1);
	}}
>
	<button
		class="grid w-full grid-cols-[2rem_minmax(0,1fr)_auto] items-baseline gap-x-2 px-2 py-1.5 text-left"
		aria-expanded={on}
		onclick={() => (desk.chosen = on ? undefined : step.id)}
		onfocus={() => (desk.looked = step.id)}
		onblur={() => (desk.looked = undefined)}
		onmouseenter={() => (desk.looked = step.id)}
		onmouseleave={() => (desk.looked = undefined)}
	>
		<span class="figure text-xl {step.done ? 'text-soft line-through' : ''}">{number}</span>
		<span class="leading-snug">
			<span class="font-label text-[1.12rem] font-semibold first-letter:uppercase">{step.name}</span
			>
			{#if step.hex}<span
					class="mx-0.5 inline-block h-3 w-3 border border-soft align-baseline"
					style:background-color={step.hex}
				></span>{/if}
			<span>{step.materialName}</span>
			{#if step.done}<span class="tag">done</span>{/if}
			{#if step.origin === 'INSERTED'}<span class="tag">needed</span>{/if}
			{#if step.origin === 'MANUAL'}<span class="tag">yours</span>{/if}
			{#if step.origin === 'FOUND'}<span class="tag">lay there</span>{/if}
			{#if pinned}<span class="tag">after {pinned}</span>{/if}
			<span class="block text-[0.93rem] text-soft"
				>{names.length > 4
					? `${names.slice(0, 3).join(', ')} and ${names.length - 3} more`
					: names.join(', ')}</span
			>
			{#if step.extra?.parts.length}
				<span class="block text-[0.93rem]">{step.extra.parts.join(', ')}</span>
			{/if}
			{#if step.extra?.restMinutes}
				<span class="block text-[0.93rem]"
					>then {span(step.extra.restMinutes * 60_000)} of waiting</span
				>
			{/if}
			{#if step.extra?.needs}
				<span class="block text-[0.93rem]">when all is {NEEDS[step.extra.needs]}</span>
			{/if}
			{#if step.extra?.lies}
				<span class="block text-[0.93rem]">the model {LIES[step.extra.lies]}</span>
			{/if}
			{#if !on && !step.done}
				<span class="block truncate text-[0.93rem] text-soft" title={step.reason}
					>{step.reason}</span
				>
			{/if}
			{#if step.rounds.length}
				<span class="block text-[0.93rem]"
					><span class="tag"
						>{step.rounds.length === 1
							? 'laid out first, then in one go'
							: `in ${step.rounds.length} rounds`}</span
					>
					{#if step.rounds.length > 1}{step.rounds.map((r) => r.join(', ')).join(' · ')}{/if}</span
				>
			{/if}
		</span>
		<span class="figure whitespace-nowrap text-soft">{span(step.minutes * 60_000)}</span>
	</button>
	{#each findings.filter((f) => f.sameCureAs === f.index && (f.severity !== 'NOTE' || on)) as f (f.index)}
		<FindingCard
			finding={f}
			also={findings.filter((o) => o.sameCureAs === f.index && o.index !== f.index)}
			{desk}
		/>
	{/each}
	{#if on}
		<StepEdit {job} {step} {number} {desk} {materials} {zones} {pinned} />
	{/if}
</li>
