<script lang="ts">
	import Select from '$lib/ui/select.svelte';
	import { api, must, said, type Schemas } from '$lib/api/client';
	import { artworksQuery, refreshJob } from '$lib/api/queries';
	import type { Region } from '$lib/study/study-desk.svelte';
	import Button from '$lib/ui/button.svelte';
	import { Desk } from '$lib/ui/desk.svelte';
	import { createQuery } from '@tanstack/svelte-query';
	import SaveButton from './save-button.svelte';

	/** Artwork put in and fitted to a panel, printed at model scale with the outline of its white. */
	type Props = { jobId: string; paper: string; panels: Region[] };

	let { jobId, paper, panels }: Props = $props();

	const desk = Desk.get();
	const artworks = createQuery(() => artworksQuery(jobId));
	let wanted = $state('');
	let refused = $state('');
	let open = $state(false);
	let input = $state<HTMLInputElement>();

	// what was chosen may have been taken out since
	const panel = $derived(panels.find((p) => p.id === wanted)?.id ?? panels[0]?.id ?? '');

	async function add(file: File | undefined) {
		const region = panel;
		if (!file || !region) return;
		refused = '';
		try {
			await must(
				api.PUT('/api/jobs/{jobId}/artworks/{id}', {
					params: {
						path: { jobId, id: crypto.randomUUID() },
						query: { region, name: file.name.slice(0, 120), choke: 0.1 }
					},
					body: file as unknown as string,
					bodySerializer: (b: unknown) => b as BodyInit,
					headers: { 'Content-Type': 'application/octet-stream' }
				})
			);
			await refreshJob(jobId);
		} catch (error) {
			refused = said(error);
		} finally {
			if (input) input.value = '';
		}
	}

	function drop(a: Schemas['Artwork']) {
		const at = { params: { path: { id: a.id } } };
		void desk.edit(
			`${a.name} taken out`,
			() => must(api.DELETE('/api/artworks/{id}', at)),
			() => refreshJob(a.jobId),
			async () => {
				await must(api.POST('/api/artworks/{id}/restore', at));
				await refreshJob(a.jobId);
			}
		);
	}

	const panelOf = (a: Schemas['Artwork']) => panels.find((p) => p.id === a.regionId)?.name;
</script>

<details bind:open>
	<summary class="tag cursor-pointer normal-case"
		>Artwork for a panel: graffiti, signs{artworks.data?.length
			? ` (${artworks.data.length})`
			: ''}</summary
	>
	<input
		bind:this={input}
		type="file"
		accept="image/png,image/jpeg"
		class="hidden"
		aria-label="Artwork"
		onchange={(e) => void add(e.currentTarget.files?.[0])}
	/>
	{#if !open}{:else if panels.length === 0}
		<p class="text-soft">Mark the panel that it goes on first.</p>
	{:else}
		<div class="mt-1 flex flex-wrap items-end gap-3">
			<label class="flex flex-col"
				><span class="tag">Fitted to</span><Select
					value={panel}
					onchange={(value) => (wanted = value)}
					options={panels.map((p) => [p.id, p.name] as const)}
				/></label
			>
			<Button onclick={() => input?.click()}>Put artwork in</Button>
		</div>
	{/if}
	{#if refused}<p role="alert" class="mt-1">{refused}</p>{/if}
	<ul>
		{#each artworks.data ?? [] as a (a.id)}
			<li class="mt-2 flex flex-wrap items-center gap-3">
				<span
					>{a.name}{#if panelOf(a)}<span class="text-soft"> on {panelOf(a)}</span>{/if}</span
				>
				<SaveButton from="/api/artworks/{a.id}/sheet.pdf?paper={paper}"
					>Print with its white outline (PDF)</SaveButton
				>
				<button class="tag underline" aria-label="Take {a.name} out" onclick={() => drop(a)}
					>take out</button
				>
			</li>
		{/each}
	</ul>
</details>
