<script lang="ts">
	import Select from '$lib/ui/select.svelte';
	import { api, must } from '$lib/api/client';
	import { queryClient } from '$lib/api/queries';
	import { Keys } from '$lib/keys/keys.svelte';
	import Button from '$lib/ui/button.svelte';
	import { Desk } from '$lib/ui/desk.svelte';
	import { columnName, isText, learned, own, type Line } from './priors';

	/** The figures of one material or technique at a time, the program's own beside the workshop's. */
	let { lines }: { lines: Line[] } = $props();

	const desk = Desk.get();
	const nameOf = (l: Line) => `${l.table}/${l.key}`;
	let chosen = $state('MATERIAL/oil-fresh-rust');
	const line = $derived(lines.find((l) => nameOf(l) === chosen) ?? lines[0]);
	let entered = $state<Record<string, string>>({});
	const groups = $derived([...new Set(lines.map((l) => l.group))]);
	const changed = $derived(lines.filter((l) => l.cells.some((c) => c.own !== null)));
	const cells = $derived(
		(line?.cells ?? []).filter((c) => c.shipped !== '' || c.own !== null || isText(c.column))
	);

	async function put(l: Line, values: Record<string, string>) {
		const path = { table: l.table, key: l.key };
		queryClient.setQueryData(
			['priors'],
			await must(api.PUT('/api/priors/{table}/{key}', { params: { path }, body: { values } }))
		);
	}
	function save(l: Line, values: Record<string, string>, label: string) {
		const before = own(l, {});
		const sent = { ...entered };
		const fresh = () => queryClient.invalidateQueries();
		void desk
			.edit(
				label,
				() => put(l, values),
				fresh,
				async () => {
					await put(l, before);
					await fresh();
				}
			)
			.then((stored) => {
				// what was typed while it was stored is not lost
				if (stored) {
					entered = Object.fromEntries(Object.entries(entered).filter(([c, v]) => sent[c] !== v));
				}
			});
	}

	function ship() {
		if (line?.cells.some((c) => c.own !== null))
			save(line, {}, `${line.name}: the program's figures`);
	}
	Keys.use('Figures', () => [{ key: 'd', label: 'Back to the program’s figures', run: ship }]);
</script>

{#if line}
	<div class="flex flex-wrap items-center gap-3">
		<label class="flex items-center gap-2"
			><span class="tag">Figures of</span>
			<Select
				value={chosen}
				onchange={(value) => {
					chosen = value;
					entered = {};
				}}
				groups={groups.map(
					(g) =>
						[
							g,
							lines
								.filter((l) => l.group === g)
								.map(
									(l) =>
										[
											nameOf(l),
											l.cells.some((c) => c.own !== null) ? `${l.name} · own` : l.name
										] as const
								)
						] as const
				)}
			/></label
		>
		{#if line.pace}<p class="text-soft">{learned(line.pace)}</p>{/if}
	</div>
	<form
		class="mt-2"
		onsubmit={(e) => {
			e.preventDefault();
			save(line, own(line, entered), `${line.name}: own figures`);
		}}
	>
		<div class="grid gap-x-6 gap-y-1 sm:grid-cols-2 lg:grid-cols-3">
			{#each cells as c (c.column)}
				<label
					class="flex flex-col gap-0.5 border-t border-line py-1 {isText(c.column)
						? 'sm:col-span-2 lg:col-span-3'
						: ''}"
				>
					<span class="tag"
						>{columnName(c.column)}{c.own === null
							? ''
							: ` · the program says ${c.shipped || 'nothing'}`}</span
					>
					<input
						class={isText(c.column) ? '' : 'w-32'}
						maxlength="200"
						value={entered[c.column] ?? c.own ?? c.shipped}
						oninput={(e) => (entered = { ...entered, [c.column]: e.currentTarget.value })}
					/>
				</label>
			{/each}
		</div>
		<div class="mt-3 flex flex-wrap gap-3">
			<Button type="submit" disabled={desk.busy}>Use these figures</Button>
			{#if line.cells.some((c) => c.own !== null)}
				<Button look="bare" disabled={desk.busy} onclick={ship}
					>Back to the program’s figures <span class="tag" aria-hidden="true">d</span></Button
				>
			{/if}
		</div>
	</form>
	<p class="tag mt-2 normal-case">
		{changed.length
			? `Own figures: ${changed.map((l) => l.name).join(', ')}`
			: 'Everything is as the program ships it.'}
	</p>
{/if}
