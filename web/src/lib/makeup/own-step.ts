import type { Schemas } from '$lib/api/client';

type Extra = Schemas['StepExtra'];
export type Needs = NonNullable<Extra['needs']>;
export type Lies = NonNullable<Extra['lies']>;

/** A step with nothing particular about it. */
export const NOTHING_SAID: Extra = {
	text: '',
	restMinutes: 0,
	minutes: null,
	parts: [],
	share: null,
	needs: null,
	lies: null
};

/** How dry the coats have to be for a step. */
export const NEEDS: Record<Needs, string> = {
	TOUCH: 'dry to the touch',
	HANDLE: 'fit to be held',
	RECOAT: 'fit for another coat',
	CURED: 'cured through'
};

/** How the model lies during a step. */
export const LIES: Record<Lies, string> = {
	UPRIGHT: 'stands on its wheels',
	FACE_UP: 'lies with this face up',
	ON_ITS_SIDE: 'lies on its side',
	UPSIDE_DOWN: 'lies upside down'
};

/**
 * Where a step that is put in goes: behind the chosen one; without one, what prepares goes in front
 * of all that is still to do but what prepares already, anything else to the end.
 */
export function placeOf(
	order: readonly { id: string; technique: string }[],
	done: number,
	chosen: string | undefined,
	technique: string,
	preparing: readonly string[]
): number {
	const at = order.findIndex((s) => s.id === chosen);
	if (at >= 0) return Math.max(done, at + 1);
	if (!preparing.includes(technique)) return order.length;
	const rest = order.findIndex((s, i) => i >= done && !preparing.includes(s.technique));
	return rest < 0 ? order.length : rest;
}
