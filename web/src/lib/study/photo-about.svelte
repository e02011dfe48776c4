<script lang="ts">
	import Select from '$lib/ui/select.svelte';
	import { api, must, type Schemas } from '$lib/api/client';
	import { refreshJob } from '$lib/api/queries';
	import { photographNow } from '$lib/api/versions';
	import { Desk } from '$lib/ui/desk.svelte';
	import { sidesOf } from './sides';

	/** What a photograph shows: side, sister car, caption, date. */
	type Props = { photo: Schemas['Photograph']; kind: Schemas['Job']['kind'] };
	let { photo, kind }: Props = $props();

	const desk = Desk.get();
	const day = $derived(photo.takenAt?.slice(0, 10) ?? '');

	type About = Pick<Schemas['Photograph'], 'role' | 'side' | 'sister' | 'caption' | 'takenAt'>;

	/** Changes one thing and leaves the rest as it is stored, whatever was changed just before. */
	function change(part: Partial<About>) {
		// read now: the photograph may be shown elsewhere, or not at all, when this is taken back
		const { id, jobId } = photo;
		const put = async (fresh: Partial<About>) => {
			const now = await photographNow(jobId, id);
			const { role, side, sister, caption, version } = now;
			const before: About = { role, side, sister, caption, takenAt: now.takenAt ?? null };
			const about = { ...before, ...fresh };
			await must(
				api.PUT('/api/photographs/{id}/about', {
					params: { path: { id } },
					body: { ...about, takenAt: about.takenAt ?? null, version }
				})
			);
			return before;
		};
		let before: Partial<About> = {};
		void desk.edit(
			'What the photograph shows was changed',
			async () => (before = await put(part)),
			() => refreshJob(jobId),
			async () => {
				await put(before);
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
			><span class="tag">Shows the</span><Select
				value={photo.side}
				onchange={(value) => change({ side: value as About['side'] })}
				options={sidesOf(kind).map((s) => [s.key, s.label.toLowerCase()] as const)}
			/></label
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
