<script lang="ts">
	import { benchClock } from '$lib/time/clock.svelte';
	import TimeField from '$lib/time/time-field.svelte';
	import { api, must, type Schemas } from '$lib/api/client';
	import { queryClient } from '$lib/api/queries';
	import Button from '$lib/ui/button.svelte';
	import Choice from '$lib/ui/choice.svelte';
	import { Desk } from '$lib/ui/desk.svelte';
	import { DAYS, SettingsEntry } from './settings.svelte';

	/** The workshop's air, bench time and viewing distance. */
	let { workshop }: { workshop: Schemas['Workshop'] } = $props();

	const desk = Desk.get();
	// the form is made anew for each version that was stored, so the first value is the right one
	// svelte-ignore state_referenced_locally
	const entry = new SettingsEntry(workshop);

	const HOURS = [
		{ key: '24', label: '19:00' },
		{ key: '12', label: '7:00 PM' }
	] as const;

	const put = (body: Schemas['Workshop']) => must(api.PUT('/api/workshop', { body }));

	async function save(event: SubmitEvent) {
		event.preventDefault();
		const before = workshop;
		await desk.edit(
			'The workshop is saved',
			() => put(entry.workshop),
			() => queryClient.invalidateQueries(),
			async () => {
				const now = await must(api.GET('/api/workshop'));
				await put({ ...before, version: now.version });
				await queryClient.invalidateQueries();
			}
		);
	}
</script>

<form class="mt-4 grid gap-8 lg:grid-cols-[26rem_1fr]" onsubmit={save}>
	<div class="flex flex-col gap-4">
		<label class="flex flex-col gap-1"
			><span class="tag">Name</span><input bind:value={entry.name} maxlength="120" /></label
		>
		<div class="flex flex-wrap gap-4">
			<label class="flex flex-col gap-1">
				<span class="tag">Temperature at the bench</span>
				<span class="flex items-center gap-1"
					><input class="w-24" type="number" step="0.5" bind:value={entry.celsius} /> °C
					<span class="figure text-soft">{Math.round(entry.celsius * 1.8 + 32)} °F</span></span
				>
			</label>
			<label class="flex flex-col gap-1">
				<span class="tag">Humidity</span>
				<span class="flex items-center gap-1"
					><input class="w-24" type="number" step="1" bind:value={entry.humidityPercent} /> %</span
				>
			</label>
		</div>
		<label class="flex flex-col gap-1">
			<span class="tag">Models are looked at from</span>
			<span class="flex items-center gap-1"
				><input class="w-28" type="number" step="10" bind:value={entry.viewingMm} /> mm</span
			>
		</label>
		<label class="flex flex-col gap-1"
			><span class="tag">Time zone</span><input bind:value={entry.zoneId} /></label
		>
		<div>
			<span class="tag" aria-hidden="true">Hours of a day, on this device</span>
			<Choice
				label="Hours of a day, on this device"
				items={HOURS}
				value={benchClock.hours === 12 ? '12' : '24'}
				onchange={(hours) => benchClock.setHours(hours === '12' ? 12 : 24)}
			/>
		</div>
		<p class="text-soft">
			Drying times follow this air: warmth hastens oils and enamels, damp slows water-based coats.
		</p>
	</div>
	<fieldset>
		<legend class="tag mb-2">Bench time of a week</legend>
		<ul>
			{#each DAYS as day (day)}
				<li class="flex flex-wrap items-center gap-x-4 gap-y-1 border-t border-line py-1.5">
					<span class="w-24 font-label text-lg font-semibold"
						>{day.charAt(0) + day.slice(1).toLowerCase()}</span
					>
					{#each entry.times as time, i (i)}
						{#if time.weekday === day}
							<span class="flex items-center gap-1">
								<TimeField bind:value={time.fromTime} label="{day} from" />
								to
								<TimeField bind:value={time.untilTime} label="{day} until" />
								<button
									type="button"
									class="min-h-9 min-w-9 text-xl leading-none"
									aria-label="Take this time out"
									onclick={() => entry.drop(time)}>×</button
								>
							</span>
						{/if}
					{/each}
					<button type="button" class="tag underline" onclick={() => entry.add(day)}>add</button>
				</li>
			{/each}
		</ul>
		<div class="mt-4">
			<Button look="act" type="submit" disabled={desk.busy}>Save the workshop</Button>
		</div>
	</fieldset>
</form>
