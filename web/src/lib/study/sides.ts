import type { Schemas } from '$lib/api/client';

export type Side = Schemas['Photograph']['side'];
export type WeatherClass = Schemas['JobSample']['kind'];

export const SIDES: { key: Side; label: string }[] = [
	{ key: 'LEFT', label: 'Left side' },
	{ key: 'RIGHT', label: 'Right side' },
	{ key: 'A_END', label: 'A end' },
	{ key: 'B_END', label: 'B end' },
	{ key: 'ROOF', label: 'Roof' },
	{ key: 'DETAIL', label: 'Detail' }
];

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
