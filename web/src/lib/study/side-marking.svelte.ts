import type { Side, WeatherClass } from './sides';
import type { Region, StudyDesk } from './study-desk.svelte';

export type Verb = Region['role'] | 'SAMPLE';
export type Place = { x: number; y: number };
type Box = { xMm: number; yMm: number; widthMm: number; heightMm: number };

/** Where marks are made: the photograph's flat side, what of it is shown, a pixel of the screen on it. */
export type Ground = {
	photoId: string;
	side: Side;
	lengthMm: number;
	heightMm: number;
	shown: { x: number; y: number; width: number; height: number };
	unit: number;
};

const CLOSE_PX = 12;
const MOST_CORNERS = 60;
const LEAST_MM = 20;

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
	#aim = $state.raw<Place>();

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

	/** Where the keys set the next corner; nowhere until they are used. */
	get aim(): Place | undefined {
		return this.cornered ? this.#aim : undefined;
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

	/** A key marks: a corner where the keys aim, or something amid what is shown, to be moved by them. */
	mark(): void {
		const { shown } = this.ground();
		if (this.cornered) {
			this.#aim ??= this.#middle();
			this.#corner(this.#aim);
			return;
		}
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
	 * Moves by millimetres, or sizes: where the keys aim, while corners are set one by one; the sample
	 * that was picked last, while samples are picked; else the chosen region. An edge is sized by its
	 * second end. Whether there is something that can be.
	 */
	steer(dx: number, dy: number, sizing: boolean): boolean {
		const { photoId, side } = this.ground();
		if (this.cornered) {
			const from = this.#aim ?? this.#middle();
			this.#aim = this.#onSide({ x: from.x + dx, y: from.y + dy });
			return true;
		}
		if (this.#verb === 'SAMPLE') {
			const s = this.desk.samples.filter((x) => x.photographId === photoId).at(-1);
			if (!s) return false;
			const part = sizing ? this.#sized(s, dx, dy) : this.#moved(s, dx, dy);
			void this.desk.changeSample(s.id, part, sizing ? 'Sample sized' : 'Sample moved');
			return true;
		}
		const r = this.desk.chosenRegion;
		if (!r || r.side !== side) return false;
		if (sizing) return this.#size(r, dx, dy);
		const to = this.#moved(r, dx, dy);
		const outline = r.outline.map((p) => ({ x: p.x + to.xMm - r.xMm, y: p.y + to.yMm - r.yMm }));
		void this.desk.changeRegion(r.id, { ...to, outline }, 'Region moved');
		return true;
	}

	#size(r: Region, dx: number, dy: number): boolean {
		const [first, last] = r.outline;
		if (r.role === 'EDGE' && first && last) {
			const outline = [first, this.#onSide({ x: last.x + dx, y: last.y + dy })];
			const box = boxOf(outline);
			if (Math.hypot(box.widthMm, box.heightMm) < LEAST_MM) return true;
			void this.desk.changeRegion(r.id, { ...atLeastOne(box), outline }, 'Edge turned');
			return true;
		}
		if (first) return false;
		void this.desk.changeRegion(r.id, this.#sized(r, dx, dy), 'Region sized');
		return true;
	}

	#middle(): Place {
		const { shown } = this.ground();
		return { x: shown.x + shown.width / 2, y: shown.y + shown.height / 2 };
	}

	#onSide(p: Place): Place {
		const { lengthMm, heightMm } = this.ground();
		return { x: within(p.x, 0, lengthMm), y: within(p.y, 0, heightMm) };
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
			widthMm: within(b.widthMm + dx, LEAST_MM, lengthMm - b.xMm),
			heightMm: within(b.heightMm + dy, LEAST_MM, heightMm - b.yMm)
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
		this.#start = this.#end = this.#aim = undefined;
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
			...atLeastOne(box),
			zoneKey: null,
			side,
			role: this.#verb,
			outline
		});
	}
}

const within = (v: number, least: number, most: number) => Math.min(Math.max(v, least), most);

const atLeastOne = (b: Box): Box => ({
	...b,
	widthMm: Math.max(1, b.widthMm),
	heightMm: Math.max(1, b.heightMm)
});

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
