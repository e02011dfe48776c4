<script lang="ts">
	import Select from '$lib/ui/select.svelte';
	import MomentField from '$lib/time/moment-field.svelte';
	import type { Schemas } from '$lib/api/client';
	import { benchClock } from '$lib/time/clock.svelte';
	import { when } from '$lib/time/time';
	import type { BenchDesk } from './bench-desk.svelte';
	import Camera from './camera.svelte';
	import MixCard from './mix-card.svelte';
	import WindowClock from './window-clock.svelte';
	import ZoneBoard from './zone-board.svelte';

	/** The one step that is at the bench. */
	type Props = {
		step: Schemas['BenchStep'];
		kind: Schemas['Job']['kind'] | undefined;
		zones?: Schemas['ZonesView'] | null | undefined;
		desk: BenchDesk;
		now: number;
		busy: boolean;
	};

	let { step, kind, zones, desk, now, busy }: Props = $props();

	const choice = $derived(step.materials.find((m) => m.key === desk.chosenMaterial));
	// what is taken in the hand decides: warm water gets through where cold does not any more
	const findings = $derived(choice?.findings ?? step.findings);
	const against = $derived(findings.filter((f) => f.severity !== 'NOTE'));
	const notes = $derived(findings.filter((f) => f.severity === 'NOTE'));
	const waits = $derived(new Date(step.readyAt).getTime() > now + 30_000 && !step.running);
	// the accent is for what should be done now: not for what the engine warns of
	const calls = $derived(step.running || !(waits || against.some((f) => f.severity === 'STOP')));
	// of several zones it is that of the one at hand; while laying, of the one that closes first
	const watched = $derived(zones?.clock ?? step.clock ?? null);
	const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);
</script>

{#snippet hand(title: string)}
	<label class="flex flex-col gap-1 text-[1.35rem]"
		><span class="tag text-base">{title}</span>
		<Select
			roomy
			value={desk.chosenMaterial}
			onchange={(value) => (desk.material = value)}
			options={step.materials.map(
				(m) =>
					[
						m.key,
						`${m.name}${m.findings.some((f) => f.severity === 'STOP') ? ' (✕)' : ''}`
					] as const
			)}
		/>
	</label>
{/snippet}

<div class="grid gap-5 lg:grid-cols-[1.25fr_1fr]">
	<div class="flex flex-col gap-4">
		<div>
			<h1 class="font-stencil text-[3.6rem] leading-[0.95] font-bold first-letter:uppercase">
				{step.name}
			</h1>
			<p class="text-[1.6rem] leading-snug">{step.zoneNames.join(', ')}</p>
		</div>
		{#if watched}<WindowClock clock={watched} {now} />{/if}
		{#if zones}<ZoneBoard view={zones} {now} />{/if}
		{#if waits && !step.clock}
			<p class="border-l-8 border-ink bg-sheet px-4 py-2 text-[1.5rem]">
				<strong>Not yet.</strong> Ready {when(step.readyAt, now)}.
			</p>
		{/if}
		{#each against as f (f.why)}
			<p class="border-l-8 border-ink bg-sheet px-4 py-2 text-[1.5rem]">
				<strong>{f.severity === 'STOP' ? '✕ Stop.' : '△ Careful.'}</strong>
				{f.why}
			</p>
		{/each}
		<div class="text-[1.5rem] leading-snug">
			{#if step.turn}<p class="mb-3"><strong>{step.turn}</strong></p>{/if}
			{#if step.masking}<p class="tag text-base">Mask</p>
				<p class="mb-3 first-letter:uppercase">{step.masking}</p>{/if}
			<p class="tag text-base">Stroke</p>
			<p>{step.stroke}</p>
			<p class="tag mt-3 text-base">Stop rule</p>
			<p>{step.stopRule}</p>
			{#if step.inspection}<p class="tag mt-3 text-base">Look at</p>
				<p>{step.inspection}</p>{/if}
			{#each notes as f (f.why)}<p class="mt-3 text-soft">{f.why}</p>{/each}
		</div>
	</div>
	<div class="flex flex-col gap-4">
		{#if choice?.mix}
			<MixCard mix={choice.mix} />
		{:else if choice}
			<section class="sheet px-5 py-3">
				<p class="tag text-base">With</p>
				<p class="text-[1.6rem]">{choice.name}</p>
			</section>
		{/if}
		{#if choice?.caution || step.caution}
			<p class="border-2 border-ink px-4 py-2 text-[1.35rem] leading-snug">
				<strong class="tag text-base text-ink">Caution</strong><br />{choice?.caution}
				{step.caution} The safety data sheet of the product comes first.
			</p>
		{/if}
		{#if !step.running && step.materials.length > 1}
			{@render hand('What you take')}
		{/if}
		{#if step.running}
			<section
				class="sheet flex flex-col gap-3 px-5 py-3 text-[1.35rem]"
				aria-label="What was really done"
			>
				<p>Begun {when(step.running.startedAt, now)}. Planned {step.minutes} min.</p>
				{@render hand('What you really used')}
				<label class="flex flex-col gap-1"
					><span class="tag text-base">Note</span><input
						class="min-h-14"
						bind:value={desk.note}
						maxlength="2000"
					/></label
				>
				<details>
					<summary class="flex min-h-14 cursor-pointer items-center text-soft">Other times</summary>
					{#if benchClock.elsewhere}
						<p class="text-soft">As the clock in {benchClock.zone} shows them.</p>
					{/if}
					<div class="flex flex-col">
						<span class="tag text-base" aria-hidden="true">Begun</span>
						<MomentField label="Begun" class="min-h-14" bind:value={desk.startedAt} />
					</div>
					<div class="flex flex-col">
						<span class="tag text-base" aria-hidden="true">Done</span>
						<MomentField label="Done" class="min-h-14" bind:value={desk.finishedAt} />
					</div>
				</details>
				<Camera {desk} {kind} of={step.name} />
			</section>
		{/if}
		<button
			class="sticky bottom-2 z-10 min-h-20 rounded-[2px] border-2 px-5 font-label text-[2rem] font-semibold disabled:opacity-50 {calls
				? 'border-act bg-act text-on-act'
				: 'border-ink bg-sheet'}"
			disabled={busy}
			onclick={() => void (zones ? desk.zoneOver() : step.running ? desk.done() : desk.begin())}
			>{zones
				? `${capital(zones.zoneName)} ${zones.part === 'LAY' ? 'laid' : 'done'}`
				: step.running
					? 'Done'
					: calls
						? 'Begin'
						: 'Begin all the same'}<span class="ml-3 text-[1.1rem] font-medium">space</span></button
		>
		{#if !step.running}
			<button
				class="min-h-14 border border-soft px-4 text-left text-[1.35rem]"
				disabled={busy}
				onclick={() => void desk.done()}>It is done already</button
			>
		{/if}
	</div>
</div>
