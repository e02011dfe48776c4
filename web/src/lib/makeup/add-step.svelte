<script lang="ts">
	import type { Schemas } from '$lib/api/client';
	import Button from '$lib/ui/button.svelte';
	import type { PlanDesk } from './plan-desk.svelte';

	/** Adds a step of the user's own behind the chosen one. */
	type Props = {
		desk: PlanDesk;
		techniques: Schemas['TechniqueItem'][];
		zones: Schemas['JobZone'][];
	};

	let { desk, techniques, zones }: Props = $props();

	let key = $state('seal-satin');

	function add() {
		const technique = techniques.find((t) => t.key === key);
		const where = desk.chosenStep?.zones ?? zones.slice(0, 1).map((z) => z.zoneKey);
		if (technique) void desk.add(technique, where);
	}
</script>

<div class="mt-3 flex flex-wrap items-center gap-2 border-t border-line pt-3">
	<label class="flex items-center gap-2"
		><span class="tag">A step of your own</span>
		<select bind:value={key}>
			{#each techniques as t (t.key)}<option value={t.key}>{t.name}</option>{/each}
		</select>
	</label>
	<Button onclick={add}
		>Put it in {desk.chosenStep ? `after ${desk.chosenStep.name}` : 'at the end'}</Button
	>
</div>
