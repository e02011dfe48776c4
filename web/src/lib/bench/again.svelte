<script lang="ts">
	import Select from '$lib/ui/select.svelte';
	import type { Schemas } from '$lib/api/client';
	import type { BenchDesk } from './bench-desk.svelte';

	/** More of what lies open, and what came of what was warned of. */
	type Props = {
		open: Schemas['OpenCoat'][];
		outcomes: Schemas['Outcome'][];
		desk: BenchDesk;
		zoneName: (key: string) => string;
		busy: boolean;
	};

	let { open, outcomes, desk, zoneName, busy }: Props = $props();

	let tones = $state<Record<string, string>>({});
	const toneOf = (c: Schemas['OpenCoat']) => tones[c.stepId] ?? c.tones[0]?.key ?? '';
	const asked = $derived(outcomes.filter((o) => o.lifted === null || o.lifted === undefined));
	const told = $derived(outcomes.filter((o) => o.lifted === true || o.lifted === false));
</script>

{#if open.length}
	<section aria-label="Again while it is open" class="mt-4 border-t-2 border-line pt-2">
		<h2 class="font-label text-[1.4rem] font-semibold">Again, while it is open</h2>
		<ul>
			{#each open as coat (coat.stepId)}
				<li class="flex flex-wrap items-center gap-3 py-1 text-[1.3rem]">
					<span
						><span class="first-letter:uppercase">{coat.name}</span> in {coat.material} on {coat.zones
							.map(zoneName)
							.join(', ')}</span
					>
					<Select
						roomy
						label="Tone of another round of {coat.name}"
						value={toneOf(coat)}
						onchange={(value) => (tones[coat.stepId] = value)}
						options={coat.tones.map((t) => [t.key, t.name] as const)}
					/>
					<button
						class="min-h-14 border-2 border-ink px-4 font-label font-semibold"
						disabled={busy}
						onclick={() => void desk.again(coat, toneOf(coat))}>Another round</button
					>
				</li>
			{/each}
		</ul>
	</section>
{/if}
{#if asked.length || told.length}
	<section aria-label="What came of it" class="mt-4 border-t-2 border-line pt-2">
		<h2 class="font-label text-[1.4rem] font-semibold">What came of it?</h2>
		<ul>
			{#each asked as o (o.stepId)}
				<li class="flex flex-wrap items-center gap-3 py-1 text-[1.3rem]">
					<span
						><span class="first-letter:uppercase">{o.name}</span> could have lifted the {o.coats.join(
							', '
						)}.</span
					>
					<button
						class="min-h-14 border-2 border-ink px-4 font-label font-semibold"
						disabled={busy}
						onclick={() => void desk.outcome(o.stepId, true, o.coats[0] ?? 'It')}>It lifted</button
					>
					<button
						class="min-h-14 border-2 border-ink px-4 font-label font-semibold"
						disabled={busy}
						onclick={() => void desk.outcome(o.stepId, false, o.coats[0] ?? 'It')}
						>It did not</button
					>
				</li>
			{/each}
			{#each told as o (o.stepId)}
				<li class="py-1 text-[1.3rem] text-soft">
					<span class="first-letter:uppercase">{o.name}</span>: the {o.coats.join(', ')}
					{o.lifted ? 'lifted' : 'did not lift'}.
				</li>
			{/each}
		</ul>
	</section>
{/if}
