<script lang="ts">
	import { api, must, type Schemas } from '$lib/api/client';
	import { refreshJob } from '$lib/api/queries';
	import { photographNow } from '$lib/api/versions';
	import Choice from '$lib/ui/choice.svelte';
	import Select from '$lib/ui/select.svelte';
	import { Desk } from '$lib/ui/desk.svelte';

	/** How the light falls off over the side, and whether that is taken out. */
	type Props = {
		photo: Schemas['Photograph'];
		light: Schemas['Light'];
		known: Schemas['Measures']['lightKnown'];
		/** Those of the job whose card could tell it. */
		carded: Schemas['Photograph'][];
	};
	let { photo, light, known, carded }: Props = $props();

	const desk = Desk.get();
	const KNOWN_BY: Record<typeof known, string> = {
		CARD: 'The grey card takes the light out.',
		OTHER_PICTURE:
			'The grey card of another photograph takes the light out. The camera may have exposed this one otherwise, so colours are wider.',
		LETTERING:
			'White lettering takes the light out. It yellows and chalks, so colours are known less surely.',
		BALLAST: 'Ballast takes the colour of the light out, not its level. Colours are known roughly.',
		NOTHING:
			'Nothing tells the light: colours are as the camera made them, and known so roughly that no region will be as the prototype by its colour. Mark a card, white lettering or ballast.'
	};
	const WAYS = [
		{ key: 'evened', label: 'evened out' },
		{ key: 'fell', label: 'as it fell' }
	] as const;

	function change(label: string, to: Partial<{ evened: boolean; from: string | null }>) {
		// read now: the photograph may not be shown any more when this is taken back
		const { id, jobId, evened, lightFrom } = photo;
		const before = { evened, from: lightFrom ?? null };
		const put = async (light: typeof before) => {
			const { version } = await photographNow(jobId, id);
			await must(
				api.PUT('/api/photographs/{id}/light', {
					params: { path: { id } },
					body: { ...light, version }
				})
			);
		};
		void desk.edit(
			label,
			() => put({ ...before, ...to }),
			() => refreshJob(jobId),
			async () => {
				await put(before);
				await refreshJob(jobId);
			}
		);
	}

	const others = $derived([
		['', 'of nothing else'] as const,
		...carded
			.filter((p) => p.id !== photo.id)
			.map((p) => [p.id, p.caption || 'another photograph'] as const)
	]);
</script>

<p class="mt-1">{KNOWN_BY[known]}</p>
{#if (known === 'NOTHING' || known === 'OTHER_PICTURE') && others.length > 1}
	<div class="mt-1 flex flex-wrap items-baseline gap-x-3">
		<span class="tag">By the card</span>
		<Select
			label="The photograph whose grey card tells the light of this one"
			value={photo.lightFrom ?? ''}
			options={others}
			onchange={(from) => change('Light of another photograph', { from: from || null })}
		/>
		<span class="text-soft">if it was taken in the same minute, in the same light.</span>
	</div>
{/if}
<div class="mt-1 flex flex-wrap items-baseline gap-x-3">
	<span class="tag">Light over the side</span>
	<Choice
		label="Light over the side"
		items={WAYS}
		value={light.wanted ? 'evened' : 'fell'}
		look="tags"
		onchange={(way) =>
			change(way === 'evened' ? 'Light evened out' : 'Light left as it fell', {
				evened: way === 'evened'
			})}
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
