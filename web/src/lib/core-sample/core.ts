import type { Schemas } from '$lib/api/client';

export type Core = Schemas['CoreView'];
export type BandData = Schemas['BandView'];
export type Placed = BandData & { index: number; top: number; height: number };

const BASE_PX = 30;
const MOST_PX_PER_UM = 2.4;
const LEAST_BAND_PX = 8;

/** Places the bands of a core from the substrate up; a very full core is drawn to a smaller scale. */
export function place(core: Core, height: number): { bands: Placed[]; baseTop: number } {
	const room = height - BASE_PX - 26;
	const total = core.bands.reduce((sum, b) => sum + b.filmMicrometres, 0);
	const count = core.bands.length;
	const least = Math.min(LEAST_BAND_PX, room / Math.max(1, count) / 1.5);
	const scale = Math.min(
		MOST_PX_PER_UM,
		total > 0 ? (room - least * count) / total : MOST_PX_PER_UM
	);
	const baseTop = height - BASE_PX;
	let top = baseTop;
	const bands = core.bands.map((band, index) => {
		const h = least + band.filmMicrometres * Math.max(0, scale) * 0.6;
		top -= h;
		return { ...band, index, top, height: h };
	});
	return { bands, baseTop };
}

/** The height that the fullest of some cores needs at the largest scale, at most `most`. */
export function heightFor(cores: Core[], most: number): number {
	const needs = cores.map(
		(c) =>
			BASE_PX +
			26 +
			c.bands.reduce((sum, b) => sum + LEAST_BAND_PX + b.filmMicrometres * MOST_PX_PER_UM * 0.6, 0)
	);
	return Math.round(Math.min(most, Math.max(110, ...needs)));
}

export type Surface = 'slick' | 'rough' | 'stains' | 'loose';

/** What is wrong with the surface that a step meets, as it is drawn; undefined when nothing is. */
export function surface(findings: Schemas['FindingView'][]): Surface | undefined {
	for (const f of findings) {
		if (f.rule === 'LOOSE') return 'loose';
		if (f.rule === 'STAINS') return 'stains';
		if (f.rule === 'TOOTH') {
			const tooth = f.numbers['tooth'] ?? 0;
			return tooth < ((f.numbers['works from'] ?? 0) + (f.numbers['works to'] ?? 1)) / 2
				? 'slick'
				: 'rough';
		}
	}
	return undefined;
}

/** Black or white, whichever is seen on a colour. */
export function inkOn(hex: string): string {
	const n = parseInt(hex.slice(1), 16);
	const light = 0.3 * (n >> 16) + 0.59 * ((n >> 8) & 255) + 0.11 * (n & 255);
	return light > 120 ? '#000' : '#fff';
}

const FINISH: Record<string, string> = {
	GLOSS: 'gloss',
	SEMI_GLOSS: 'semi-gloss',
	SATIN: 'satin',
	FLAT: 'flat',
	MATTE: 'dead flat',
	LOOSE: 'loose powder'
};

/** A finish as said at the bench. */
export function finishName(finish: string): string {
	return FINISH[finish] ?? finish.toLowerCase();
}

/** What a core shows, in words. */
export function describe(core: Core): string {
	const coats = core.bands.map((b) => `${b.material}${b.done ? '' : ' (planned)'}`);
	const top = core.bands.at(-1)?.finish ?? core.substrateFinish;
	return `${core.name}: ${core.substrate}${coats.length ? ', ' + coats.join(', ') : ''}; surface ${finishName(top)}`;
}
