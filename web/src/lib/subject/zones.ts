import type { Schemas } from '$lib/api/client';

export type Kind = Schemas['Job']['kind'];
type Box = { x: number; y: number; width: number; height: number };

/** A zone as it is drawn; without a box it is not seen from the left side. */
export type Drawn = { key: string; name: string; box: Box | null };

/** The zones of a job as they are drawn: a box is kept as four numbers in a line. */
export function drawnOf(zones: Schemas['JobZone'][]): Drawn[] {
	return zones.map((z) => {
		const v = (z.box ?? '').split(' ').map(Number);
		const [x, y, width, height] = v;
		const whole = v.length === 4 && v.every(Number.isFinite);
		return {
			key: z.zoneKey,
			name: z.name,
			box: whole ? { x: x ?? 0, y: y ?? 0, width: width ?? 0, height: height ?? 0 } : null
		};
	});
}

const AXLES: Partial<Record<Kind, number[]>> = {
	BRAKE_VAN: [0.22, 0.78],
	ROAD_TRAILER: [0.7, 0.79, 0.88],
	HOOD_DIESEL: [0.16, 0.3, 0.7, 0.84],
	CAB_DIESEL: [0.14, 0.22, 0.3, 0.7, 0.78, 0.86],
	LOCOMOTIVE: [0.16, 0.3, 0.7, 0.84],
	STEAM_ENGINE: [0.2, 0.34, 0.45, 0.56, 0.82, 0.93]
};

/** Where the axles stand, as shares of the length. */
export function axlesOf(kind: Kind, wheels: boolean): number[] {
	return wheels ? (AXLES[kind] ?? [0.14, 0.27, 0.73, 0.86]) : [];
}

/** A key for a new zone that no other has. */
export function freshKey(name: string, taken: string[]): string {
	const base =
		name
			.toLowerCase()
			.replace(/[^a-z0-9]+/g, '-')
			.replace(/^-|-$/g, '')
			.slice(0, 24) || 'zone';
	let key = base;
	for (let n = 2; taken.includes(key); n += 1) key = `${base}-${n}`;
	return key;
}

/** Two halves of a zone, side by side or, of an upright one, one above the other. */
export function halves(box: string): [string, string] {
	const v = box.split(' ').map(Number);
	if (v.length !== 4 || !v.every(Number.isFinite)) return ['', ''];
	const [x = 0, y = 0, w = 0, h = 0] = v;
	const say = (...n: number[]) => n.map((k) => k.toFixed(3).replace(/\.?0+$/, '') || '0').join(' ');
	return w >= h
		? [say(x, y, w / 2, h), say(x + w / 2, y, w / 2, h)]
		: [say(x, y, w, h / 2), say(x, y + h / 2, w, h / 2)];
}

/** The least box around two; one that is not seen does not count. */
export function around(a: string, b: string): string {
	const [p, q] = [a, b].map((t) => t.split(' ').map(Number));
	if (!p || p.length !== 4) return b;
	if (!q || q.length !== 4) return a;
	const [ax = 0, ay = 0, aw = 0, ah = 0] = p;
	const [bx = 0, by = 0, bw = 0, bh = 0] = q;
	const x = Math.min(ax, bx);
	const y = Math.min(ay, by);
	return [x, y, Math.max(ax + aw, bx + bw) - x, Math.max(ay + ah, by + bh) - y]
		.map((k) => k.toFixed(3).replace(/\.?0+$/, '') || '0')
		.join(' ');
}
