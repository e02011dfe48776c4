<script lang="ts">
	import { api, must } from '$lib/api/client';
	import QuickCard from './quick-card.svelte';
	import { Quick } from './quick.svelte';
	import { numberIn } from '$lib/ui/number';

	const wiper = new Quick(
		'wiper',
		{ width: '24in', height: '20in', arm: '14in', blade: '12in', sweep: '90', ratio: '87.1' },
		(f) =>
			must(
				api.POST('/api/calc/scale/wiper', {
					body: {
						paneWidth: f.width,
						paneHeight: f.height,
						arm: f.arm,
						blade: f.blade,
						sweepDegrees: numberIn('Sweep', f.sweep),
						ratio: f.ratio
					}
				})
			)
	);
	const tread = new Quick('tread', { wheel: '33in', tread: '100 mm', ratio: '87.1' }, (f) =>
		must(
			api.POST('/api/calc/scale/tread', {
				body: { wheel: f.wheel, tread: f.tread, ratio: f.ratio }
			})
		)
	);
	const spacing = new Quick(
		'spacing',
		{ length: '12 m', apart: '600 mm', ratio: '87.1', viewing: '400' },
		(f) =>
			must(
				api.POST('/api/calc/scale/spacing', {
					body: {
						length: f.length,
						apart: f.apart,
						ratio: f.ratio,
						viewingMm: numberIn('Seen from', f.viewing)
					}
				})
			)
	);
	const units = new Quick('units', { value: '20', from: 'PSI' }, (f) =>
		must(
			api.POST('/api/calc/scale/units', {
				body: { value: numberIn('Value', f.value), from: f.from as 'PSI' }
			})
		)
	);
	const signs = { PSI: 'psi', BAR: 'bar', FAHRENHEIT: '°F', CELSIUS: '°C' };
	const two = (v: number) => v.toFixed(2);
</script>

<!-- What is laid out on the model, and the two gauges on the bench. -->
<QuickCard
	title="Pressure and warmth"
	quick={units}
	fields={[
		{ key: 'value', label: 'It says' },
		{
			key: 'from',
			label: 'In',
			choices: [
				['PSI', 'psi'],
				['BAR', 'bar'],
				['FAHRENHEIT', '°F'],
				['CELSIUS', '°C']
			]
		}
	]}
>
	{#snippet children(a)}
		<p><span class="figure text-3xl">{a.value.toFixed(1)} {signs[a.unit]}</span></p>
	{/snippet}
</QuickCard>
<QuickCard
	title="Wiper arc"
	quick={wiper}
	fields={[
		{ key: 'width', label: 'Pane wide', wide: true },
		{ key: 'height', label: 'Pane high', wide: true },
		{ key: 'arm', label: 'Arm to mid-blade', wide: true },
		{ key: 'blade', label: 'Blade', wide: true },
		{ key: 'sweep', label: 'Sweep', unit: '°' },
		{ key: 'ratio', label: 'Scale 1 :' }
	]}
>
	{#snippet children(a)}
		<p>
			Compass <span class="figure text-3xl">{two(a.outerMm)}</span> and
			<span class="figure text-3xl">{two(a.innerMm)} mm</span>
		</p>
		<p class="text-soft">
			{(a.cleanShare * 100).toFixed(0)} % of the pane stays clean: {two(a.paneWidthMm)} × {two(
				a.paneHeightMm
			)} mm, pivot in the middle of its lower edge. Cut away from the hand.
		</p>
	{/snippet}
</QuickCard>
<QuickCard
	title="Wheel tread"
	quick={tread}
	fields={[
		{ key: 'wheel', label: 'Wheel', wide: true },
		{ key: 'tread', label: 'Tread wide', wide: true },
		{ key: 'ratio', label: 'Scale 1 :' }
	]}
>
	{#snippet children(a)}
		<p>
			Strip <span class="figure text-3xl">{two(a.stripMm)} × {two(a.treadMm)} mm</span>
		</p>
		<p class="text-soft">
			The wheel is {two(a.wheelMm)} mm; the car rolls {two(a.rollMm)} mm in a turn. Keep treads and pickups
			bare, and nothing in the bearings.
		</p>
	{/snippet}
</QuickCard>
<QuickCard
	title="Marks in a row"
	quick={spacing}
	fields={[
		{ key: 'length', label: 'Row', wide: true },
		{ key: 'apart', label: 'Apart', wide: true },
		{ key: 'ratio', label: 'Scale 1 :' },
		{ key: 'viewing', label: 'Seen from', unit: 'mm' }
	]}
>
	{#snippet children(a)}
		<p>
			<span class="figure text-3xl">{a.onModel}</span> marks,
			<span class="figure text-3xl">{two(a.modelMm)} mm</span> apart
		</p>
		<p class="text-soft">
			{a.oneIn === 1
				? 'As many as on the prototype: the eye tells them apart.'
				: `One in ${a.oneIn} of ${a.onPrototype}: nearer they run together.`}
		</p>
	{/snippet}
</QuickCard>
