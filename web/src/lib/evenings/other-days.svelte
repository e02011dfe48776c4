<script lang="ts">
	import { benchChangesQuery } from '$lib/api/queries';
	import { day } from '$lib/time/time';
	import Button from '$lib/ui/button.svelte';
	import TimeField from '$lib/time/time-field.svelte';
	import { createQuery } from '@tanstack/svelte-query';
	import type { Evenings } from './evenings.svelte';

	/** Days on which bench time is otherwise than in the week: what there is, and one more. */
	let { evenings }: { evenings: Evenings } = $props();

	const changes = createQuery(() => benchChangesQuery());
	let onDay = $state('');
	let from = $state('19:00');
	let until = $state('21:00');
	const hour = (time: string) => time.slice(0, 5);
</script>

<section aria-labelledby="other-days">
	<h2 id="other-days" class="text-xl">Days that are otherwise</h2>
	{#if changes.data?.length}
		<ul class="mt-1">
			{#each changes.data as c (c.id)}
				<li class="flex flex-wrap items-baseline gap-x-3 border-t border-line py-1">
					<span class="grow"
						>{day(`${c.onDay}T12:00:00Z`)}: {c.there
							? `at the bench ${hour(c.fromTime)}–${c.untilTime ? hour(c.untilTime) : '24:00'}`
							: 'not at the bench'}</span
					>
					<Button look="bare" disabled={evenings.busy} onclick={() => void evenings.takeBack(c.id)}
						>As in the week</Button
					>
				</li>
			{/each}
		</ul>
	{/if}
	<form
		class="mt-2 flex flex-wrap items-end gap-3"
		onsubmit={(e) => {
			e.preventDefault();
			void evenings.add(onDay, from, until);
		}}
	>
		<label class="flex flex-col"
			><span class="tag">More bench time on</span><input
				class="field"
				type="date"
				bind:value={onDay}
				required
			/></label
		>
		<TimeField label="from" bind:value={from} />
		<TimeField label="until" bind:value={until} />
		<Button type="submit" disabled={evenings.busy || !onDay}>Add it</Button>
	</form>
</section>
