<script lang="ts">
	import { page } from '$app/state';
	import {
		catalogueQuery,
		diaryQuery,
		jobQuery,
		makeupQuery,
		overviewQuery,
		studyQuery,
		workshopQuery
	} from '$lib/api/queries';
	import { Keys } from '$lib/keys/keys.svelte';
	import CoresRow from '$lib/makeup/cores-row.svelte';
	import InStep from '$lib/makeup/in-step.svelte';
	import OtherWays from '$lib/makeup/other-ways.svelte';
	import LyingCoats from '$lib/makeup/lying-coats.svelte';
	import { PlanDesk } from '$lib/makeup/plan-desk.svelte';
	import PlanLines from '$lib/makeup/plan-lines.svelte';
	import TakeBack from '$lib/makeup/take-back.svelte';
	import { ZoneDesk } from '$lib/makeup/zone-desk.svelte';
	import ZonesPanel from '$lib/makeup/zones-panel.svelte';
	import WhatIfPanel from '$lib/makeup/what-if-panel.svelte';
	import { WhatIf } from '$lib/makeup/what-if.svelte';
	import SchoolSheet from '$lib/school/school-sheet.svelte';
	import DryingRail from '$lib/rail/drying-rail.svelte';
	import EffectNotes from '$lib/study/effect-notes.svelte';
	import { StudyDesk } from '$lib/study/study-desk.svelte';
	import SubjectDrawing from '$lib/subject/subject-drawing.svelte';
	import { axlesOf, drawnOf } from '$lib/subject/zones';
	import Button from '$lib/ui/button.svelte';
	import { Desk } from '$lib/ui/desk.svelte';
	import Loaded from '$lib/ui/loaded.svelte';
	import { createQuery } from '@tanstack/svelte-query';

	const id = $derived(page.params.id ?? '');
	const desk = Desk.get();
	const job = createQuery(() => jobQuery(id));
	const makeup = createQuery(() => makeupQuery(id));
	const catalogue = createQuery(() => catalogueQuery());
	const diary = createQuery(() => diaryQuery(id));
	const plan = new PlanDesk(page.params.id ?? '', desk, () => makeup.data);

	const workshop = createQuery(() => workshopQuery());
	const whatIf = new WhatIf(page.params.id ?? '');

	// one question beside the plan at a time; a link may come with a coat that is too heavy
	type Panel = 'effects' | 'zones' | 'lying' | 'schools' | 'ways' | 'what-if' | 'back' | 'in-step';
	const asked = page.url.searchParams.get('back') ?? undefined;
	let panel = $state<Panel | undefined>(asked ? 'back' : undefined);
	// the other jobs are of use to one panel only
	const overview = createQuery(() => ({ ...overviewQuery(), enabled: panel === 'in-step' }));
	const PANELS: [Panel, string, string][] = [
		['effects', 'f', 'Effects'],
		['zones', 'z', 'Zones'],
		['lying', 'y', 'Lies already'],
		['schools', 's', 'School sheet'],
		['ways', 'o', 'Other ways'],
		['what-if', 'i', 'What if'],
		['back', 'b', 'Take back'],
		['in-step', 'g', 'In step']
	];
	function turn(to: Panel) {
		panel = panel === to ? undefined : to;
		if (panel === 'what-if')
			whatIf.begin(workshop.data?.celsius ?? 20, workshop.data?.humidity ?? 0.5);
		else whatIf.close();
	}
	const shown = $derived(whatIf.then?.makeup ?? makeup.data);
	const study = createQuery(() => studyQuery(id));
	const notes = new StudyDesk(page.params.id ?? '', desk, () => study.data);
	const zoneDesk = new ZoneDesk(page.params.id ?? '', desk, () => job.data);
	const coats = $derived(
		(makeup.data?.steps ?? [])
			.filter((s) => s.done && s.role !== 'WORK' && s.role !== 'HANDLING')
			.reverse()
			.map((s) => ({ stepId: s.id, name: s.name, material: s.materialName, zones: s.zones }))
	);
	const zoneName = (key: string) => job.data?.zones.find((z) => z.zoneKey === key)?.name ?? key;

	function choose(by: 1 | -1) {
		const at = plan.steps.findIndex((s) => s.id === plan.chosen);
		plan.chosen = plan.steps[Math.min(Math.max(at + by, 0), plan.steps.length - 1)]?.id;
	}
	function mendFirst() {
		const f = makeup.data?.findings.find((x) => x.severity !== 'NOTE' && x.mends.length);
		const m = f?.mends[0];
		if (f && m) void plan.mend(f.index, m);
	}
	function repair() {
		if (makeup.data?.findings.some((f) => f.severity !== 'NOTE')) void plan.repair();
		else desk.say('There is nothing to mend', 'saved');
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
		{ key: 'r', label: 'Mend the whole plan', run: repair },
		...PANELS.map(([what, key, label]) => ({ key, label, run: () => turn(what) })),
		{
			key: 'c',
			label: 'Make the plan from the effects',
			// an effect just noted may not stand in the plan's own count yet
			run: () =>
				(makeup.data?.effects || notes.effects.length || plan.steps.length) && void plan.compile()
		},
		{ key: 'Escape', label: 'Close what is open beside the plan', run: () => panel && turn(panel) }
	]);

	const marked = $derived(plan.lookedAt?.zones ?? []);
	const colours = $derived(
		Object.fromEntries((makeup.data?.cores ?? []).map((c) => [c.zone, c.surfaceHex]))
	);
</script>

<svelte:head><title>Make-up – Pendrik</title></svelte:head>

<Loaded query={makeup}>
	{#snippet children(stored)}
		{@const view = shown ?? stored}
		<div class="grid gap-6 px-5 py-4 lg:grid-cols-[27rem_minmax(0,1fr)]">
			<section aria-labelledby="steps" class="min-w-0">
				<PlanLines {id} {view} {plan} busy={desk.busy} catalogue={catalogue.data} job={job.data} />
			</section>
			<section
				aria-label="The subject and its cores"
				class="min-w-0 lg:sticky lg:top-3 lg:max-h-[calc(100dvh-1rem)] lg:self-start lg:overflow-y-auto"
			>
				<div class="mb-3 flex flex-wrap gap-x-5 gap-y-1 border-b-2 border-line pb-1">
					{#each PANELS as [what, key, label] (what)}
						<button
							class="min-h-8 font-label text-[1.05rem] font-semibold {panel === what
								? 'border-b-4 border-ink'
								: 'text-soft'}"
							aria-expanded={panel === what}
							onclick={() => turn(what)}
							>{label} <span class="tag" aria-hidden="true">{key}</span></button
						>
					{/each}
				</div>
				{#key panel}{#if panel}
						<!-- the next tab is the first thing in it -->
						<div
							class="mb-4 border-b border-line pb-3 outline-none"
							tabindex="-1"
							{@attach (node) => node.focus({ preventScroll: true })}
						>
							{#if panel === 'effects' && catalogue.data && job.data}
								<EffectNotes
									jobId={id}
									desk={notes}
									lists={catalogue.data}
									of={job.data.job.kind}
									zones={job.data.zones}
								/>
								{#if view.steps.length}
									<div class="mt-2">
										<Button disabled={desk.busy} onclick={() => void plan.compile()}
											>Make the plan anew from these</Button
										>
									</div>
								{/if}
							{:else if panel === 'zones' && catalogue.data && job.data}
								<ZonesPanel
									desk={zoneDesk}
									job={job.data}
									lists={catalogue.data}
									busy={desk.busy}
								/>
							{:else if panel === 'lying' && catalogue.data && job.data}
								<LyingCoats
									desk={plan}
									lists={catalogue.data}
									zones={job.data.zones}
									now={diary.data?.now}
								/>
							{:else if panel === 'schools' && catalogue.data}
								<SchoolSheet
									questions={catalogue.data.schools}
									answers={stored.schools}
									house={stored.houseSchools}
									busy={desk.busy}
									onanswer={(q, a) =>
										void plan.choose(
											{ [q.key]: a },
											`${q.text}: ${q.answers.find((x) => x.key === a)?.label ?? 'as the house'}`
										)}
								/>
							{:else if panel === 'ways'}
								<OtherWays jobId={id} desk={plan} busy={desk.busy} />
							{:else if panel === 'what-if'}
								<WhatIfPanel ask={whatIf} steps={stored.steps} />
							{:else if panel === 'back'}
								<TakeBack
									{coats}
									{zoneName}
									desk={plan}
									from={asked}
									zone={page.url.searchParams.get('zone') ?? undefined}
									ontaken={() => (panel = undefined)}
								/>
							{:else if panel === 'in-step'}
								<InStep jobId={id} cards={overview.data ?? []} desk={plan} busy={desk.busy} />
							{/if}
						</div>
					{/if}{/key}
				{#if job.data && catalogue.data && panel !== 'zones'}
					<SubjectDrawing
						zones={drawnOf(job.data.zones)}
						axles={axlesOf(
							job.data.job.kind,
							catalogue.data.kinds.find((k) => k.key === job.data?.job.kind)?.wheels ?? true
						)}
						{marked}
						{colours}
						ratio={job.data.job.lengthMm / job.data.job.heightMm}
						label="The subject as it will look, zone by zone"
					/>
				{/if}
				<div class="mt-4">
					<CoresRow cores={view.cores} findings={view.findings} steps={view.steps} desk={plan} />
				</div>
				{#if diary.data && view.steps.length}
					<h2 class="mt-3 text-xl">Drying rail</h2>
					<DryingRail diary={diary.data} chosen={plan.chosen} label="Drying rail" />
				{/if}
			</section>
		</div>
	{/snippet}
</Loaded>
