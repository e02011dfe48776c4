<script lang="ts">
	import { api, must, type Schemas } from '$lib/api/client';
	import { refreshJob } from '$lib/api/queries';
	import { photographNow } from '$lib/api/versions';
	import Choice from '$lib/ui/choice.svelte';
	import { Desk } from '$lib/ui/desk.svelte';

	/** How the light falls off over the side, and whether that is taken out. */
	type Props = { photo: Schemas['Photograph']; light: Schemas['Light'] };
	let { photo, light }: Props = $props();

	const desk = Desk.get();
	const WAYS = [
		{ key: 'evened', label: 'evened out' },
		{ key: 'fell', label: 'as it fell' }
	] as const;

	function choose(evened: boolean) {
		// read now: the photograph may not be shown any more when this is taken back
		const { id, jobId } = photo;
		const put = async (to: boolean) => {
			const { version } = await photographNow(jobId, id);
			await must(
				api.PUT('/api/photographs/{id}/light', {
					params: { path: { id } },
					body: { evened: to, version }
				})
			);
		};
		void desk.edit(
			evened ? 'Light evened out' : 'Light left as it fell',
			() => put(evened),
			() => refreshJob(jobId),
			async () => {
				await put(!evened);
				await refreshJob(jobId);
			}
		);
	}
</script>

<div class="mt-1 flex flex-wrap items-baseline gap-x-3">
	<span class="tag">Light over the side</span>
	<Choice
		label="Light over the side"
		items={WAYS}
		value={light.wanted ? 'evened' : 'fell'}
		look="tags"
		onchange={(way) => choose(way === 'evened')}
	/>
	<span class="text-soft">
		{#if light.evened}
			{(light.fallPercent ?? 0) < 1.5
				? 'It is even.'
				: `It falls off by ${Math.round(light.fallPercent ?? 0)} %, told by the paint; at the foot it is known to ± ${(light.plusMinusPercent ?? 0).toFixed(1)} %.`}
		{:else if light.wanted}
			{light.reason}
		{:else}
			Colours and films are measured in the light as it fell.
		{/if}
	</span>
</div>
