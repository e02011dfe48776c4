import type { Schemas } from '$lib/api/client';

export type Line = Schemas['Line'];
export type Sense = Schemas['SenseLine'];

const NAMES: Record<string, string> = {
	touch_min: 'touch dry, min',
	handle_min: 'to be handled, min',
	recoat_min: 'next coat, min',
	full_min: 'fully cured, min',
	work_from_min: 'window opens, min',
	work_until_min: 'window closes, min',
	film_um: 'dry film, micrometres',
	hide: 'covers, 0 to 5',
	paint_parts: 'parts of paint',
	thinner_parts: 'parts of thinner',
	price_ml: 'price of 1 ml',
	keeps_months: 'keeps, months',
	ideal_min: 'tooth, good from',
	ideal_max: 'tooth, good to',
	ok_min: 'tooth, works from',
	ok_max: 'tooth, works to',
	base_min: 'hands-on, min',
	zone_min: 'for each zone, min',
	dm2_min: 'for each dm², min',
	share: 'share of the zone',
	stroke: 'stroke',
	stop_rule: 'stop rule',
	inspection: 'look at',
	caution: 'caution'
};

/** A column as it is said. */
export const columnName = (column: string): string => NAMES[column] ?? column;

/** Columns that hold sentences. */
export const isText = (column: string): boolean =>
	['stroke', 'stop_rule', 'inspection', 'caution'].includes(column);

/** The figures that are put in place of the shipped ones: what differs from them. */
export function own(line: Line, entered: Record<string, string>): Record<string, string> {
	return Object.fromEntries(
		line.cells
			.map((c) => [c.column, (entered[c.column] ?? c.own ?? c.shipped).trim(), c.shipped] as const)
			.filter(([, value, shipped]) => value !== shipped)
			.map(([column, value]) => [column, value])
	);
}

/** What is learned of a liquid on a binder, in words. */
export function bites(sense: Sense): string {
	const percent = Math.round(Math.abs(sense.factor - 1) * 100);
	const how =
		percent === 0 ? 'as the tables say' : `${percent} % ${sense.factor > 1 ? 'harder' : 'less'}`;
	const times = sense.observations === 1 ? 'one step' : `${sense.observations} steps`;
	return `${sense.pair} bites ${how} here, learned from ${times}, 90 % sure of ×${sense.low.toFixed(2)} to ×${sense.high.toFixed(2)}`;
}

/** What is learned of a material, in words. */
export function learned(pace: Line['pace']): string {
	if (!pace) return '';
	const percent = Math.round(Math.abs(pace.factor - 1) * 100);
	const times = pace.observations === 1 ? 'one entry' : `${pace.observations} entries`;
	const how =
		percent === 0 ? 'as the tables say' : `${percent} % ${pace.factor > 1 ? 'slower' : 'faster'}`;
	return `dries ${how} here, learned from ${times}, 90 % sure of ×${pace.low.toFixed(2)} to ×${pace.high.toFixed(2)}`;
}
