<script lang="ts">
	import Select from '$lib/ui/select.svelte';
	import type { Schemas } from '$lib/api/client';
	import Button from '$lib/ui/button.svelte';
	import { number } from '$lib/ui/number';
	import { LIES, NEEDS, NOTHING_SAID, type Lies, type Needs } from './own-step';
	import type { PlanDesk } from './plan-desk.svelte';

	/** Adds a step of the user's own behind the chosen one. */
	type Props = {
		desk: PlanDesk;
		techniques: Schemas['TechniqueItem'][];
		zones: Schemas['JobZone'][];
	};

	let { desk, techniques, zones }: Props = $props();

	let key = $state('seal-satin');
	let text = $state('');
	let minutes = $state('');
	let rest = $state('');
	let parts = $state('');
	let needs = $state('');
	let lies = $state('');

	const GROUPS = [
		['Preparing, waiting, handling', (t: Schemas['TechniqueItem']) => t.role === 'HANDLING'],
		['Clears', (t: Schemas['TechniqueItem']) => t.role === 'CLEAR'],
		['Paint, washes, powder', (t: Schemas['TechniqueItem']) => t.role === 'EFFECT'],
		['Work on what lies', (t: Schemas['TechniqueItem']) => t.role === 'WORK']
	] as const;
	const technique = $derived(techniques.find((t) => t.key === key));
	const usual = $derived(technique?.usual ?? undefined);
	const preparing = $derived(techniques.filter((t) => t.usual?.first).map((t) => t.key));
	const where = $derived(
		desk.chosenStep
			? `after ${desk.chosenStep.name}`
			: usual?.first
				? 'before the rest'
				: 'at the end'
	);

	function choose(to: string) {
		key = to;
		const own = techniques.find((t) => t.key === to)?.usual;
		rest = own?.restMinutes ? String(own.restMinutes / 60) : '';
		minutes = '';
	}

	function add() {
		if (!technique) return;
		const on =
			desk.chosenStep?.zones ??
			(technique.role === 'HANDLING' ? zones : zones.slice(0, 1)).map((z) => z.zoneKey);
		const hours = rest.trim() ? number(rest) : 0;
		const own = minutes.trim() ? number(minutes) : null;
		const list = parts
			.split(',')
			.map((p) => p.trim())
			.filter(Boolean);
		const said = text.trim() || hours || own !== null || list.length || needs || lies;
		void desk
			.add(
				technique,
				on,
				said
					? {
							...NOTHING_SAID,
							text: text.trim(),
							restMinutes: Math.round(hours * 60),
							minutes: own === null ? null : Math.round(own),
							parts: list,
							needs: (needs || null) as Needs | null,
							lies: (lies || null) as Lies | null
						}
					: null,
				preparing
			)
			.then((done) => {
				if (done) [text, minutes, parts, needs, lies] = ['', '', '', '', ''];
			});
	}
</script>

<div class="mt-3 flex flex-col gap-2 border-t border-line pt-3">
	<label class="flex flex-wrap items-center gap-2"
		><span class="tag">A step of your own</span>
		<Select
			class="max-w-72"
			value={key}
			onchange={choose}
			groups={GROUPS.map(
				([group, of]) =>
					[group, techniques.filter(of).map((t) => [t.key, t.name] as const)] as const
			)}
		/>
	</label>
	{#if usual}
		<div class="flex flex-wrap items-end gap-2">
			<label class="flex grow flex-col"
				><span class="tag">In your words (may stay open)</span><input
					bind:value={text}
					maxlength="200"
				/></label
			>
			<label class="flex flex-col"
				><span class="tag">Minutes</span><input
					class="w-20"
					inputmode="decimal"
					bind:value={minutes}
				/></label
			>
			<label class="flex flex-col"
				><span class="tag">Then wait, h</span><input
					class="w-20"
					inputmode="decimal"
					bind:value={rest}
				/></label
			>
		</div>
		<div class="flex flex-wrap items-end gap-2">
			<label class="flex flex-col"
				><span class="tag">Not before all is</span><Select
					bind:value={needs}
					options={[
						['', 'as dry as it usually needs'],
						...Object.entries(NEEDS).map(([k, name]) => [k, name] as const)
					]}
				/></label
			>
			<label class="flex flex-col"
				><span class="tag">The model</span><Select
					bind:value={lies}
					options={[
						['', 'lies as it usually does'],
						...Object.entries(LIES).map(([k, name]) => [k, name] as const)
					]}
				/></label
			>
		</div>
		{#if usual.parts}
			<label class="flex flex-col"
				><span class="tag">Parts, with commas between</span><input
					bind:value={parts}
					maxlength="500"
					placeholder="couplers, brake lever, glass"
				/></label
			>
		{/if}
	{/if}
	<div>
		<Button onclick={add}>Put it in {where}</Button>
	</div>
</div>
