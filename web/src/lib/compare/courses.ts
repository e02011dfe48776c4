import type { Schemas } from '$lib/api/client';

/** One measure of one region over the photographs of the model. */
export type Course = {
	key: string;
	label: string;
	unit: string;
	prototype: number;
	/** By photograph; a gap where it was not measured. */
	values: (number | undefined)[];
};

/** What neither side ever has says nothing, and is left out. */
export function coursesOf(stages: Schemas['Stage'][]): Course[] {
	const found: Record<string, Course & { seen: number }> = {};
	stages.forEach((s, i) => {
		for (const v of s.values) {
			const key = `${v.regionId} ${v.measure}`;
			found[key] ??= {
				key,
				label: `${v.region}: ${v.measure}`,
				unit: v.unit,
				prototype: v.prototype,
				seen: v.plusMinus / 2,
				values: stages.map(() => undefined)
			};
			found[key].values[i] = v.model;
		}
	});
	return Object.values(found)
		.filter((c) => largest(c) > c.seen)
		.map(({ key, label, unit, prototype, values }) => ({ key, label, unit, prototype, values }));
}

function largest(c: Course): number {
	return Math.max(Math.abs(c.prototype), ...c.values.map((v) => Math.abs(v ?? 0)));
}

/**
 * Where a course is drawn in a field of a height: the prototype's line, and the photographs as
 * places. Measures that can be negative, as angles, have their zero in the middle.
 */
export function plot(c: Course, height: number): { prototype: number; places: [number, number][] } {
	const most = Math.max(largest(c), 1e-6) * 1.08;
	const signed = [c.prototype, ...c.values].some((v) => (v ?? 0) < 0);
	const y = (v: number) =>
		signed ? height / 2 - (height / 2) * (v / most) : height - height * (v / most);
	const x = (i: number) => (c.values.length < 2 ? 50 : 4 + (92 * i) / (c.values.length - 1));
	return {
		prototype: y(c.prototype),
		places: c.values.flatMap((v, i): [number, number][] => (v === undefined ? [] : [[x(i), y(v)]]))
	};
}

/** The newest value of a course. */
export const newest = (c: Course) => [...c.values].reverse().find((v) => v !== undefined);

/** As many figures as mean something: none after the point from a hundred on. */
export const figure = (v: number | undefined) =>
	v === undefined ? '–' : Math.abs(v) >= 100 ? Math.round(v).toString() : v.toFixed(1);
