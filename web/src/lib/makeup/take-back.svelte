<script lang="ts">
	import Select from '$lib/ui/select.svelte';
	import { said, type Schemas } from '$lib/api/client';
	import { Now } from '$lib/time/now.svelte';
	import { when } from '$lib/time/time';
	import type { PlanDesk } from './plan-desk.svelte';

	/** Which coat is too heavy, where, and what takes it back: with what, until when, what goes with it. */
	type Coat = { stepId: string; name: string; material: string; zones: string[] };
	type Props = {
		coats: Coat[];
		zoneName: (key: string) => string;
		desk: PlanDesk;
		/** The coat to begin with. */
		from?: string | undefined;
		zone?: string | undefined;
		/** At the bench everything is large. */
		large?: boolean;
		ontaken?: () => void;
	};

	let { coats, zoneName, desk, from, zone, large = false, ontaken }: Props = $props();

	const now = new Now(30_000);
	// svelte-ignore state_referenced_locally
	let stepId = $state(coats.find((c) => c.stepId === from)?.stepId ?? coats[0]?.stepId ?? '');
	const coat = $derived(coats.find((c) => c.stepId === stepId));
	// svelte-ignore state_referenced_locally
	let only = $state<string[]>(zone && coats.some((c) => c.stepId === from) ? [zone] : []);
	const zones = $derived(
		coat
			? only.some((z) => coat.zones.includes(z))
				? only.filter((z) => coat.zones.includes(z))
				: coat.zones
			: []
	);
	let share = $state(0.5);
	let answer = $state.raw<Schemas['TakeBackView']>();
	let failed = $state('');

	$effect(() => {
		const asked = { stepId, zones, share };
		let dropped = false;
		if (asked.stepId && asked.zones.length) {
			desk
				.askBack(asked.stepId, asked.zones, asked.share)
				.then((a) => {
					if (!dropped) {
						answer = a;
						failed = '';
					}
				})
				.catch((e: unknown) => {
					if (!dropped) failed = said(e);
				});
		}
		return () => {
			dropped = true;
		};
	});

	function toggle(z: string) {
		const next = zones.includes(z) ? zones.filter((o) => o !== z) : [...zones, z];
		if (next.length) only = next;
	}
	async function take(way: Schemas['WayView']) {
		if (await desk.takeBack(stepId, zones, share, way)) ontaken?.();
	}
	const span = $derived(large ? 'min-h-14 text-[1.3rem]' : 'min-h-8');
</script>

{#if !coats.length}
	<p class="text-soft">Nothing lies on the model yet that was logged here.</p>
{:else}
	<div class="flex flex-col gap-2 {large ? 'text-[1.3rem]' : ''}">
		<div class="flex flex-wrap items-center gap-3">
			<label class="flex items-center gap-2"
				><span class="tag {large ? 'text-base' : ''}">Too heavy</span>
				<Select
					class={span}
					bind:value={stepId}
					options={coats.map((c) => [c.stepId, `${c.name}, ${c.material}`] as const)}
				/></label
			>
			<fieldset class="flex flex-wrap gap-3">
				<legend class="sr-only">How much</legend>
				<label class="flex items-center gap-1 {span}"
					><input type="radio" name="share" value={0.5} bind:group={share} /> thin it</label
				>
				<label class="flex items-center gap-1 {span}"
					><input type="radio" name="share" value={1} bind:group={share} /> take it off</label
				>
			</fieldset>
		</div>
		<fieldset class="flex flex-wrap gap-x-4">
			<legend class="sr-only">Where</legend>
			{#each coat?.zones ?? [] as z (z)}
				<label class="flex items-center gap-1.5 {span}"
					><input
						type="checkbox"
						checked={zones.includes(z)}
						onchange={() => toggle(z)}
					/>{zoneName(z)}</label
				>
			{/each}
		</fieldset>
		{#if failed}
			<p class="border-l-4 border-ink px-3" role="alert">{failed}</p>
		{:else if answer}
			<div role="status">
				{#if answer.ways.length === 0}
					<p><strong>Nothing takes it back now.</strong> {answer.nearest.join(' ')}</p>
					<p>{answer.instead}</p>
				{:else}
					<p class="text-soft">Stays untouched: {answer.mustNotTouch.join(', ')}.</p>
				{/if}
			</div>
			<ol>
				{#each answer.ways as w, i (i)}
					<li class="flex flex-wrap items-center gap-x-3 border-t border-line py-1">
						<span class="grow">
							<strong class="font-label {large ? 'text-[1.5rem]' : 'text-lg'}"
								>{w.materialName}</strong
							>, {w.name}
							<span class="block text-soft {large ? 'text-[1.2rem]' : 'text-[0.95rem]'}">
								{w.now ? 'now' : `from ${when(w.from, now.current)}`}{w.until
									? ` until ${when(w.until, now.current)}`
									: ', for weeks'} · margin {Math.round(w.margin * 100)} of 100{w.takesWithIt.length
									? ` · takes ${w.takesWithIt.join(', ')} with it`
									: ''}{w.atHand ? '' : ' · not on your shelf'}
							</span>
						</span>
						<button
							class="border px-3 font-label font-semibold {span} {i === 0 && w.now && !large
								? 'border-act bg-act text-on-act'
								: 'border-soft bg-sheet'}"
							onclick={() => void take(w)}>Do this next</button
						>
					</li>
				{/each}
			</ol>
			{#if answer.ways.length}
				<p class="text-soft">
					{answer.ways[0]?.stroke} Try one hidden spot first. {answer.ways[0]?.caution}
				</p>
			{/if}
		{/if}
	</div>
{/if}
