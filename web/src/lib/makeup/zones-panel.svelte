<script lang="ts">
	import Select from '$lib/ui/select.svelte';
	import type { Schemas } from '$lib/api/client';
	import SubjectDrawing from '$lib/subject/subject-drawing.svelte';
	import { axlesOf, drawnOf } from '$lib/subject/zones';
	import { number } from '$lib/ui/number';
	import Button from '$lib/ui/button.svelte';
	import type { ZoneDesk } from './zone-desk.svelte';

	/** The zones of the subject, chosen on the drawing or in the list, and changed beside it. */
	type Props = {
		desk: ZoneDesk;
		job: Schemas['JobView'];
		lists: Schemas['Lists'];
		busy: boolean;
	};

	let { desk, job, lists, busy }: Props = $props();

	let chosen = $state<string>();
	let fresh = $state('');
	let into = $state('');
	const zone = $derived(job.zones.find((z) => z.zoneKey === chosen));
	const others = $derived(job.zones.filter((z) => z.zoneKey !== chosen));
	const kind = $derived(lists.kinds.find((k) => k.key === job.job.kind));
	const FACES = [
		['UP', 'up'],
		['SIDE', 'to the side'],
		['END', 'to an end'],
		['DOWN', 'down']
	] as const;
	type Face = (typeof FACES)[number][0];
	type Substrate = Schemas['Job']['substrate'];

	/** Drawn on the side: the place of the chosen zone. */
	function drawn(b: { x: number; y: number; width: number; height: number }) {
		const box = [b.x, b.y, b.width, b.height].map((v) => v.toFixed(3)).join(' ');
		if (zone) void desk.change(zone.zoneKey, { box });
	}
</script>

<div class="grid gap-4 xl:grid-cols-[minmax(0,1fr)_19rem]">
	<div class="min-w-0">
		<SubjectDrawing
			zones={drawnOf(job.zones)}
			axles={axlesOf(job.job.kind, kind?.wheels ?? true)}
			marked={chosen ? [chosen] : []}
			onchoose={(z) => (chosen = z)}
			{...zone ? { ondraw: drawn } : {}}
			ratio={job.job.lengthMm / job.job.heightMm}
			label="Zones of the subject, seen from the left"
		/>
		<div class="mt-1 flex flex-wrap gap-x-4" role="group" aria-label="Zones">
			{#each job.zones as z (z.zoneKey)}
				<button
					class="min-h-7 underline decoration-line underline-offset-4 {chosen === z.zoneKey
						? 'font-semibold decoration-ink'
						: ''}"
					aria-pressed={chosen === z.zoneKey}
					onclick={() => (chosen = chosen === z.zoneKey ? undefined : z.zoneKey)}>{z.name}</button
				>
			{/each}
		</div>
	</div>
	<div class="flex flex-col gap-2">
		{#if zone}
			<label class="flex flex-col"
				><span class="tag">Called</span><input
					value={zone.name}
					maxlength="60"
					onchange={(e) => void desk.change(zone.zoneKey, { name: e.currentTarget.value })}
				/></label
			>
			<div class="flex flex-wrap gap-2">
				<label class="flex flex-col"
					><span class="tag">Faces</span>
					<Select
						value={zone.face ?? 'SIDE'}
						onchange={(value) => void desk.change(zone.zoneKey, { face: value as Face })}
						options={FACES.map(([key, name]) => [key, name] as const)}
					/></label
				>
				<label class="flex flex-col"
					><span class="tag">Area, % of the side</span><input
						class="w-24"
						inputmode="decimal"
						value={Math.round(zone.areaShare * 1000) / 10}
						onchange={(e) =>
							void desk.change(zone.zoneKey, { areaShare: number(e.currentTarget.value) / 100 })}
					/></label
				>
			</div>
			<label class="flex flex-col"
				><span class="tag">Made of</span>
				<Select
					value={zone.substrate ?? ''}
					onchange={(value) =>
						void desk.change(zone.zoneKey, {
							substrate: (value || null) as Substrate | null
						})}
					options={[
						['', 'what the subject is'],
						...lists.substrates.map((s) => [s.key, s.label] as const)
					]}
				/></label
			>
			<label class="flex min-h-7 items-center gap-1.5"
				><input
					type="checkbox"
					checked={zone.lettering}
					onchange={(e) => void desk.change(zone.zoneKey, { lettering: e.currentTarget.checked })}
				/>factory lettering on it</label
			>
			<label class="flex min-h-7 items-center gap-1.5"
				><input
					type="checkbox"
					checked={zone.keptClean ?? false}
					onchange={(e) => void desk.change(zone.zoneKey, { keptClean: e.currentTarget.checked })}
				/>glass: nothing must settle on it</label
			>
			<p class="text-soft">Draw on the side to say where it lies.</p>
			<div class="flex flex-wrap gap-x-4 gap-y-1">
				<button class="tag underline" disabled={busy} onclick={() => void desk.split(zone.zoneKey)}
					>split in two</button
				>
				<button
					class="tag underline"
					disabled={busy || job.zones.length < 2}
					onclick={() => {
						void desk.drop(zone.zoneKey);
						chosen = undefined;
					}}>drop it</button
				>
			</div>
			<div class="flex flex-wrap items-center gap-2">
				<Select
					label="Zone to merge with"
					bind:value={into}
					options={[['', 'merge it with…'], ...others.map((z) => [z.zoneKey, z.name] as const)]}
				/>
				{#if into}<Button
						onclick={() => {
							void desk.merge(zone.zoneKey, into);
							into = '';
						}}>Merge</Button
					>{/if}
			</div>
		{:else}
			<p class="text-soft">Choose a zone on the drawing or in the list.</p>
		{/if}
		<form
			class="mt-2 flex flex-wrap items-end gap-2 border-t border-line pt-2"
			onsubmit={(e) => {
				e.preventDefault();
				const name = fresh.trim();
				if (!name) return;
				void desk.add(name).then((key) => {
					if (key) [chosen, fresh] = [key, ''];
				});
			}}
		>
			<label class="flex grow flex-col"
				><span class="tag">A zone of its own</span><input
					bind:value={fresh}
					maxlength="60"
					placeholder="footboards, one roof panel"
				/></label
			>
			<Button type="submit" disabled={!fresh.trim()}>Add it</Button>
		</form>
	</div>
</div>
