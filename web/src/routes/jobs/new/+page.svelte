<script lang="ts">
	import Select from '$lib/ui/select.svelte';
	import { goto } from '$app/navigation';
	import { resolve } from '$app/paths';
	import { api, ApiError, must, said, type Schemas } from '$lib/api/client';
	import { catalogueQuery, refreshJob } from '$lib/api/queries';
	import { JobEntry } from '$lib/jobs/draft.svelte';
	import LengthField from '$lib/jobs/length-field.svelte';
	import SideFrame from '$lib/subject/side-frame.svelte';
	import SubjectDrawing from '$lib/subject/subject-drawing.svelte';
	import { axlesOf } from '$lib/subject/zones';
	import Button from '$lib/ui/button.svelte';
	import Loaded from '$lib/ui/loaded.svelte';
	import { createQuery } from '@tanstack/svelte-query';

	const catalogue = createQuery(() => catalogueQuery());
	const entry = new JobEntry();
	let refused = $state<{ field: string | undefined; text: string }>();
	let busy = $state(false);

	const groups = (kinds: Schemas['KindItem'][]) =>
		[
			['Cars', kinds.filter((k) => k.wheels && !k.locomotive && k.key !== 'ROAD_TRAILER')],
			['Engines', kinds.filter((k) => k.locomotive)],
			['Road', kinds.filter((k) => k.key === 'ROAD_TRAILER' || k.key === 'CONTAINER')],
			['Buildings', kinds.filter((k) => k.building)]
		] as const;
	const ratio = $derived.by(() => {
		const r = entry.length.value(entry.imperial) / entry.height.value(entry.imperial);
		return Number.isFinite(r) && r > 0 ? r : 2.6;
	});

	async function make(event: SubmitEvent) {
		event.preventDefault();
		if (entry.missing) {
			refused = { field: undefined, text: entry.missing };
			return;
		}
		busy = true;
		try {
			await must(
				api.PUT('/api/jobs/{id}', { params: { path: { id: entry.id } }, body: entry.draft })
			);
			await refreshJob(entry.id);
			await goto(resolve('/jobs/[id]/study', { id: entry.id }));
		} catch (error) {
			refused = { field: error instanceof ApiError ? error.field : undefined, text: said(error) };
		} finally {
			busy = false;
		}
	}
</script>

<svelte:head><title>New job – Pendrik</title></svelte:head>

<div class="mx-auto max-w-[72rem] px-5 py-5">
	<h1 class="text-3xl">New job</h1>
	<Loaded query={catalogue}>
		{#snippet children(lists)}
			<form class="mt-4 grid gap-8 lg:grid-cols-[1fr_1fr]" onsubmit={make} novalidate>
				<div class="flex flex-col gap-5">
					<label class="flex flex-col gap-1">
						<span class="tag">What you call it</span>
						<input
							bind:value={entry.name}
							maxlength="120"
							placeholder="Road number or name"
							autocomplete="off"
						/>
					</label>
					<fieldset>
						<legend class="tag mb-1">Kind of subject</legend>
						{#each groups(lists.kinds) as [group, kinds] (group)}
							<div class="grid grid-cols-[6rem_1fr] items-baseline border-t border-line py-0.5">
								<span class="tag">{group}</span>
								<div class="flex flex-wrap gap-x-5">
									{#each kinds as k (k.key)}
										<label class="flex min-h-8 items-center gap-2">
											<input
												type="radio"
												name="kind"
												value={k.key}
												bind:group={entry.kind}
											/>{k.label}
										</label>
									{/each}
								</div>
							</div>
						{/each}
					</fieldset>
					<label class="flex flex-col gap-1">
						<span class="tag">Scale</span>
						<Select
							bind:value={entry.scale}
							options={lists.scales.map(
								(s) =>
									[s.ratio, `${s.name.includes('1:') ? s.name : `${s.name} 1:${s.ratio}`}`] as const
							)}
						/>
					</label>
					<fieldset>
						<legend class="tag mb-1">The left side of the prototype</legend>
						<div class="mb-2"><SideFrame kind={entry.kind} side="LEFT" /></div>
						<div class="flex flex-wrap items-end gap-4">
							<LengthField
								label="Length"
								entry={entry.length}
								imperial={entry.imperial}
								scale={entry.scale}
							/>
							<LengthField
								label="Height"
								entry={entry.height}
								imperial={entry.imperial}
								scale={entry.scale}
							/>
							<button
								type="button"
								class="tag mb-2 underline"
								onclick={() => (entry.imperial = !entry.imperial)}
							>
								{entry.imperial ? 'in millimetres' : 'in feet and inches'}
							</button>
						</div>
					</fieldset>
					<label class="flex flex-col gap-1">
						<span class="tag">What is on it now</span>
						<Select
							bind:value={entry.substrate}
							options={lists.substrates.map((s) => [s.key, s.label] as const)}
						/>
					</label>
					<label class="flex flex-col gap-1">
						<span class="tag">Date wanted (may stay open)</span>
						<input type="date" bind:value={entry.wantedOn} />
					</label>
					<label class="flex flex-col gap-1">
						<span class="tag">Note</span>
						<textarea rows="2" bind:value={entry.note} maxlength="2000"></textarea>
					</label>
					{#if refused}
						<p role="alert" class="border-l-8 border-ink bg-sheet px-3 py-2">{refused.text}</p>
					{/if}
					<div>
						<Button look="act" type="submit" disabled={busy} class="min-h-11 px-5 text-xl"
							>Make the job</Button
						>
					</div>
				</div>
				<aside>
					<p class="tag mb-2">Its zones</p>
					<SubjectDrawing
						zones={lists.zones
							.filter((z) => z.kind === entry.kind)
							.map((z) => ({ key: z.key, name: z.name, box: z.box ?? null }))}
						axles={axlesOf(
							entry.kind,
							lists.kinds.find((k) => k.key === entry.kind)?.wheels ?? true
						)}
						{ratio}
						label="Zones of this kind of subject, seen from the left"
					/>
					<p class="mt-3 text-soft">
						{lists.zones
							.filter((z) => z.kind === entry.kind)
							.map((z) => z.name)
							.join(' · ')}
					</p>
				</aside>
			</form>
		{/snippet}
	</Loaded>
</div>
