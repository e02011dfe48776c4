<script lang="ts">
	import { api, must, said } from '$lib/api/client';
	import { calendarLinkQuery, calendarsQuery, queryClient } from '$lib/api/queries';
	import { when } from '$lib/time/time';
	import Button from '$lib/ui/button.svelte';
	import { createQuery } from '@tanstack/svelte-query';
	import type { Evenings } from './evenings.svelte';

	/** The diary in other calendars, and their busy times in it. */
	let { evenings, now }: { evenings: Evenings; now: number } = $props();

	const calendars = createQuery(() => calendarsQuery());
	const link = createQuery(() => calendarLinkQuery());
	let name = $state('');
	let files = $state<FileList>();
	/** Told once, when it is made. */
	let address = $state('');
	let problem = $state('');

	async function change(ask: () => Promise<{ path?: string | null }>) {
		problem = '';
		try {
			const { path } = await ask();
			address = path ? `${location.origin}${path}` : '';
			await queryClient.invalidateQueries({ queryKey: ['workshop', 'calendar-link'] });
		} catch (error) {
			problem = said(error);
		}
	}

	async function read(event: SubmitEvent) {
		event.preventDefault();
		const file = files?.[0];
		if (!file) return;
		await evenings.readCalendar(name.trim(), file);
		if (!evenings.problem) name = '';
	}
</script>

<section aria-labelledby="calendars">
	<h2 id="calendars" class="text-xl">Calendars</h2>
	<p>
		<a class="underline" rel="external" href="/api/diary/calendar.ics" download="diary.ics"
			>Take the diary as a file</a
		>: sittings, windows with an alarm, dates. Move a sitting in your calendar, read its file in
		below, and it is moved here.
	</p>
	<div class="mt-2 flex flex-wrap items-center gap-x-3 gap-y-1">
		<Button onclick={() => change(() => must(api.POST('/api/diary/calendar-link')))}
			>{link.data?.made ? 'Make another private link' : 'Make a private link'}</Button
		>
		{#if link.data?.made}
			<Button look="bare" onclick={() => change(() => must(api.DELETE('/api/diary/calendar-link')))}
				>End the link</Button
			>
		{/if}
		<span class="text-soft"
			>A calendar on this computer can follow the diary by it.{link.data?.made && !address
				? ' There is one; its address was told when it was made.'
				: ''}</span
		>
	</div>
	<div aria-live="polite">
		{#if address}
			<label class="mt-1 flex flex-col"
				><span class="tag">The link, told only now</span><input
					class="field w-full"
					readonly
					value={address}
					onfocus={(e) => e.currentTarget.select()}
				/></label
			>
		{/if}
		{#if problem}<p class="font-semibold">{problem}</p>{/if}
	</div>
	{#if calendars.data?.length}
		<ul class="mt-3">
			{#each calendars.data as c (c.name)}
				<li class="flex flex-wrap items-baseline gap-x-3 border-t border-line py-1">
					<span class="grow"
						>{c.name}: busy {c.times}
						{c.times === 1 ? 'time' : 'times'} in the year ahead, read {when(c.readAt, now)}</span
					>
					<Button
						look="bare"
						disabled={evenings.busy}
						aria-label="Let {c.name} go"
						onclick={() => void evenings.letCalendarGo(c.name)}>Let it go</Button
					>
				</li>
			{/each}
		</ul>
	{/if}
	<form class="mt-3 flex flex-wrap items-end gap-3" onsubmit={read}>
		<label class="flex flex-col"
			><span class="tag">Whose calendar</span><input
				class="field"
				bind:value={name}
				maxlength="80"
				placeholder="Work"
				required
			/></label
		>
		<label class="flex flex-col"
			><span class="tag">Its file (.ics)</span><input
				type="file"
				accept=".ics,text/calendar"
				bind:files
				required
			/></label
		>
		<Button type="submit" disabled={evenings.busy || !name.trim() || !files?.length}
			>Read it in</Button
		>
	</form>
</section>
