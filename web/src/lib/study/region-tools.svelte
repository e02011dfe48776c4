<script lang="ts">
	import Select from '$lib/ui/select.svelte';
	import type { Schemas } from '$lib/api/client';
	import type { Region, StudyDesk } from './study-desk.svelte';

	/** Name, zone and role of a region. */
	type Props = {
		region: Region;
		number: number;
		desk: StudyDesk;
		zones: Schemas['JobZone'][];
	};

	let { region, number, desk, zones }: Props = $props();
</script>

<div class="flex flex-wrap items-center gap-2">
	<input
		class="w-40"
		aria-label="Name of region {number}"
		value={region.name}
		onchange={(e) =>
			void desk.changeRegion(region.id, { name: e.currentTarget.value }, 'Region named')}
	/>
	{#if region.role === 'MEASURE' || region.role === 'EDGE'}
		<Select
			label="Zone of region {number}"
			value={region.zoneKey ?? ''}
			onchange={(value) => void desk.changeRegion(region.id, { zoneKey: value || null })}
			options={[['', 'no zone'], ...zones.map((z) => [z.zoneKey, z.name] as const)]}
		/>
	{/if}
</div>
<div class="mt-1 flex gap-4">
	{#if region.role === 'MEASURE'}
		<button class="tag underline" onclick={() => void desk.nameFactory(region.id)}
			>{region.factory ? 'not the factory colour' : 'this is the factory colour'}</button
		>
	{/if}
	<button class="tag underline" onclick={() => void desk.dropRegion(region.id)}>take out</button>
</div>
