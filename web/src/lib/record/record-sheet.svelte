<script lang="ts">
	import type { Schemas } from '$lib/api/client';
	import { restsOn, said } from '$lib/compare/verdict';
	import { factorySaid } from '$lib/study/factory-colour';
	import { sidesOf } from '$lib/study/sides';
	import { day, inFull, span, when } from '$lib/time/time';

	/** The record of a job: what the prototype showed, what was planned, what was really done, how it compares. */
	type Props = {
		record: Schemas['JobRecord'];
		zones: Schemas['JobZone'][];
		verdicts: Schemas['Judged'][];
		lists: Schemas['Lists'] | undefined;
	};

	let { record, zones, verdicts, lists }: Props = $props();

	// dates, never "today": a record is read later
	const now = 0;
	const STRENGTHS = ['a trace', 'plain', 'heavy'];
	const zone = (key: string) => zones.find((z) => z.zoneKey === key)?.name ?? key;
	const technique = (key: string) => lists?.techniques.find((t) => t.key === key)?.name ?? key;
	const material = (key: string) => lists?.materials.find((m) => m.key === key)?.name ?? key;
	const effect = (key: string) => lists?.effects.find((e) => e.key === key)?.label ?? key;
	const sides = $derived(sidesOf(record.job.kind));
	/** By its words; one without any by its side. */
	const called = (p: Schemas['PhotographPart']) =>
		p.caption || (sides.find((s) => s.key === p.side)?.label.toLowerCase() ?? '');
	const time = (iso: string) => new Date(iso).getTime();
	const pictures = $derived(
		record.photographs.filter((p) => p.corners ?? p.knownLines ?? p.knownPoints?.points.length)
	);
	const finished = $derived(record.log.filter((e) => e.finishedAt));
	const hands = $derived(
		finished.reduce((sum, e) => sum + time(e.finishedAt ?? '') - time(e.startedAt), 0)
	);
	/** Each region that was measured, with every photograph that shows it. */
	const measured = $derived(
		record.regions
			.map((region) => ({
				region,
				on: pictures.flatMap((photo) => {
					const m = record.measures.find(
						(x) => x.photograph === photo.id && x.region === region.id
					);
					return m ? [{ photo, m }] : [];
				})
			}))
			.filter(({ on }) => on.length)
	);
</script>

{#if record.job.note}<p class="mb-4 max-w-prose">{record.job.note}</p>{/if}
<div class="grid gap-4 sm:grid-cols-2">
	{#each pictures as p (p.id)}
		<figure class="sheet p-2">
			<img
				src="/api/photographs/{p.id}/side"
				alt="Side of {p.role === 'MODEL' ? 'the model' : 'the prototype'}, flat"
				class="block w-full"
			/>
			<figcaption class="mt-1 flex justify-between gap-2">
				<span
					><span class="font-semibold">{p.role === 'MODEL' ? 'Model' : 'Prototype'}</span>, {called(
						p
					)}</span
				>
				<span class="whitespace-nowrap text-soft">{day(p.takenAt ?? p.addedAt)}</span>
			</figcaption>
		</figure>
	{/each}
</div>

<h2 class="mt-6 border-b-2 border-ink text-2xl">Seen on the prototype</h2>
<ul>
	{#each record.effects as e (e.id)}
		<li class="border-b border-line py-1">
			<span class="inline-block font-semibold first-letter:uppercase">{effect(e.kind)}</span>, {STRENGTHS[
				e.strength - 1
			]}: {e.zones.map(zone).join(', ')}{e.note ? ` – ${e.note}` : ''}
		</li>
	{:else}<li class="py-1 text-soft">No effects noted.</li>{/each}
</ul>

{#if record.measures.length}
	<h2 class="mt-6 border-b-2 border-ink text-2xl">Measured</h2>
	{#if record.factory}
		<p class="py-1">
			Factory colour: {factorySaid(record.factory, undefined).join(', ')}
		</p>
	{/if}
	<table class="w-full">
		<thead
			><tr class="tag text-left"
				><th class="w-1/3 py-1 pr-4 font-semibold">Region</th><th class="pr-4 font-semibold"
					>Photograph</th
				>{#each ['L*', 'a*', 'b*', '±'] as of (of)}<th
						class="pl-4 text-right font-semibold normal-case">{of}</th
					>{/each}</tr
			></thead
		>
		{#each measured as { region, on } (region.id)}
			<tbody class="break-inside-avoid border-b border-line">
				{#each on as { photo, m }, i (photo.id)}
					<tr class="align-top">
						{#if i === 0}<th
								scope="rowgroup"
								rowspan={on.length}
								class="py-1 pr-4 text-left font-normal"
								>{region.name}{region.factory ? ' (factory colour)' : ''}</th
							>{/if}
						<td class="py-0.5 pr-4 text-soft"
							>{photo.role === 'MODEL' ? 'Model' : 'Prototype'}, {called(photo)}</td
						>
						{#each [m.l, m.a, m.b, 2 * m.uncertainty] as value, k (k)}<td
								class="figure pl-4 text-right whitespace-nowrap">{value.toFixed(1)}</td
							>{/each}
					</tr>
				{/each}
			</tbody>
		{/each}
	</table>
{/if}

{#if verdicts.length}
	<h2 class="mt-6 border-b-2 border-ink text-2xl">The model against the prototype</h2>
	<ul>
		{#each verdicts as v (v.regionId)}<li
				class="flex justify-between gap-4 border-b border-line py-1"
			>
				<span>{v.name}</span><span class="figure"
					>{said(v)}{restsOn(v) ? ` (${restsOn(v)})` : ''} · {v.byLightness
						? `ΔL ${v.deltaL.toFixed(1)}`
						: `ΔE00 ${v.deltaE00.toFixed(1)}`} ± {v.plusMinus.toFixed(1)}</span
				>
			</li>{/each}
	</ul>
{/if}

<h2 class="mt-6 border-b-2 border-ink text-2xl">
	Done{#if finished.length}<span class="text-soft">&nbsp;· {span(hands)} at the bench</span>{/if}
</h2>
<ol>
	{#each finished as e (e.id)}
		<li class="grid grid-cols-[9.5rem_1fr] gap-3 border-b border-line py-1">
			<span class="figure text-soft"
				>{when(e.startedAt, now)}, {span(time(e.finishedAt ?? '') - time(e.startedAt))}</span
			>
			<span
				><span class="inline-block font-semibold first-letter:uppercase"
					>{technique(e.technique)}</span
				>, {material(e.material)}: {e.zones.map(zone).join(', ')}{e.note
					? ` – ${e.note}`
					: ''}</span
			>
		</li>
	{:else}<li class="py-1 text-soft">Nothing is logged yet.</li>{/each}
</ol>

{#if record.steps.some((s) => !s.finishedAt)}
	<h2 class="mt-6 border-b-2 border-ink text-2xl">Still to do</h2>
	<ol>
		{#each record.steps.filter((s) => !s.finishedAt) as s (s.id)}
			<li class="border-b border-line py-1">
				<span class="inline-block font-semibold first-letter:uppercase"
					>{technique(s.technique)}</span
				>, {material(s.material)}: {s.zones.map(zone).join(', ')}<span class="text-soft">
					– {s.reason}</span
				>
			</li>
		{/each}
	</ol>
{/if}
<p class="mt-6 text-soft">
	Written {inFull(record.writtenAt)}. Colours in CIELAB under D65; differences in CIEDE2000.
</p>
