<script lang="ts">
	import type { Schemas } from '$lib/api/client';
	import { day, span, when } from '$lib/time/time';

	/** The steps by the day on which they are done. */
	let { diary, now }: { diary: Schemas['Diary']; now: number } = $props();

	const time = (iso: string) => new Date(iso).getTime();
	const days = $derived.by(() => {
		const out: { day: string; slots: { slot: Schemas['Slot']; number: number }[] }[] = [];
		diary.slots.forEach((slot, i) => {
			if (slot.done) return;
			const d = day(slot.start);
			const last = out.at(-1);
			if (last?.day === d) last.slots.push({ slot, number: i + 1 });
			else out.push({ day: d, slots: [{ slot, number: i + 1 }] });
		});
		return out;
	});
	const done = $derived(diary.slots.filter((s) => s.done));
	const hour = (iso: string) => when(iso, now).split(' ').at(-1);
</script>

<div class="mt-6 grid gap-x-8 gap-y-5 md:grid-cols-2 xl:grid-cols-3">
	{#each days as d (d.day)}
		<section>
			<h2 class="border-b-2 border-ink text-xl">{d.day}</h2>
			<ol>
				{#each d.slots as { slot, number } (slot.stepId)}
					<li class="grid grid-cols-[1.8rem_3.4rem_1fr] gap-2 border-b border-line py-1.5">
						<span class="figure text-lg">{number}</span>
						<span class="figure text-lg">{hour(slot.start)}</span>
						<span>
							<span class="font-semibold first-letter:uppercase">{slot.name}</span>, {slot.material}
							<span class="text-soft">· {span(time(slot.end) - time(slot.start))}</span>
							{#if diary.lags[slot.stepId]}<span class="block text-soft"
									>waits: {diary.lags[slot.stepId]}</span
								>{/if}
							{#each slot.warnings as w, i (i)}<span class="block border-l-4 border-ink pl-2"
									>{w}</span
								>{/each}
						</span>
					</li>
				{/each}
			</ol>
		</section>
	{/each}
</div>
{#if done.length}
	<details class="mt-5">
		<summary class="tag cursor-pointer">{done.length} steps done</summary>
		<ol class="mt-1 max-w-xl">
			{#each done as s (s.stepId)}
				<li class="flex justify-between gap-4 border-b border-line py-1">
					<span class="first-letter:uppercase">{s.name}, {s.material}</span><span
						class="figure text-soft">{when(s.start, now)}</span
					>
				</li>
			{/each}
		</ol>
	</details>
{/if}
