import type { Schemas } from '$lib/api/client';

type Paint = Schemas['FactoryPaint'];

/** The region on the photograph tells it. */
export const REGION = 'region';
/** It is typed. */
export const TYPED = 'typed';

const HEADINGS: Record<Paint['source'], string> = {
	MODEL: 'The model, on its first photograph',
	BOTTLE: 'Bottles on the shelf',
	RECIPE: 'Recipes that are kept',
	JOB: 'Other jobs',
	TYPED: ''
};

const FROM: Record<Paint['source'], string> = {
	MODEL: 'measured on the first photograph of the model',
	BOTTLE: 'a bottle, as its colour was then',
	RECIPE: 'what a recipe aims at',
	JOB: 'taken over from another job',
	TYPED: 'typed'
};

/** What the factory colour is, and where it comes from. */
export function factorySaid(
	paint: Paint | null | undefined,
	region: string | undefined
): [string, string] {
	if (paint) {
		const figures = `L* ${paint.l.toFixed(1)} a* ${paint.a.toFixed(1)} b* ${paint.b.toFixed(1)}`;
		return paint.name
			? [paint.name, `${FROM[paint.source]} · ${figures}`]
			: [figures, FROM[paint.source]];
	}
	return region
		? [region, 'the region on the photograph shows it']
		: ['Not known yet', 'without it nothing is said of fading'];
}

/** What can be chosen, under headings; an offer is known by its place in the list. */
export function grouped(
	offers: readonly Schemas['ShownPaint'][],
	region: string | undefined
): [string, [string, string][]][] {
	const out: [string, [string, string][]][] = [
		[
			'',
			[
				[REGION, region ? `${region}, on the photograph` : 'a region, marked on the photograph'],
				[TYPED, 'a colour that I type']
			]
		]
	];
	for (const source of ['MODEL', 'BOTTLE', 'RECIPE', 'JOB'] as const) {
		const of = offers.flatMap((o, i): [string, string][] =>
			o.paint.source === source ? [[String(i), o.paint.name]] : []
		);
		if (of.length) out.push([HEADINGS[source], of]);
	}
	return out;
}
