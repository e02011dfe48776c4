<script lang="ts">
	import { api, must, type Schemas } from '$lib/api/client';
	import { refreshJob } from '$lib/api/queries';
	import Button from '$lib/ui/button.svelte';
	import SideFrame from '$lib/subject/side-frame.svelte';
	import { Desk } from '$lib/ui/desk.svelte';
	import type { Side } from './sides';

	/** How large a side is on the prototype, and whether it is flat or part of a cylinder. */
	type Props = {
		jobId: string;
		side: Side;
		size: Schemas['SideSize'] | undefined;
		label: string;
		kind: Schemas['Job']['kind'];
	};

	let { jobId, side, size, label, kind }: Props = $props();

	const desk = Desk.get();
	let open = $state(false);
	// made anew for each side by the key around this component
	// svelte-ignore state_referenced_locally
	let lengthMm = $state(size?.lengthMm ?? 3000);
	// svelte-ignore state_referenced_locally
	let heightMm = $state(Math.round(size?.heightMm ?? 2500));
	// svelte-ignore state_referenced_locally
	let curved = $state(Boolean(size?.curve));
	// svelte-ignore state_referenced_locally
	let radiusMm = $state(size?.curve?.radiusMm ?? 1200);
	// svelte-ignore state_referenced_locally
	let from = $state(size?.curve?.fromDegrees ?? 10);
	// svelte-ignore state_referenced_locally
	let to = $state(size?.curve?.toDegrees ?? 170);

	async function keep() {
		// read now: another side, or none, is shown when this is taken back
		const [job, before] = [jobId, size];
		const fresh: Schemas['SideSize'] = {
			side,
			lengthMm,
			heightMm,
			curve: curved ? { radiusMm, fromDegrees: from, toDegrees: to } : null
		};
		const put = (body: Schemas['SideSize']) =>
			must(
				api.PUT('/api/jobs/{jobId}/sides/{side}', {
					params: { path: { jobId: job, side: body.side } },
					body
				})
			);
		const kept = await desk.edit(
			`Size of the ${label.toLowerCase()} kept`,
			() => put(fresh),
			() => refreshJob(job),
			before &&
				(async () => {
					await put(before);
					await refreshJob(job);
				})
		);
		if (kept) open = false;
	}
</script>

{#if size && !open}
	<button class="tag normal-case underline" onclick={() => (open = true)}
		>{Math.round(size.lengthMm)} × {Math.round(size.heightMm)} mm{size.curve
			? ', curved'
			: ''}</button
	>
{:else}
	<form
		class="mb-3 flex flex-wrap items-end gap-3 border-l-2 border-ink pl-3"
		onsubmit={(e) => {
			e.preventDefault();
			void keep();
		}}
	>
		{#if !size}<p class="basis-full">
				How large is the {label.toLowerCase()} on the prototype? Its photographs mean nothing before that.
			</p>{/if}
		{#if !curved}<div class="basis-full"><SideFrame {kind} {side} /></div>{/if}
		<label class="flex flex-col"
			><span class="tag">Length, mm</span><input
				class="w-28"
				type="number"
				min="100"
				max="100000"
				required
				bind:value={lengthMm}
			/></label
		>
		{#if curved}
			<label class="flex flex-col"
				><span class="tag">Radius, mm</span><input
					class="w-24"
					type="number"
					min="50"
					max="10000"
					required
					bind:value={radiusMm}
				/></label
			>
			<label class="flex flex-col"
				><span class="tag">From, ° off the top</span><input
					class="w-24"
					type="number"
					min="-180"
					max="175"
					required
					bind:value={from}
				/></label
			>
			<label class="flex flex-col"
				><span class="tag">To, °</span><input
					class="w-24"
					type="number"
					min="-170"
					max="180"
					required
					bind:value={to}
				/></label
			>
		{:else}
			<label class="flex flex-col"
				><span class="tag">Height, mm</span><input
					class="w-28"
					type="number"
					min="100"
					max="100000"
					required
					bind:value={heightMm}
				/></label
			>
		{/if}
		<label class="flex min-h-9 items-center gap-2"
			><input type="checkbox" bind:checked={curved} />a tank shell or curved roof</label
		>
		<Button type="submit" look={size ? 'plain' : 'act'}>Keep the size</Button>
		{#if size}<Button look="bare" onclick={() => (open = false)}>Leave it</Button>{/if}
	</form>
{/if}
