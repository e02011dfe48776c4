<script lang="ts">
	import Select from '$lib/ui/select.svelte';
	import { api, must, said, type Schemas } from '$lib/api/client';
	import { queryClient } from '$lib/api/queries';
	import Button from '$lib/ui/button.svelte';
	import { Desk } from '$lib/ui/desk.svelte';

	/** A material that stands on no shelf yet: name and family, and times where they are known. */
	type Props = { lists: Schemas['Lists']; onmade: (key: string | undefined) => void };

	let { lists, onmade }: Props = $props();

	const desk = Desk.get();
	const families = $derived([
		...new Set(lists.materials.filter((m) => m.lays && !m.own).map((m) => m.family))
	]);
	let name = $state('');
	let family = $state('waterborne acrylic');
	let finish = $state<'' | 'GLOSS' | 'SATIN' | 'FLAT' | 'MATTE'>('');
	let clear = $state(false);
	let colour = $state('#6b5a40');
	let times = $state(['', '', '', '']);
	let open = $state(['', '']);
	const NAMES = ['touch dry', 'to be handled', 'next coat', 'fully cured'];
	const figure = (t: string) => (t.trim() === '' ? null : Number(t.replace(',', '.')));

	async function make(event: SubmitEvent) {
		event.preventDefault();
		const key = `own-${crypto.randomUUID().slice(0, 13)}`;
		const path = { params: { path: { key } } };
		const refresh = () => queryClient.invalidateQueries({ queryKey: ['catalogue'] });
		const made = await desk.edit(
			`${name} made`,
			() =>
				must(
					api.PUT('/api/materials/{key}', {
						...path,
						body: {
							key,
							name,
							family,
							clear,
							finish: finish || null,
							colour: clear ? null : colour,
							touchMin: figure(times[0] ?? ''),
							handleMin: figure(times[1] ?? ''),
							recoatMin: figure(times[2] ?? ''),
							fullMin: figure(times[3] ?? ''),
							workFromMin: figure(open[0] ?? ''),
							workUntilMin: figure(open[1] ?? ''),
							gone: false
						}
					})
				).catch((e: unknown) => {
					throw new Error(said(e));
				}),
			refresh,
			async () => {
				await must(api.DELETE('/api/materials/{key}', path));
				await refresh();
			}
		);
		if (made) onmade(key);
	}
</script>

<form class="flex flex-col gap-2 border border-line bg-sheet p-3" onsubmit={make}>
	<p class="tag">A new material: what you leave open is as its family has it</p>
	<div class="flex flex-wrap items-end gap-2">
		<label class="flex flex-col"
			><span class="tag">Name</span><input bind:value={name} maxlength="80" /></label
		>
		<label class="flex flex-col"
			><span class="tag">Family</span>
			<Select bind:value={family} options={families.map((f) => [f, f] as const)} /></label
		>
		<label class="flex flex-col"
			><span class="tag">Leaves</span>
			<Select
				bind:value={finish}
				options={[
					['', 'as its family'],
					['GLOSS', 'gloss'],
					['SATIN', 'satin'],
					['FLAT', 'flat'],
					['MATTE', 'dead flat']
				]}
			/></label
		>
		{#if !clear}<label class="flex flex-col"
				><span class="tag">Colour</span><input type="color" bind:value={colour} /></label
			>{/if}
		<label class="flex min-h-9 items-center gap-1.5"
			><input type="checkbox" bind:checked={clear} />a clear</label
		>
	</div>
	<div class="flex flex-wrap items-end gap-2">
		{#each NAMES as n, i (n)}
			<label class="flex flex-col"
				><span class="tag">{n}, min</span><input
					class="w-24"
					inputmode="decimal"
					bind:value={times[i]}
				/></label
			>
		{/each}
		<label class="flex flex-col"
			><span class="tag">worked from, min</span><input
				class="w-24"
				inputmode="decimal"
				bind:value={open[0]}
			/></label
		>
		<label class="flex flex-col"
			><span class="tag">until, min</span><input
				class="w-24"
				inputmode="decimal"
				bind:value={open[1]}
			/></label
		>
	</div>
	<div class="flex gap-3">
		<Button type="submit" disabled={!name.trim()}>Make it</Button>
		<Button onclick={() => onmade(undefined)}>Leave it</Button>
	</div>
</form>
