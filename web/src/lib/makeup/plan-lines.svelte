<script lang="ts">
	import { resolve } from '$app/paths';
	import type { Schemas } from '$lib/api/client';
	import { span } from '$lib/time/time';
	import Button from '$lib/ui/button.svelte';
	import Notice from '$lib/ui/notice.svelte';
	import AddStep from './add-step.svelte';
	import type { PlanDesk } from './plan-desk.svelte';
	import { liesOpen, sittingsOf } from './sittings';
	import StepLine from './step-line.svelte';

	/** The plan as it stands, sitting by sitting; before there is one, what makes it. */
	type Props = {
		id: string;
		view: Schemas['MakeupView'];
		plan: PlanDesk;
		busy: boolean;
		catalogue: Schemas['Lists'] | undefined;
		job: Schemas['JobView'] | undefined;
	};

	let { id, view, plan, busy, catalogue, job }: Props = $props();

	const sittings = $derived(sittingsOf(view.steps));
	let folded = $state<Record<number, boolean>>({});
	const nameOf = (stepId: string | undefined) => plan.steps.find((s) => s.id === stepId)?.name;
</script>

{#if view.steps.length === 0}
	{#if view.effects === 0}
		<Notice
			title="Nothing to make up yet"
			text="Note in Study what you see on the prototype: the plan is made from that."
		>
			<a class="underline" href={resolve('/jobs/[id]/study', { id })}>Go to Study</a>
		</Notice>
	{:else}
		<Notice
			title="{view.effects} {view.effects === 1 ? 'effect is' : 'effects are'} noted"
			text="Pendrik finds an order that the chemistry allows and puts in the coats that have to go between."
		>
			<Button look="act" disabled={busy} onclick={() => void plan.compile()}>Make the plan</Button>
		</Notice>
	{/if}
{:else}
	{@const stops = view.findings.filter((f) => f.severity === 'STOP').length}
	{@const warns = view.findings.filter((f) => f.severity === 'WARN').length}
	<div class="flex flex-wrap items-baseline justify-between gap-2">
		<h2 id="steps" class="text-2xl">
			{stops
				? `${stops} ${stops === 1 ? 'stop' : 'stops'}`
				: warns
					? `${warns} to watch`
					: 'The plan holds'}
		</h2>
		<button class="tag underline" disabled={busy} onclick={() => void plan.compile()}
			>Make it anew from the effects</button
		>
	</div>
	<p class="mb-2 text-soft">
		{view.clearCoats} clear {view.clearCoats === 1 ? 'coat' : 'coats'} · {span(
			view.steps.filter((s) => !s.done).reduce((a, s) => a + s.minutes, 0) * 60_000
		)} of work left · at least {span(view.waitingMinutes * 60_000)} with drying
	</p>
	{#if view.gapMinutes}
		<p class="mb-2 text-soft">
			{#if view.gapMinutes < view.waitingMinutes}
				Not proven: another order could save at most {span(view.gapMinutes * 60_000)}, a clear coat
				counted as a day.
			{:else}
				Not proven: the search ended before all orders were seen, there may be a better one.
			{/if}
		</p>
	{/if}
	{#if stops + warns > 1}
		<div class="mb-2">
			<Button disabled={busy} onclick={() => void plan.repair()}>Mend all of it</Button>
		</div>
	{/if}
	{#if plan.repaired.length && !stops && !warns}
		<p class="mb-2 border-l-4 border-line px-3 text-soft">
			Mended: {plan.repaired.join('; ')}.
		</p>
	{/if}
	{#each view.brokenPins as p (p.firstId + p.thenId)}
		<p class="mb-2 border-l-4 border-ink bg-sheet px-3 py-1">
			The pin is not kept: {nameOf(p.thenId)} stands before {nameOf(p.firstId)}.
		</p>
	{/each}
	{#each sittings as sitting, n (sitting.steps[0]?.id)}
		<details
			open={folded[n] ?? liesOpen(sittings, sitting, plan.chosen)}
			ontoggle={(e) => (folded[n] = e.currentTarget.open)}
		>
			<summary class="cursor-pointer border-t-2 border-line py-1">
				<span class="tag"
					>{sitting.done
						? 'Behind you'
						: `Sitting ${sittings.filter((x, k) => !x.done && k <= n).length}`}</span
				>
				<span class="text-soft"
					>{sitting.steps.length}
					{sitting.steps.length === 1 ? 'step' : 'steps'}, {span(sitting.minutes * 60_000)}</span
				>
			</summary>
			<ol>
				{#each sitting.steps as step (step.id)}
					<StepLine
						job={id}
						{step}
						number={view.steps.indexOf(step) + 1}
						desk={plan}
						findings={view.findings.filter((f) => f.stepId === step.id)}
						materials={catalogue?.materials ?? []}
						zones={job?.zones ?? []}
						pinned={nameOf(view.pins.find((p) => p.thenId === step.id)?.firstId)}
					/>
				{/each}
			</ol>
		</details>
	{/each}
	{#if catalogue && job}
		<AddStep desk={plan} techniques={catalogue.techniques} zones={job.zones} />
	{/if}
{/if}
