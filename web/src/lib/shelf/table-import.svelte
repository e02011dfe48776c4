<script lang="ts">
	import { api, must, said, type Schemas } from '$lib/api/client';
	import Button from '$lib/ui/button.svelte';

	/** A table or palette is looked through first; nothing is stored until it is confirmed. */
	type Props = { onstore: (csv: string, bottles: number) => void };

	let { onstore }: Props = $props();

	let chooser = $state<HTMLInputElement>();
	let csv = $state('');
	let dry = $state.raw<Schemas['Dry'] | undefined>(undefined);
	let problem = $state('');
	const news = $derived(dry?.changes.filter((c) => c.what === 'NEW') ?? []);
	const changed = $derived(dry?.changes.filter((c) => c.what === 'CHANGED') ?? []);
	const same = $derived(dry?.changes.filter((c) => c.what === 'SAME') ?? []);

	const total = $derived(news.length + changed.length);
	const faults = $derived(dry?.faults.length ?? 0);

	function leave() {
		dry = undefined;
		chooser?.focus();
	}

	async function read(file: File | undefined) {
		if (!file) return;
		problem = '';
		dry = undefined;
		try {
			const text = await file.text();
			if (file.name.toLowerCase().endsWith('.gpl') || text.startsWith('GIMP Palette')) {
				const answer = await must(
					api.POST('/api/shelf/palette/dry-run', {
						body: { palette: text, family: 'waterborne acrylic' }
					})
				);
				csv = answer.csv;
				dry = answer.dry;
			} else {
				csv = text;
				dry = await must(api.POST('/api/shelf/table/dry-run', { body: { csv: text } }));
			}
		} catch (error) {
			problem = said(error);
		}
	}
</script>

<div class="flex flex-col gap-2">
	<label class="flex flex-col"
		><span class="tag">Table (CSV) or palette (GPL)</span><input
			type="file"
			bind:this={chooser}
			accept=".csv,.gpl,text/csv"
			onchange={(event) => {
				const input = event.currentTarget;
				void read(input.files?.[0]).then(() => (input.value = ''));
			}}
		/></label
	>
	{#if problem}<p role="alert" class="border-l-4 border-ink pl-3">{problem}</p>{/if}
	{#if dry}
		<div role="status">
			<p>
				<strong>{news.length}</strong> new, <strong>{changed.length}</strong> changed,
				<strong>{same.length}</strong> as they are, <strong>{faults}</strong>
				{faults === 1 ? 'fault' : 'faults'}. Nothing is stored yet.
			</p>
		</div>
		{#if faults}
			<ul aria-label="Faults">
				{#each dry.faults as f, i (i)}
					<li class="border-t border-line py-1">
						<span class="figure">Line {f.line}{f.column ? `, ${f.column}` : ''}</span>
						{f.value ? `“${f.value}” ` : ''}{f.rule}. <strong>{f.remedy}</strong>
					</li>
				{/each}
			</ul>
			<p>Correct the file and choose it again: a table with faults is not stored in part.</p>
		{/if}
		<ul aria-label="What would change">
			{#each news as c (c.line)}<li>+ {c.bottle.name}</li>{/each}
			{#each changed as c (c.line)}
				<li>
					≠ {c.bottle.name}:
					{c.fields.map((f) => `${f.field} ${f.from || '–'} → ${f.to || '–'}`).join('; ')}
				</li>
			{/each}
		</ul>
		<div class="flex gap-2">
			<Button
				look="act"
				disabled={faults > 0 || total === 0}
				onclick={() => {
					onstore(csv, total);
					leave();
				}}>Store {total === 1 ? 'one bottle' : `${total} bottles`}</Button
			>
			<Button onclick={leave}>Leave it</Button>
		</div>
	{/if}
</div>
