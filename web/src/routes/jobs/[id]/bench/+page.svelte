<script lang="ts">
	import { goto } from '$app/navigation';
	import { resolve } from '$app/paths';
	import { page } from '$app/state';
	import { benchQuery, catalogueQuery, diaryQuery, jobQuery, makeupQuery } from '$lib/api/queries';
	import Again from '$lib/bench/again.svelte';
	import { BenchDesk } from '$lib/bench/bench-desk.svelte';
	import Camera from '$lib/bench/camera.svelte';
	import DryingList from '$lib/bench/drying-list.svelte';
	import LogList from '$lib/bench/log-list.svelte';
	import StepBoard from '$lib/bench/step-board.svelte';
	import { Keys } from '$lib/keys/keys.svelte';
	import { PlanDesk } from '$lib/makeup/plan-desk.svelte';
	import TakeBack from '$lib/makeup/take-back.svelte';
	import DryingRail from '$lib/rail/drying-rail.svelte';
	import { Now } from '$lib/time/now.svelte';
	import { Desk } from '$lib/ui/desk.svelte';
	import Loaded from '$lib/ui/loaded.svelte';
	import Notice from '$lib/ui/notice.svelte';
	import { createQuery } from '@tanstack/svelte-query';

	const id = $derived(page.params.id ?? '');
	const desk = Desk.get();
	const job = createQuery(() => jobQuery(id));
	const bench = createQuery(() => benchQuery(id));
	const diary = createQuery(() => diaryQuery(id));
	const catalogue = createQuery(() => catalogueQuery());
	const now = new Now(500);
	const hands = new BenchDesk(page.params.id ?? '', desk, () => bench.data);

	const makeup = createQuery(() => makeupQuery(id));
	const plan = new PlanDesk(page.params.id ?? '', desk, () => makeup.data);
	let back = $state(false);
	const coats = $derived(
		(makeup.data?.steps ?? [])
			.filter((s) => s.done && s.role !== 'WORK' && s.role !== 'HANDLING')
			.reverse()
			.map((s) => ({ stepId: s.id, name: s.name, material: s.materialName, zones: s.zones }))
	);
	const zoneName = (key: string) => job.data?.zones.find((z) => z.zoneKey === key)?.name ?? key;

	const leave = () => void goto(resolve('/jobs/[id]/diary', { id }));
	Keys.use('Bench', () => [
		{
			key: ' ',
			label: 'Begin, then done',
			run: () =>
				void (bench.data?.zones
					? hands.zoneOver()
					: hands.step?.running
						? hands.done()
						: hands.begin())
		},
		{ key: 'b', label: 'Take something back', run: () => (back = !back) },
		{ key: 'Escape', label: 'Leave the bench', run: leave }
	]);

	const names = $derived(
		Object.fromEntries((catalogue.data?.techniques ?? []).map((t) => [t.key, t.name]))
	);
	const materials = $derived(
		Object.fromEntries((catalogue.data?.materials ?? []).map((m) => [m.key, m.name]))
	);
</script>

<svelte:head><title>Bench – Pendrik</title></svelte:head>

<div class="min-h-dvh px-5 py-3">
	<header class="mb-4 flex flex-wrap items-center gap-x-6 gap-y-1 border-b-2 border-line pb-2">
		<button
			class="min-h-14 px-2 font-label text-[1.4rem] font-semibold underline underline-offset-4"
			onclick={leave}>Leave the bench</button
		>
		<p class="text-[1.4rem]">{job.data?.job.name ?? ''}</p>
		{#if bench.data?.total}
			<p class="figure ml-auto text-[1.4rem]">
				{bench.data.step
					? `step ${bench.data.done + 1} of ${bench.data.total}`
					: `${bench.data.done} of ${bench.data.total} steps done`}{bench.data.nextName
					? ` · then ${bench.data.nextName}`
					: ''}
			</p>
		{/if}
	</header>
	<Loaded query={bench}>
		{#snippet children(view)}
			{#if view.step}
				<StepBoard
					step={view.step}
					kind={job.data?.job.kind}
					zones={view.zones}
					desk={hands}
					now={now.current}
					busy={desk.busy}
				/>
			{:else if view.total}
				<h1 class="sr-only">Bench</h1>
				<Notice
					title="All steps are done"
					text="Photograph the model in the view of the prototype and compare."
				>
					<Camera desk={hands} kind={job.data?.job.kind} of="the last step" />
					<a class="underline" href={resolve('/jobs/[id]/compare', { id })}>Compare</a>
				</Notice>
			{:else}
				<h1 class="sr-only">Bench</h1>
				<Notice
					title="There is no plan to work from"
					text="Make the plan first: what goes on, in which order."
				>
					<a class="underline" href={resolve('/jobs/[id]/makeup', { id })}>Go to the make-up</a>
				</Notice>
			{/if}
			<Again open={view.open} outcomes={view.outcomes} desk={hands} {zoneName} busy={desk.busy} />
			{#if coats.length}
				<div class="mt-4 border-t-2 border-line pt-2">
					<button
						class="min-h-14 px-2 font-label text-[1.4rem] font-semibold underline underline-offset-4"
						aria-expanded={back}
						onclick={() => (back = !back)}
						>Take something back<span class="ml-3 text-[1.1rem] font-medium">b</span></button
					>
					{#if back}
						<div class="outline-none" tabindex="-1" {@attach (node) => node.focus()}>
							<TakeBack {coats} {zoneName} desk={plan} large ontaken={() => (back = false)} />
						</div>
					{/if}
				</div>
			{/if}
			{#if view.drying.length}
				<details class="mt-4 text-[1.2rem]">
					<summary
						class="flex min-h-14 cursor-pointer items-center font-label text-[1.4rem] font-semibold"
						>Drying ({view.drying.length})</summary
					>
					<DryingList drying={view.drying} desk={hands} now={now.current} busy={desk.busy} />
				</details>
			{/if}
			{#if diary.data?.slots.length}
				<div class="mt-6">
					<DryingRail diary={diary.data} chosen={view.step?.id} label="Drying rail" />
				</div>
			{/if}
			{#if view.log.some((e) => e.finishedAt)}
				<details class="mt-4 text-[1.2rem]">
					<summary
						class="flex min-h-14 cursor-pointer items-center font-label text-[1.4rem] font-semibold"
						>Log</summary
					>
					<LogList log={view.log} {names} {materials} now={now.current} />
				</details>
			{/if}
		{/snippet}
	</Loaded>
</div>
