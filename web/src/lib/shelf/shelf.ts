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

const hues = ['reds', 'oranges', 'yellows', 'greens', 'blues', 'violets'];
const bounds = [40, 65, 105, 200, 290, 340];

/** The rail that a bottle stands on: greys, a hue, or what has no colour. */
export function railOf(bottle: BottleView): string {
	const c = bottle.bottle.colour;
	if (!c) return 'without a colour';
	if (Math.hypot(c.a, c.b) < 6) return 'greys';
	const hue = ((Math.atan2(c.b, c.a) * 180) / Math.PI + 360) % 360;
	const at = bounds.findIndex((b) => hue < b);
	return hues[at === -1 ? 0 : at] ?? 'reds';
}

/** The bottles rail by rail, dark to light on each. */
export function rails(bottles: BottleView[]): { name: string; bottles: BottleView[] }[] {
	return ['greys', ...hues, 'without a colour']
		.map((name) => ({
			name,
			bottles: bottles
				.filter((b) => railOf(b) === name)
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
