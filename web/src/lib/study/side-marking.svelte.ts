import type { Side, WeatherClass } from './sides';
import type { Region, StudyDesk } from './study-desk.svelte';

export type Verb = Region['role'] | 'SAMPLE';
export type Place = { x: number; y: number };
type Box = { xMm: number; yMm: number; widthMm: number; heightMm: number };

/** Where marks are made: the photograph's flat side and how large a pixel of the screen is on it. */
export type Ground = {
	photoId: string;
	side: Side;
	lengthMm: number;
	heightMm: number;
	unit: number;
};

const CLOSE_PX = 12;
const MOST_CORNERS = 60;

/**
 * What a drag on the flat side marks: a region, a place to leave out, an edge, a piece to cut, or a
 * sample of a class. Regions are boxes, or go corner by corner round what is not one.
 */
export class SideMarking {
	kind = $state<WeatherClass>('PAINT');
	#verb = $state<Verb>('MEASURE');
	#cornered = $state(false);
	#start = $state<Place>();
	#end = $state<Place>();
	#corners = $state.raw<Place[]>([]);

	constructor(
		private readonly desk: StudyDesk,
		private readonly ground: () => Ground
	) {}

	get verb(): Verb {
		return this.#verb;
	}

	set verb(verb: Verb) {
		this.#verb = verb;
		this.forget();
	}

	/** Whether corners are set one by one; edges and samples have none. */
	get cornered(): boolean {
		return this.#cornered && this.canCorner;
	}

	set cornered(on: boolean) {
		this.#cornered = on;
		this.forget();
	}

	get canCorner(): boolean {
		return this.#verb !== 'EDGE' && this.#verb !== 'SAMPLE';
	}

	/** The corners so far, of a region that is not closed yet. */
	get corners(): Place[] {
		return this.#corners;
	}

	/** The two ends of a drag that goes on. */
	get ends(): [Place, Place] | undefined {
		return this.#start && this.#end ? [this.#start, this.#end] : undefined;
	}

	get draft(): Box | undefined {
		return this.ends && boxOf(this.ends);
	}

	/** The pointer goes down: a corner, or the beginning of a drag; whether one begins. */
	press(p: Place): boolean {
		if (this.cornered) {
			this.#corner(p);
			return false;
		}
		this.#start = this.#end = p;
		return true;
	}

	drag(p: Place): void {
		if (this.#start) this.#end = p;
	}

	/** The pointer is up: a drag that is large enough marks, a mere touch chooses what lies there. */
	release(): void {
		const ends = this.ends;
		this.#start = this.#end = undefined;
		if (!ends) return;
		const { unit } = this.ground();
		const box = boxOf(ends);
		const large = (width: number, height: number) =>
			box.widthMm > width * unit && box.heightMm > height * unit;
		if (this.#verb === 'SAMPLE' ? large(3, 3) : this.#verb !== 'EDGE' && large(12, 6)) {
			this.#mark(box, []);
		} else if (this.#verb === 'EDGE' && Math.max(box.widthMm, box.heightMm) > 12 * unit) {
			this.#mark(box, ends);
		} else if (Math.max(box.widthMm, box.heightMm) <= 3 * unit) {
			this.#choose(ends[1]);
		}
	}

	/** Marks something in the middle of what is shown, to be moved by the keys. */
	markAmid(shown: { x: number; y: number; width: number; height: number }): void {
		const box = {
			xMm: shown.x + shown.width * 0.45,
			yMm: shown.y + shown.height * 0.4,
			widthMm: shown.width * 0.1,
			heightMm: shown.height * 0.15
		};
		if (this.#verb === 'EDGE') {
			const y = box.yMm + box.heightMm / 2;
			const ends = [
				{ x: box.xMm, y },
				{ x: box.xMm + box.widthMm, y }
			];
			this.#mark({ ...box, yMm: y, heightMm: 1 }, ends);
		} else {
			this.#mark(box, []);
		}
	}

	/**
	 * Moves the chosen region by millimetres, or sizes it; while classes are shown, the sample that was
	 * picked last. Whether there is one that can be.
	 */
	steer(dx: number, dy: number, sizing: boolean): boolean {
		const { photoId, side } = this.ground();
		if (this.#verb === 'SAMPLE') {
			const s = this.desk.samples.filter((x) => x.photographId === photoId).at(-1);
			if (!s) return false;
			const part = sizing ? this.#sized(s, dx, dy) : this.#moved(s, dx, dy);
			void this.desk.changeSample(s.id, part, sizing ? 'Sample sized' : 'Sample moved');
			return true;
		}
		const r = this.desk.chosenRegion;
		if (!r || r.side !== side || (sizing && r.outline.length)) return false;
		if (sizing) {
			void this.desk.changeRegion(r.id, this.#sized(r, dx, dy), 'Region sized');
			return true;
		}
		const to = this.#moved(r, dx, dy);
		const outline = r.outline.map((p) => ({ x: p.x + to.xMm - r.xMm, y: p.y + to.yMm - r.yMm }));
		void this.desk.changeRegion(r.id, { ...to, outline }, 'Region moved');
		return true;
	}

	#moved(b: Box, dx: number, dy: number) {
		const { lengthMm, heightMm } = this.ground();
		return {
			xMm: within(b.xMm + dx, 0, lengthMm - b.widthMm),
			yMm: within(b.yMm + dy, 0, heightMm - b.heightMm)
		};
	}

	#sized(b: Box, dx: number, dy: number) {
		const { lengthMm, heightMm } = this.ground();
		return {
			widthMm: within(b.widthMm + dx, 20, lengthMm - b.xMm),
			heightMm: within(b.heightMm + dy, 20, heightMm - b.yMm)
		};
	}

	/** Ends an outline of three corners or more. */
	close(): void {
		const corners = this.#corners;
		if (corners.length < 3) return;
		this.forget();
		this.#mark(boxOf(corners), corners);
	}

	/** Takes the last corner back; whether there was one. */
	back(): boolean {
		if (this.#corners.length === 0) return false;
		this.#corners = this.#corners.slice(0, -1);
		return true;
	}

	/** Leaves what is not finished. */
	forget(): void {
		this.#start = this.#end = undefined;
		this.#corners = [];
	}

	/** The uppermost region at a place; edges are hit from near them. */
	#choose(p: Place): void {
		const { side, unit } = this.ground();
		const near = (r: Region) => (r.role === 'EDGE' ? 6 * unit : 0);
		const hit = [...this.desk.regions]
			.reverse()
			.find(
				(r) =>
					r.side === side &&
					p.x >= r.xMm - near(r) &&
					p.x <= r.xMm + r.widthMm + near(r) &&
					p.y >= r.yMm - near(r) &&
					p.y <= r.yMm + r.heightMm + near(r)
			);
		if (hit) this.desk.chosen = hit.id;
	}

	#corner(p: Place): void {
		const { unit } = this.ground();
		const first = this.#corners[0];
		if (
			first &&
			this.#corners.length >= 3 &&
			Math.hypot(p.x - first.x, p.y - first.y) < CLOSE_PX * unit
		) {
			this.close();
		} else if (this.#corners.length < MOST_CORNERS) {
			this.#corners = [...this.#corners, p];
		}
	}

	#mark(box: Box, outline: Place[]): void {
		const { photoId, side } = this.ground();
		if (this.#verb === 'SAMPLE') {
			void this.desk.addSample({ ...box, photographId: photoId, kind: this.kind });
			return;
		}
		void this.desk.addRegion({
			...box,
			widthMm: Math.max(1, box.widthMm),
			heightMm: Math.max(1, box.heightMm),
			zoneKey: null,
			side,
			role: this.#verb,
			outline
		});
	}
}

const within = (v: number, least: number, most: number) => Math.min(Math.max(v, least), most);

function boxOf(places: Place[]): Box {
	const x = places.map((p) => p.x);
	const y = places.map((p) => p.y);
	const [left, top] = [Math.min(...x), Math.min(...y)];
	return {
		xMm: left,
		yMm: top,
		widthMm: Math.max(...x) - left,
		heightMm: Math.max(...y) - top
	};
}
