<script lang="ts">
	import { backupsQuery } from '$lib/api/queries';
	import { Now } from '$lib/time/now.svelte';
	import { when } from '$lib/time/time';
	import SaveButton from '$lib/paper/save-button.svelte';
	import { Keys } from '$lib/keys/keys.svelte';
	import Button from '$lib/ui/button.svelte';
	import { Desk } from '$lib/ui/desk.svelte';
	import { createQuery } from '@tanstack/svelte-query';
	import { SafeKeeping } from './safe-keeping.svelte';

	/** Backups: made, taken away as a file, put back; and whether every photograph is still whole. */
	const keeping = new SafeKeeping(Desk.get());
	const backups = createQuery(() => backupsQuery());
	const now = new Now(60_000);

	Keys.use('Workshop', () => [
		{ key: 'b', label: 'Make a backup now', run: () => void keeping.make() },
		{ key: 'l', label: 'Look through the photographs', run: () => void keeping.check() }
	]);

	const size = (bytes: number) =>
		bytes < 1_000_000 ? `${Math.ceil(bytes / 1000)} KB` : `${(bytes / 1_000_000).toFixed(1)} MB`;
	const asked = $derived(
		keeping.asked === undefined
			? ''
			: keeping.asked instanceof File
				? `what is in ${keeping.asked.name}`
				: `as it was ${when(keeping.asked.madeAt, now.current)}`
	);
</script>

<div class="grid gap-8 lg:grid-cols-2">
	<section aria-labelledby="backups">
		<h3 id="backups" class="text-xl">Backups</h3>
		<p class="mb-2 text-soft">
			One file holds everything: jobs, plans, logs, shelf, photographs. One is made each day that
			Pendrik runs; seven days, four weeks and twelve months are kept. Copy one to another disk now
			and then.
		</p>
		<Button disabled={keeping.running !== ''} onclick={() => void keeping.make()}
			>Make a backup now <span class="tag" aria-hidden="true">b</span></Button
		>
		<ul class="mt-3" aria-label="Backups that are kept">
			{#each backups.data ?? [] as b (b.name)}
				<li class="flex flex-wrap items-center gap-x-4 border-t border-line py-1">
					<span class="min-w-36">{when(b.madeAt, now.current)}</span>
					<span class="figure min-w-20 text-soft">{size(b.bytes)}</span>
					<SaveButton from="/api/backups/{b.name}">Save the file</SaveButton>
					<Button look="bare" disabled={keeping.running !== ''} onclick={() => keeping.ask(b)}
						>Put it back</Button
					>
				</li>
			{:else}
				<li class="border-t border-line py-2 text-soft">None yet. The first is made by itself.</li>
			{/each}
		</ul>
		<label class="mt-3 flex flex-col gap-1"
			><span class="tag">Put back an archive of your own</span>
			<input
				type="file"
				accept=".zip"
				onchange={(event) => keeping.ask(event.currentTarget.files?.[0])}
			/></label
		>
		{#if keeping.asked}
			<div class="mt-3 border-y-2 border-ink py-2" role="group" aria-label="Put it back?">
				<p>
					<strong>The whole workshop becomes {asked}.</strong> What is here now is kept beside it in the
					data folder. Pendrik starts again by itself.
				</p>
				<div class="mt-2 flex flex-wrap gap-2">
					<Button
						look="act"
						disabled={keeping.running !== ''}
						onclick={() => void keeping.restore()}>Put it back</Button
					>
					<Button look="bare" onclick={() => keeping.ask(undefined)}>Leave it</Button>
				</div>
			</div>
		{/if}
		<p role="status" class="tag mt-2">{keeping.running ? `${keeping.running} …` : ''}</p>
		{#if keeping.problem}
			<p role="alert" class="border-l-4 border-ink pl-3">{keeping.problem}</p>
		{/if}
	</section>
	<section aria-labelledby="files">
		<h3 id="files" class="text-xl">Photographs</h3>
		<p class="mb-2 text-soft">
			Each file is compared with what was put in. One that is damaged or gone is mended by putting
			the same file in again, under Study or Compare.
		</p>
		<Button disabled={keeping.running !== ''} onclick={() => void keeping.check()}
			>Look through the photographs <span class="tag" aria-hidden="true">l</span></Button
		>
		{#if keeping.broken}
			{#if keeping.broken.length === 0}
				<p class="mt-3">✓ Every photograph is as it was put in.</p>
			{:else}
				<ul class="mt-3" aria-label="Photographs that are not whole">
					{#each keeping.broken as b (b.id)}
						<li class="border-t border-line py-1">
							<strong>{b.missing ? '✕ gone' : '✕ damaged'}</strong>
							{b.caption || 'without a caption'}, {b.jobName}
						</li>
					{/each}
				</ul>
			{/if}
		{/if}
	</section>
</div>
