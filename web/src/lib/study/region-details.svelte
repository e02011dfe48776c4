<script lang="ts">
	import type { Schemas } from '$lib/api/client';
	import { className } from './sides';

	/** All that a region measures besides its colour, each with what it may be off by, or why it cannot be told. */
	type Props = { m: Schemas['Measure']; ratio: number };

	let { m, ratio }: Props = $props();

	const one = (v: number) => v.toFixed(1);
	const model = (mm: number) => `${(mm / ratio).toFixed(2)} mm on the model`;
	const shown = $derived(m.cover.filter((c) => c.percent === null || (c.percent ?? 0) >= 0.05));
	const most = $derived(Math.max(5, ...m.cover.map((c) => c.percent ?? 0)));
	const lines = $derived(
		m.along
			? m.along.strength
					.map((v, i) => `${(i / (m.along?.strength.length ?? 1)) * 100},${20 - 18 * v}`)
					.join(' ')
			: ''
	);
</script>

{#if shown.length}
	<table class="w-full">
		<caption class="sr-only">What covers {m.name}</caption>
		<tbody>
			{#each shown as c (c.kind)}
				<tr>
					<th scope="row" class="w-24 text-left font-normal">{c.label}</th>
					<td class="w-28">
						{#if c.percent === null || c.percent === undefined}
							<span class="text-soft">cannot tell</span>
						{:else}
							<svg viewBox="0 0 100 10" class="block h-3 w-full" preserveAspectRatio="none">
								<rect
									width={(c.percent / most) * 100}
									y="2"
									height="6"
									fill="currentColor"
									class="text-soft"
								/>
								<path
									d="M{((c.percent - c.plusMinus) / most) * 100} 5H{((c.percent + c.plusMinus) /
										most) *
										100}"
									stroke="currentColor"
									stroke-width="1.5"
									vector-effect="non-scaling-stroke"
								/>
							</svg>
						{/if}
					</td>
					<td class="figure text-right"
						>{c.percent === null || c.percent === undefined
							? '–'
							: `${one(c.percent)} ± ${one(c.plusMinus)} %`}</td
					>
				</tr>
				{#if c.note}<tr><td colspan="3" class="text-soft">{c.note}</td></tr>{/if}
			{/each}
		</tbody>
	</table>
	{#if m.unsureShare > 0.15}
		<p class="text-soft">
			{Math.round(m.unsureShare * 100)} % of its pixels were mixtures or near things: pick more samples,
			or leave lettering and shadows out.
		</p>
	{/if}
{/if}
{#each m.spots as s (s.kind)}
	<p class="figure">
		{className(s.kind)}: {s.spots.count} spots, median {one(s.spots.medianMm)} ± {one(
			s.spots.medianPlusMinusMm
		)} mm ({model(s.spots.medianMm)}), middle half {one(s.spots.lowerMm)} to {one(s.spots.upperMm)},
		{one(s.spots.perSquareMetre)} per m²
	</p>
{/each}
{#each m.streaks as s (s.kind)}
	<p class="figure">
		{className(s.kind)}: {s.streaks.count} streaks, {one(Math.abs(s.streaks.angleDegrees))} ± {one(
			s.streaks.anglePlusMinus
		)}° off the vertical to the {s.streaks.angleDegrees >= 0 ? 'right' : 'left'},
		{Math.round(s.streaks.lengthMm)} mm long ({model(s.streaks.lengthMm)}), {Math.round(
			s.streaks.widthMm
		)} mm wide{s.streaks.spacingMm ? `, ${Math.round(s.streaks.spacingMm)} mm apart` : ''}, from
		{Math.round(s.streaks.startMm)} mm below the top
	</p>
{/each}
{#each m.places as p (p.kind)}
	<p class="figure">
		{className(p.kind)}: the middle of it {Math.round(p.place.alongMm)} mm from the left and {Math.round(
			p.place.upMm
		)} mm up, ± {Math.round(2 * p.place.sdMm)}; spread {Math.round(p.place.spreadMm)} mm about it
	</p>
{/each}
{#if m.dust}
	<p class="figure">
		Dust: half of it gone {Math.round(m.dust.halfHeightMm)} ± {Math.round(
			m.dust.halfHeightPlusMinusMm
		)} mm up ({model(m.dust.halfHeightMm)}), a quarter left {Math.round(m.dust.decayMm)} mm higher{m
			.dust.relative
			? '; strength not known without a sample of dust'
			: `; ${Math.round(m.dust.footStrength * 100)} ± ${Math.round(m.dust.footPlusMinus * 100)} % at the foot`}
	</p>
{/if}
{#if m.along && !m.along.relative && (m.along.hasPeak || m.along.standsInU)}
	<figure>
		<svg
			viewBox="0 0 100 22"
			class="block h-8 w-full"
			preserveAspectRatio="none"
			role="img"
			aria-label="Strength along the length, strongest at {Math.round(m.along.peakMm)} mm"
		>
			<path d="M0 20.5H100" stroke="currentColor" vector-effect="non-scaling-stroke" />
			<polyline
				points={lines}
				fill="none"
				stroke="currentColor"
				stroke-width="1.6"
				vector-effect="non-scaling-stroke"
			/>
		</svg>
		<figcaption class="figure text-soft">
			along the length: strongest at {Math.round(m.along.peakMm)} mm{m.along.standsInU
				? ', in a U: both ends dirtier than between'
				: ''}{m.along.halfRightMm
				? `, half of it ${Math.round(m.along.halfRightMm)} mm to the right`
				: ''}
		</figcaption>
	</figure>
{/if}
{#if m.rightPlaceSdMm > 1.5 * m.leftPlaceSdMm || m.leftPlaceSdMm > 1.5 * m.rightPlaceSdMm}
	<p class="figure text-soft">
		places known to ± {one(2 * m.leftPlaceSdMm)} mm at its left end, ± {one(2 * m.rightPlaceSdMm)} mm
		at its right: the side recedes
	</p>
{/if}
{#if m.blurred}<p>Part of it is out of focus: small marks are lost there.</p>{/if}
{#each m.cannot as c, i (i)}<p class="text-soft">{c}</p>{/each}
