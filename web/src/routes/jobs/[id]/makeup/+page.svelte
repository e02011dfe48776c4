<script lang="ts">
	import { resolve } from '$app/paths';
	import { page } from '$app/state';
	import { catalogueQuery, diaryQuery, jobQuery, makeupQuery } from '$lib/api/queries';
	import { Keys } from '$lib/keys/keys.svelte';
	import AddStep from '$lib/makeup/add-step.svelte';
	import CoresRow from '$lib/makeup/cores-row.svelte';
	import { PlanDesk } from '$lib/makeup/plan-desk.svelte';
	import StepLine from '$lib/makeup/step-line.svelte';
	import DryingRail from '$lib/rail/drying-rail.svelte';
	import SubjectDrawing from '$lib/subject/subject-drawing.svelte';
	import { span } from '$lib/time/time';
	import Button from '$lib/ui/button.svelte';
	import { Desk } from '$lib/ui/desk.svelte';
	import Loaded from '$lib/ui/loaded.svelte';
	import Notice from '$lib/ui/notice.svelte';
	import { createQuery } from '@tanstack/svelte-query';

	const id = $derived(page.params.id ?? '');
	const desk = Desk.get();
	const job = createQuery(() => jobQuery(id));
	const makeup = createQuery(() => makeupQuery(id));
	const catalogue = createQuery(() => catalogueQuery());
	const diary = createQuery(() => diaryQuery(id));
	const plan = new PlanDesk(page.params.id ?? '', desk, () => makeup.data);

	function choose(by: 1 | -1) {
		const at = plan.steps.findIndex((s) => s.id === plan.chosen);
		plan.chosen = plan.steps[Math.min(Math.max(at + by, 0), plan.steps.length - 1)]?.id;
	}
	function mendFirst() {
		const f = makeup.data?.findings.find((x) => x.severity !== 'NOTE' && x.mends.length);
		const m = f?.mends[0];
		if (f && m) void plan.mend(f.index, m);
	}
	Keys.use('Make-up', () => [
		{ key: 'ArrowDown', label: 'Next step', run: () => choose(1) },
		{ key: 'ArrowUp', label: 'Step before', run: () => choose(-1) },
		{
			key: 'e',
			label: 'Chosen step earlier',
			run: () => plan.chosen && void plan.move(plan.chosen, -1)
		},
		{
			key: 'l',
			label: 'Chosen step later',
			run: () => plan.chosen && void plan.move(plan.chosen, 1)
		},
		{
			key: 'x',
			label: 'Take the chosen step out',
			run: () => plan.chosen && void plan.remove(plan.chosen)
		},
		{ key: 'm', label: 'Make the first mend', run: mendFirst },
		{ key: 'c', label: 'Make the plan from the effects', run: () => void plan.compile() }
	]);

	const marked = $derived(plan.lookedAt?.zones ?? []);
	const colours = $derived(
		Object.fromEntries((makeup.data?.cores ?? []).map((c) => [c.zone, c.surfaceHex]))
	);
	const nameOf = (stepId: string | undefined) => plan.steps.find((s) => s.id === stepId)?.name;
</script>

<svelte:head><title>Make-up – Pendrik</title></svelte:head>

<Loaded query={makeup}>
	{#snippet children(view)}
		<div class="grid gap-6 px-5 py-4 lg:grid-cols-[27rem_minmax(0,1fr)]">
			<section aria-labelledby="steps" class="min-w-0">
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
							<Button look="act" disabled={desk.busy} onclick={() => void plan.compile()}
								>Make the plan</Button
							>
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
						<button class="tag underline" disabled={desk.busy} onclick={() => void plan.compile()}
							>Make it anew from the effects</button
						>
					</div>
					<p class="mb-2 text-soft">
						{view.clearCoats} clear {view.clearCoats === 1 ? 'coat' : 'coats'} · {span(
							view.steps.filter((s) => !s.done).reduce((a, s) => a + s.minutes, 0) * 60_000
						)} of work left · at least {span(view.waitingMinutes * 60_000)} with drying
					</p>
					{#each view.brokenPins as p (p.firstId + p.thenId)}
						<p class="mb-2 border-l-4 border-ink bg-sheet px-3 py-1">
							The pin is not kept: {nameOf(p.thenId)} stands before {nameOf(p.firstId)}.
						</p>
					{/each}
					<ol>
						{#each view.steps as step, i (step.id)}
							<StepLine
								{step}
								number={i + 1}
								desk={plan}
								findings={view.findings.filter((f) => f.stepId === step.id)}
								materials={catalogue.data?.materials ?? []}
								zones={job.data?.zones ?? []}
								pinned={nameOf(view.pins.find((p) => p.thenId === step.id)?.firstId)}
							/>
						{/each}
					</ol>
					{#if catalogue.data && job.data}
						<AddStep desk={plan} techniques={catalogue.data.techniques} zones={job.data.zones} />
					{/if}
				{/if}
			</section>
			<section
				aria-label="The subject and its cores"
				class="min-w-0 lg:sticky lg:top-3 lg:self-start"
			>
				{#if job.data && catalogue.data}
					<SubjectDrawing
						kind={job.data.job.kind}
						zones={catalogue.data.zones}
						{marked}
						{colours}
						ratio={job.data.job.lengthMm / job.data.job.heightMm}
						label="The subject as it will look, zone by zone"
					/>
				{/if}
				<div class="mt-4"><CoresRow cores={view.cores} desk={plan} /></div>
				{#if diary.data && view.steps.length}
					<h2 class="mt-3 text-xl">Drying rail</h2>
					<DryingRail diary={diary.data} chosen={plan.chosen} label="Drying rail" />
				{/if}
			</section>
		</div>
	{/snippet}
</Loaded>
