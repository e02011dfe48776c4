import type { Schemas } from '$lib/api/client';

export type Side = Schemas['Photograph']['side'];
export type WeatherClass = Schemas['JobSample']['kind'];

type Kind = Schemas['Job']['kind'];

/** The sides of a vehicle. */
export const SIDES: { key: Side; label: string }[] = [
	{ key: 'LEFT', label: 'Left side' },
	{ key: 'RIGHT', label: 'Right side' },
	{ key: 'A_END', label: 'A end' },
	{ key: 'B_END', label: 'B end' },
	{ key: 'ROOF', label: 'Roof' },
	{ key: 'DETAIL', label: 'Detail' }
];

const OF_BUILDING: Partial<Record<Side, string>> = {
	LEFT: 'Front',
	RIGHT: 'Back',
	A_END: 'Left gable',
	B_END: 'Right gable'
};

/** The sides of a subject of a kind, as they are called: a building has a front and gables. */
export const sidesOf = (kind: Kind | undefined) =>
	kind === 'STRUCTURE' || kind?.endsWith('_BUILDING')
		? SIDES.map((s) => ({ ...s, label: OF_BUILDING[s.key] ?? s.label }))
		: SIDES;

export const CLASSES: { key: WeatherClass; label: string }[] = [
	{ key: 'PAINT', label: 'paint' },
	{ key: 'FRESH_RUST', label: 'fresh rust' },
	{ key: 'OLD_RUST', label: 'old rust' },
	{ key: 'GRIME', label: 'grime' },
	{ key: 'DUST', label: 'dust' },
	{ key: 'SOOT', label: 'soot' },
	{ key: 'WHITE_MINERAL', label: 'white mineral' },
	{ key: 'BARE_METAL', label: 'bare metal' },
	{ key: 'OTHER', label: 'something else' }
];

export const className = (kind: WeatherClass) => CLASSES.find((c) => c.key === kind)?.label ?? kind;
