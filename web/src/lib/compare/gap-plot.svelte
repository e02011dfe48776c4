<script lang="ts">
	import type { Schemas } from '$lib/api/client';
	import { figure } from './courses';

	/**
	 * Every measure of a region as a bar from the middle: to the left less than the prototype, to the
	 * right more. The band in the middle is what nobody sees or the photographs leave open; where they
	 * leave more open than that, a question mark says so.
	 */
	let { differences }: { differences: Schemas['Difference'][] } = $props();

	const PLACES = ['PLACE_ALONG', 'PLACE_UP', 'SPREAD'];
	// what neither side has says nothing, and neither does a place where it should be
	const shown = $derived(
		differences.filter(
			(d) =>
				Math.max(Math.abs(d.prototype), Math.abs(d.model)) >= 0.05 &&
				!(PLACES.includes(d.kind) && d.verdict === 'AS_PROTOTYPE')
		)
	);
	const MOST = 4;
	const at = (t: number) => 50 + (Math.max(-MOST, Math.min(MOST, t)) / MOST) * 50;
</script>

<table class="mt-1 w-full">
	<caption class="sr-only">Measures of the model against the prototype</caption>
	<tbody>
		{#each shown as d (d.kind + d.of)}
			<tr class="align-middle">
				<th scope="row" class="w-full pr-2 text-left leading-tight font-normal"
					>{d.of && !d.label.startsWith(d.of) ? `${d.of}, ` : ''}{d.label}</th
				>
				<td>
					<svg
						viewBox="0 0 100 14"
						class="block h-4 w-24 text-ink"
						preserveAspectRatio="none"
						role="img"
						aria-label="{d.inTolerances >= 0 ? 'more' : 'less'} by {Math.abs(
							d.inTolerances
						).toFixed(1)} tolerances"
					>
						<rect
							x={at(-1)}
							width={at(1) - at(-1)}
							height="14"
							fill="none"
							stroke="currentColor"
							stroke-width="1"
							stroke-dasharray="2 2"
							vector-effect="non-scaling-stroke"
						/>
						<path
							d="M50 0V14"
							stroke="currentColor"
							stroke-width="1"
							vector-effect="non-scaling-stroke"
						/>
						<rect
							x={Math.min(50, at(d.inTolerances))}
							y="4"
							width={Math.abs(at(d.inTolerances) - 50)}
							height="6"
							fill="currentColor"
						/>
					</svg>
				</td>
				<td class="figure pl-2 text-right whitespace-nowrap"
					>{#if d.verdict === 'CANNOT_TELL'}<span
							class="font-semibold"
							title="± {figure(d.plusMinus)} {d.unit}"
							>?<span class="sr-only"> cannot tell, ± {figure(d.plusMinus)} {d.unit}</span></span
						>{/if}
					{figure(d.model)} <span class="text-soft">of {figure(d.prototype)} {d.unit}</span></td
				>
			</tr>
		{/each}
	</tbody>
</table>
