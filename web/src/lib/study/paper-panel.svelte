<script lang="ts">
	import { api, must, said, type Schemas } from '$lib/api/client';
	import { artworksQuery, refreshJob } from '$lib/api/queries';
	import Button from '$lib/ui/button.svelte';
	import { createQuery } from '@tanstack/svelte-query';
	import type { StudyDesk } from './study-desk.svelte';

	/** To paper and blade: the side card, masks and the wiper arc to cut, artwork to print. */
	let { jobId, desk }: { jobId: string; desk: StudyDesk } = $props();

	const artworks = createQuery(() => artworksQuery(jobId));
	let paper = $state<'A4' | 'LETTER'>('A4');
	let grid = $state<'NONE' | 'FEET' | 'HALF_METRES'>('HALF_METRES');
	let kerf = $state(0.1);
	let kept = $state<'PIECE' | 'OPENING'>('PIECE');
	let wiper = $state({
		paneWidth: 14,
		paneHeight: 9,
		pivotX: 7,
		pivotY: 10,
		arm: 6.5,
		blade: 5,
		from: -40,
		to: 40
	});
	let wanted = $state('');
	let refused = $state('');
	let showArt = $state(false);
	let input = $state<HTMLInputElement>();

	const pieces = $derived(desk.regions.filter((r) => r.role === 'CUT'));
	const panels = $derived(desk.regions.filter((r) => r.role !== 'EDGE' && r.role !== 'EXCLUDE'));
	// what was chosen may have been taken out since
	const panel = $derived(panels.find((p) => p.id === wanted)?.id ?? panels[0]?.id);
	const wiperLink = $derived(
		`/api/paper/wiper.svg?${new URLSearchParams(
			Object.entries({ ...wiper, kerf }).map(([k, v]) => [k, String(v)])
		).toString()}`
	);
	const WIPER = [
		['paneWidth', 'Pane width'],
		['paneHeight', 'Pane height'],
		['pivotX', 'Pivot from the left'],
		['pivotY', 'Pivot from the top'],
		['arm', 'Arm to mid blade'],
		['blade', 'Blade'],
		['from', 'Sweep from °'],
		['to', 'Sweep to °']
	] as const;

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

	async function drop(a: Schemas['Artwork']) {
		await must(api.DELETE('/api/artworks/{id}', { params: { path: { id: a.id } } }));
		await refreshJob(jobId);
	}

	const link =
		'inline-flex min-h-9 items-center rounded-[2px] border border-soft bg-sheet px-3 font-label text-[1.02rem] font-semibold';
</script>

<div class="flex flex-col gap-4">
	<div class="flex flex-wrap items-end gap-3">
		<label class="flex flex-col"
			><span class="tag">Paper</span><select bind:value={paper}
				><option value="A4">A4</option><option value="LETTER">Letter</option></select
			></label
		>
		<label class="flex flex-col"
			><span class="tag">Grid over the side</span><select bind:value={grid}
				><option value="HALF_METRES">half metres</option><option value="FEET">feet</option><option
					value="NONE">none</option
				></select
			></label
		>
		<a
			class={link}
			rel="external"
			href="/api/jobs/{jobId}/paper/card.pdf?paper={paper}&grid={grid}"
			download>Side card at model scale (PDF)</a
		>
	</div>
	<div class="flex flex-wrap items-end gap-3">
		<label class="flex flex-col"
			><span class="tag">Kerf, mm</span><input
				class="w-20"
				type="number"
				min="0"
				max="1"
				step="0.05"
				bind:value={kerf}
			/></label
		>
		<label class="flex flex-col"
			><span class="tag">Keep</span><select bind:value={kept}
				><option value="PIECE">the piece</option><option value="OPENING">the opening</option
				></select
			></label
		>
		{#if pieces.length}
			<a
				class={link}
				rel="external"
				href="/api/jobs/{jobId}/paper/mask.svg?kerf={kerf}&kept={kept}"
				download
				>{pieces.length === 1 ? 'The piece' : `${pieces.length} pieces`} to cut, 1:1 (SVG)</a
			>
		{:else}
			<p class="text-soft">
				For masks and patches: let a drag cut a piece out of the flat side. Cut away from the hand.
			</p>
		{/if}
	</div>
	<details>
		<summary class="tag cursor-pointer normal-case">Wiper arc of a windscreen</summary>
		<div class="mt-1 flex flex-wrap items-end gap-3">
			{#each WIPER as [key, label] (key)}
				<label class="flex flex-col"
					><span class="tag normal-case">{label}{label.endsWith('°') ? '' : ', mm'}</span><input
						class="w-24"
						type="number"
						step="0.1"
						bind:value={wiper[key]}
					/></label
				>
			{/each}
			<a class={link} rel="external" href={wiperLink} download>Wiper arc, 1:1 (SVG)</a>
		</div>
	</details>
	<details bind:open={showArt}>
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
		{#if !showArt}{:else if panels.length === 0}
			<p class="text-soft">Mark the panel that it goes on first.</p>
		{:else}
			<div class="mt-1 flex flex-wrap items-end gap-3">
				<label class="flex flex-col"
					><span class="tag">Fitted to</span><select
						value={panel}
						onchange={(e) => (wanted = e.currentTarget.value)}
					>
						{#each panels as p (p.id)}<option value={p.id}>{p.name}</option>{/each}
					</select></label
				>
				<Button onclick={() => input?.click()}>Put artwork in</Button>
			</div>
		{/if}
		{#if refused}<p role="alert" class="mt-1">{refused}</p>{/if}
		<ul>
			{#each artworks.data ?? [] as a (a.id)}
				<li class="mt-1 flex items-center gap-3">
					<span>{a.name}</span>
					<a
						class="underline"
						rel="external"
						href="/api/artworks/{a.id}/sheet.pdf?paper={paper}"
						download>print with its white outline (PDF)</a
					>
					<button class="tag underline" onclick={() => void drop(a)}>take out</button>
				</li>
			{/each}
		</ul>
	</details>
	<p class="text-soft">
		Print without scaling and hold a rule against the ruler on the card: 100 mm must be 100 mm.
	</p>
</div>
