import type { Schemas } from '$lib/api/client';

export type Light = 'D65' | 'D50' | 'A' | 'LED_WARM' | 'LED_COOL';
export type BottleView = Schemas['BottleView'];

/** Short names for the lamp switch; the long ones come with the shelf. */
export const lampNames: Record<Light, string> = {
	D65: 'North light',
	D50: 'Sun and sky',
	A: 'Filament',
	LED_WARM: 'Warm LED',
	LED_COOL: 'Cool LED'
};
export const lights = Object.keys(lampNames) as Light[];

const railNames: Record<BottleView['rail'], string> = {
	GREYS: 'greys',
	REDS: 'reds',
	ORANGES: 'oranges',
	YELLOWS: 'yellows',
	GREENS: 'greens',
	BLUES: 'blues',
	VIOLETS: 'violets',
	WITHOUT_COLOUR: 'without a colour'
};

/** The bottles rail by rail, dark to light on each. */
export function rails(bottles: BottleView[]): { name: string; bottles: BottleView[] }[] {
	return Object.entries(railNames)
		.map(([rail, name]) => ({
			name,
			bottles: bottles
				.filter((b) => b.rail === rail)
				.toSorted((a, b) => (a.bottle.colour?.l ?? 0) - (b.bottle.colour?.l ?? 0))
		}))
		.filter((r) => r.bottles.length > 0);
}

const states: Record<BottleView['state'], string> = {
	FINE: '',
	NEARLY_EMPTY: 'nearly empty',
	EMPTY: 'empty',
	PERISHES_SOON: 'perishes soon',
	PERISHED: 'perished'
};

/** What needs an eye on a bottle, in words; empty when nothing does. */
export const stateOf = (b: BottleView): string => states[b.state];
