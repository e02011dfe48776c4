import { api, must } from '$lib/api/client';
import { numberIn, scaleIn } from '$lib/ui/number';
import { Quick } from './quick.svelte';

export const CARRIERS: [string, string][] = [
	['WATER', 'water'],
	['ALCOHOL', 'alcohol, reducer'],
	['SPIRIT', 'spirit'],
	['LACQUER_THINNER', 'lacquer thinner']
];
export const EFFECTS: [string, string][] = [
	['fade-mist', 'fade mist'],
	['grime', 'grime and dust'],
	['soot', 'soot and exhaust'],
	['streak', 'fine streaks'],
	['base', 'base colour'],
	['stencil', 'stencils'],
	['clear', 'clear coats']
];

/** The small questions that are asked by a few fields each, with what was typed last time. */
export function questions() {
	const parts = (text: string) =>
		text
			.split(/[:/\s]+/)
			.filter(Boolean)
			.map((part) => numberIn('Parts', part));
	const ratio = new Quick('ratio', { parts: '1:2', ml: '0.6', drop: '0.05' }, (f) => {
		const list = parts(f.parts);
		return must(
			api.POST('/api/calc/mix/ratio', {
				body: {
					parts: list,
					dropMl: list.map(() => numberIn('A drop', f.drop)),
					wantedMl: numberIn('Amount', f.ml)
				}
			})
		);
	});
	const dilute = new Quick('dilute', { stock: '70', wanted: '35', ml: '30' }, (f) =>
		must(
			api.POST('/api/calc/mix/dilute', {
				body: {
					stockPercent: f.stock,
					weakPercent: '0',
					wantedPercent: f.wanted,
					wantedMl: f.ml
				}
			})
		)
	);
	const amount = new Quick(
		'amount',
		{
			length: '130',
			height: '35',
			sides: '2',
			models: '1',
			coats: '1',
			film: '8',
			thinner: '2',
			cup: '2',
			bottle: '17',
			price: '0.17'
		},
		(f) =>
			must(
				api.POST('/api/calc/mix/amount', {
					body: {
						areaMm2:
							numberIn('Length', f.length) *
							numberIn('Height', f.height) *
							numberIn('Sides', f.sides),
						models: numberIn('Models', f.models),
						coats: numberIn('Coats', f.coats),
						filmMicrometres: numberIn('Dry film', f.film),
						thinnerPerPaint: numberIn('Thinner', f.thinner),
						cupMl: numberIn('Cup', f.cup),
						bottleMl: numberIn('Bottle', f.bottle),
						pricePerMl: numberIn('Price', f.price)
					}
				})
			)
	);
	const flow = new Quick(
		'flow',
		{ by: 'card', run: '34', line: '50', paint: '6', thinner: '6' },
		(f) =>
			must(
				api.POST('/api/calc/mix/flow', {
					body: {
						run: numberIn('It ran', f.run),
						line: numberIn('Yours', f.line),
						paintDrops: numberIn('Paint', f.paint),
						thinnerDrops: numberIn('Thinner', f.thinner),
						cup: f.by === 'cup'
					}
				})
			)
	);
	const airbrush = new Quick(
		'airbrush',
		{
			effect: 'grime',
			ratio: '87.1',
			carries: 'WATER',
			retarder: 'no',
			celsius: '21',
			humidity: '50'
		},
		(f) =>
			must(
				api.POST('/api/calc/mix/airbrush', {
					body: {
						effect: f.effect,
						ratio: scaleIn(f.ratio),
						carries: f.carries as 'WATER',
						retarder: f.retarder === 'yes',
						celsius: numberIn('Air', f.celsius),
						humidity: numberIn('Damp', f.humidity) / 100
					}
				})
			)
	);
	const scale = new Quick(
		'scale',
		{ length: '40ft', on: 'PROTOTYPE', ratio: '87.1', viewing: '400' },
		(f) =>
			must(
				api.POST('/api/calc/scale', {
					body: {
						length: f.length,
						on: f.on as 'PROTOTYPE',
						ratio: f.ratio,
						viewingMm: numberIn('Seen from', f.viewing)
					}
				})
			)
	);
	return { ratio, dilute, amount, flow, airbrush, scale };
}
