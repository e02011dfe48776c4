<script lang="ts">
	import { api, must, type Schemas } from '$lib/api/client';
	import { refreshJob } from '$lib/api/queries';
	import { photographNow } from '$lib/api/versions';
	import Button from '$lib/ui/button.svelte';
	import { Desk } from '$lib/ui/desk.svelte';

	/** Which of several photographs measures the side, and how to let another one do so. */
	type Props = { photo: Schemas['Photograph']; leading: Schemas['Photograph']; count: number };
	let { photo, leading, count }: Props = $props();

	const desk = Desk.get();
	let line = $state<HTMLDivElement>();
	const name = (p: Schemas['Photograph']) => p.caption || 'the other one';

	function lead() {
		const before = leading.id;
		const { id, jobId } = photo;
		// the button goes: who pressed it by key goes on at the line
		line?.focus({ preventScroll: true });
		const put = async (to: string) => {
			const { version } = await photographNow(jobId, to);
			await must(
				api.PUT('/api/photographs/{id}/lead', { params: { path: { id: to } }, body: { version } })
			);
		};
		void desk.edit(
			'Another photograph measures the side',
			() => put(id),
			() => refreshJob(jobId),
			async () => {
				await put(before);
				await refreshJob(jobId);
			}
		);
	}
</script>

<div bind:this={line} tabindex="-1" class="mt-1 flex flex-wrap items-center gap-x-4 outline-none">
	{#if photo.id === leading.id}
		<p class="text-soft">
			{count} photographs of this side are joined. This one measures it; a region can be measured on another
			one.
		</p>
	{:else}
		<p>
			<span class="font-semibold">{name(leading)}</span> measures this side; this one is shown beside
			it.
		</p>
		<Button look="bare" onclick={lead}>Let this one measure it</Button>
	{/if}
</div>
