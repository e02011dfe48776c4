<script lang="ts">
	import Select from '$lib/ui/select.svelte';
	import { resolve } from '$app/paths';
	import { api, must } from '$lib/api/client';
	import { queryClient, recipesQuery, refreshJob } from '$lib/api/queries';
	import { Desk } from '$lib/ui/desk.svelte';
	import { createQuery } from '@tanstack/svelte-query';
	import type { Step } from './plan-desk.svelte';

	/** What a step is mixed by: the bottle of its material, or a recipe that is kept. */
	type Props = { step: Step; job: string };

	let { step, job }: Props = $props();

	const desk = Desk.get();
	const recipes = createQuery(() => recipesQuery());
	const colour = $derived(step.colour);

	async function link(recipe: string | null) {
		await must(
			api.PUT('/api/jobs/{jobId}/steps/{stepId}/recipe', {
				params: { path: { jobId: job, stepId: step.id } },
				body: { recipe }
			})
		);
	}

	function take(recipe: string | null) {
		const before = step.mix?.recipe ?? null;
		const name = recipes.data?.find((r) => r.id === recipe)?.recipe.name;
		const fresh = async () => {
			await refreshJob(job);
			await queryClient.invalidateQueries({ queryKey: ['shopping'] });
		};
		void desk.edit(
			name ? `${step.name} is mixed by ${name}` : `${step.name} takes the bottle again`,
			() => link(recipe),
			fresh,
			async () => {
				await link(before);
				await fresh();
			}
		);
	}
</script>

{#if colour}
	<div class="flex flex-wrap items-center gap-x-3 gap-y-1">
		<span class="tag">Mixed by</span>
		{#if step.mix}
			<span
				class="inline-block h-5 w-8 border border-soft"
				style:background-color={step.mix.hex}
				aria-hidden="true"
			></span>
		{/if}
		<Select
			class="max-w-52"
			label="Recipe of {step.name}"
			value={step.mix?.recipe ?? ''}
			onchange={(value) => take(value || null)}
			options={[
				['', `the bottle: ${step.materialName}`],
				...(recipes.data ?? []).map((r) => [r.id, r.recipe.name] as const)
			]}
		/>
		<a
			class="underline"
			href="{resolve('/shelf')}?l={colour.l.toFixed(2)}&a={colour.a.toFixed(2)}&b={colour.b.toFixed(
				2
			)}&job={job}&step={encodeURIComponent(step.id)}&for={encodeURIComponent(step.name)}"
			>Mix it at the table</a
		>
		<a class="underline" href={resolve('/jobs/[id]/mix/[step]', { id: job, step: step.id })}
			>Mix card</a
		>
	</div>
	{#if step.mix?.missing.length}
		<p class="border-l-4 border-ink pl-2">
			Not on the shelf any more: {step.mix.missing.join(', ')}. Mix it anew with what stands there.
		</p>
	{/if}
	{#if step.mix?.tooDark.length}
		<p class="border-l-4 border-dashed border-ink pl-2">
			Too dark to tell its tints: {step.mix.tooDark.join(', ')}. Try this mix on a card first.
		</p>
	{/if}
	{#if step.mix?.otherFamilies.length}
		<p class="border-l-4 border-ink pl-2">
			{step.mix.otherFamilies.join(', ')} dries and bites otherwise than {step.mix.family}, which
			this step was checked as. Change the material of the step to that of the recipe, or mix from
			bottles that are {step.mix.family}.
		</p>
	{/if}
{/if}
