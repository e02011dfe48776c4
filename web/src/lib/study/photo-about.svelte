<script lang="ts">
	import { api, must, type Schemas } from '$lib/api/client';
	import { refreshJob } from '$lib/api/queries';
	import { photographVersion } from '$lib/api/versions';
	import { Desk } from '$lib/ui/desk.svelte';
	import { SIDES } from './sides';

	/** What a photograph shows: side, sister car, caption, date. */
	let { photo }: { photo: Schemas['Photograph'] } = $props();

	const desk = Desk.get();
	const day = $derived(photo.takenAt?.slice(0, 10) ?? '');

	type About = Pick<Schemas['Photograph'], 'role' | 'side' | 'sister' | 'caption' | 'takenAt'>;

	function change(part: Partial<About>) {
		// read now: the photograph may be shown elsewhere, or not at all, when this is taken back
		const { id, jobId, version, role, side, sister, caption } = photo;
		const before: About = { role, side, sister, caption, takenAt: photo.takenAt ?? null };
		const put = async (about: About, of: number) => {
			const body = { ...about, takenAt: about.takenAt ?? null, version: of };
			await must(api.PUT('/api/photographs/{id}/about', { params: { path: { id } }, body }));
		};
		void desk.edit(
			'What the photograph shows was changed',
			() => put({ ...before, ...part }, version),
			() => refreshJob(jobId),
			async () => {
				await put(before, await photographVersion(jobId, id));
				await refreshJob(jobId);
			}
		);
	}
</script>

<details class="mt-1">
	<summary class="tag cursor-pointer normal-case"
		>{photo.widthPx} × {photo.heightPx} px{day
			? `, taken ${day}`
			: ', date not known'}{photo.focalMm35
			? `, ${Math.round(photo.focalMm35)} mm lens (35 mm film)`
			: ''}{photo.sister ? ', sister car' : ''}</summary
	>
	<div class="mt-1 flex flex-wrap items-end gap-3 border-l-2 border-ink pl-3">
		<label class="flex flex-col"
			><span class="tag">Caption</span><input
				class="w-56"
				maxlength="200"
				value={photo.caption}
				onchange={(e) => change({ caption: e.currentTarget.value })}
			/></label
		>
		<label class="flex flex-col"
			><span class="tag">Shows the</span><select
				value={photo.side}
				onchange={(e) => change({ side: e.currentTarget.value as About['side'] })}
			>
				{#each SIDES as s (s.key)}<option value={s.key}>{s.label.toLowerCase()}</option>{/each}
			</select></label
		>
		<label class="flex flex-col"
			><span class="tag">Taken on</span><input
				type="date"
				value={day}
				onchange={(e) =>
					change({
						takenAt: e.currentTarget.value ? `${e.currentTarget.value}T12:00:00Z` : null
					})}
			/></label
		>
		{#if photo.role === 'PROTOTYPE'}
			<label class="flex min-h-9 items-center gap-2"
				><input
					type="checkbox"
					checked={photo.sister}
					onchange={(e) => change({ sister: e.currentTarget.checked })}
				/>a sister car: to learn from, not to match</label
			>
		{/if}
	</div>
</details>
