import { api, ApiError, must, said, type Schemas } from '$lib/api/client';
import { refreshJob } from '$lib/api/queries';
import { photographNow } from '$lib/api/versions';
import { SvelteMap } from 'svelte/reactivity';
import type { Desk } from '$lib/ui/desk.svelte';

type Photograph = Schemas['Photograph'];
type Point = Schemas['Point'];
type Known = Schemas['KnownPoint'];
type Grey = Schemas['GreyPatch'];
type ArcMark = Schemas['ArcMark'];
type LineMark = Schemas['LineMark'];
type Kept = {
	corners: Point[] | null;
	known: Known[];
	level: LineMark[];
	grey: Grey | null;
	lines: Point[][];
	shell: ArcMark[] | null;
};
export type Chosen =
	| { kind: 'corner' | 'known' | 'arc'; index: number }
	| { kind: 'line' | 'level'; line: number; index: number }
	| { kind: 'grey' };

/** Hours of an end circle that can be seen from the side, in degrees from the top. */
const HOURS = [20, 90, 160];
const keptOf = (p: Photograph): Kept => ({
	corners: p.corners?.points ?? null,
	known: p.knownPoints?.points ?? [],
	level: p.knownLines?.lines ?? [],
	grey: p.greyPatch ?? null,
	lines: p.straightLines?.lines ?? [],
	shell: p.shellMarks?.marks ?? null
});
export const CORNERS = ['upper left', 'upper right', 'lower right', 'lower left'] as const;

/** Both ends of a line. */
const endsOf = (l: LineMark | undefined): Point[] =>
	l
		? [
				{ x: l.fromX, y: l.fromY },
				{ x: l.toX, y: l.toY }
			]
		: [];

export type Reference = 'CARD' | 'LETTERING' | 'BALLAST';

/** Things of known colour, the surest first, and the colour that is usual of them. */
export const REFERENCES = {
	CARD: { label: 'grey card', known: { lightness: 50, a: null, b: null, by: null } },
	LETTERING: {
		label: 'white lettering',
		known: { lightness: 88, a: 0, b: 3, by: 'LETTERING' as const }
	},
	BALLAST: {
		label: 'ballast under the sky',
		known: { lightness: 50, a: 0, b: 3, by: 'BALLAST' as const }
	}
};

const SAVE_AFTER_MS = 600;

/** Where the side lies on photographs that are left before it is said: there again when they come back. */
const halfPlaced = new SvelteMap<
	string,
	{ corners: Point[]; shell: ArcMark[]; moved: boolean[] }
>();

/**
 * What is marked on one photograph, while it is moved; saved a moment after the last move. Corners and
 * marks on end circles begin where nothing was seen: they are stored once each was moved, or said to be right.
 */
export class PhotoMarks {
	corners = $state<Point[]>([]);
	known = $state<Known[]>([]);
	/** What is level or upright, where not all corners are to be seen. */
	level = $state<LineMark[]>([]);
	/** Places and lines tell where the side lies, in place of four corners. */
	inPart = $state(false);
	grey = $state<Grey | null>(null);
	lines = $state<Point[][]>([]);
	shell = $state<ArcMark[]>([]);
	chosen = $state<Chosen>({ kind: 'corner', index: 0 });
	refused = $state('');
	/** Whether the side lies where the marks are: they are stored, not only shown. */
	placed = $state(false);
	#moved = $state.raw<boolean[]>([]);
	#taken = false;
	readonly id: string;
	readonly width: number;
	readonly height: number;
	readonly #jobId: string;
	#waiting = $state(false);
	#open = $state(0);
	#turn: Promise<void> = Promise.resolve();
	#version: number;
	#kept: Kept;
	#timer: ReturnType<typeof setTimeout> | undefined;

	constructor(
		photo: Photograph,
		private readonly desk: Desk,
		readonly curved = false
	) {
		this.id = photo.id;
		this.width = photo.widthPx;
		this.height = photo.heightPx;
		this.#jobId = photo.jobId;
		this.#version = photo.version;
		this.#kept = keptOf(photo);
		this.#show(this.#kept);
		this.chosen = this.#first;
	}

	/**
	 * The photograph as it is stored now. What was changed elsewhere is shown, unless something here is
	 * still to be stored; a change of what the photograph is said to show leaves the marks alone.
	 */
	seen(photo: Photograph): void {
		if (photo.version <= this.#version) return;
		const now = keptOf(photo);
		if (JSON.stringify(now) !== JSON.stringify(this.#kept)) {
			if (!this.kept) return;
			this.#kept = now;
			this.#show(now);
		}
		this.#version = photo.version;
	}

	/** How many corners, or marks on the end circles, are still to be moved before the side is located. */
	get toPlace(): number {
		if (this.placed) return 0;
		return (this.curved ? this.shell : this.corners).filter((_, i) => !this.#moved[i]).length;
	}

	/** Whether some of them were. */
	get halfPlaced(): boolean {
		return !this.placed && this.#moved.some(Boolean);
	}

	/** All that are shown are right. */
	async keepPlaces(): Promise<void> {
		this.#sayRight();
		await this.save();
	}

	#sayRight(): void {
		this.#moved = (this.curved ? this.shell : this.corners).map(() => true);
	}

	/** One was moved; whoever moves one of those that were proposed has looked at the others. */
	#place(index: number): void {
		if (this.placed) return;
		if (this.#taken) this.#sayRight();
		else this.#moved = Object.assign([...this.#moved], { [index]: true });
		const { corners, shell } = $state.snapshot({ corners: this.corners, shell: this.shell });
		halfPlaced.set(this.id, { corners, shell, moved: this.#moved });
	}

	#show(kept: Kept): void {
		const [w, h] = [this.width, this.height];
		this.inPart = !this.curved && !kept.corners && kept.known.length + kept.level.length > 0;
		this.placed = (this.curved ? kept.shell : kept.corners) !== null || this.inPart;
		this.#moved = [];
		this.#taken = false;
		this.corners = (
			kept.corners ?? [
				{ x: w * 0.15, y: h * 0.2 },
				{ x: w * 0.85, y: h * 0.2 },
				{ x: w * 0.85, y: h * 0.8 },
				{ x: w * 0.15, y: h * 0.8 }
			]
		).map((p) => ({ ...p }));
		this.known = kept.known.map((k) => ({ ...k }));
		this.level = kept.level.map((l) => ({ ...l }));
		this.grey = kept.grey ? { ...kept.grey } : null;
		this.lines = kept.lines.map((l) => l.map((p) => ({ ...p })));
		this.shell = this.curved
			? (
					kept.shell ??
					HOURS.flatMap((degrees, i) => [
						{ photo: { x: w * 0.15, y: h * (0.25 + 0.25 * i) }, leftEnd: true, degrees },
						{ photo: { x: w * 0.85, y: h * (0.25 + 0.25 * i) }, leftEnd: false, degrees }
					])
				).map((m) => ({ ...m, photo: { ...m.photo } }))
			: [];
		const half = halfPlaced.get(this.id);
		if (half && !this.placed) {
			this.corners = half.corners.map((p) => ({ ...p }));
			this.shell = half.shell.map((m) => ({ ...m }));
			this.#moved = half.moved;
		}
	}

	/** The chosen mark in photograph pixels. */
	get focus(): Point {
		const c = this.chosen;
		if (c.kind === 'corner') return this.corners[c.index] ?? { x: 0, y: 0 };
		if (c.kind === 'known') {
			const k = this.known[c.index];
			return k ? { x: k.xPx, y: k.yPx } : { x: 0, y: 0 };
		}
		if (c.kind === 'arc') return this.shell[c.index]?.photo ?? { x: 0, y: 0 };
		if (c.kind === 'line') return this.lines[c.line]?.[c.index] ?? { x: 0, y: 0 };
		if (c.kind === 'level') return endsOf(this.level[c.line])[c.index] ?? { x: 0, y: 0 };
		return this.grey
			? { x: this.grey.x + this.grey.width / 2, y: this.grey.y + this.grey.height / 2 }
			: { x: 0, y: 0 };
	}

	moveTo(x: number, y: number): void {
		const px = Math.min(Math.max(x, 0), this.width);
		const py = Math.min(Math.max(y, 0), this.height);
		const c = this.chosen;
		if (c.kind === 'corner') {
			// in part there are no corners, and nothing is chosen before something is marked
			if (this.inPart) return;
			this.corners[c.index] = { x: px, y: py };
			this.#place(c.index);
		} else if (c.kind === 'known') {
			const k = this.known[c.index];
			if (k) this.known[c.index] = { ...k, xPx: px, yPx: py };
		} else if (c.kind === 'arc') {
			const m = this.shell[c.index];
			if (m) this.shell[c.index] = { ...m, photo: { x: px, y: py } };
			this.#place(c.index);
		} else if (c.kind === 'line') {
			const line = this.lines[c.line];
			if (line) line[c.index] = { x: px, y: py };
		} else if (c.kind === 'level') {
			const l = this.level[c.line];
			if (l)
				this.level[c.line] = c.index ? { ...l, toX: px, toY: py } : { ...l, fromX: px, fromY: py };
		} else if (this.grey) {
			const g = this.grey;
			this.grey = {
				...g,
				x: Math.min(Math.max(px - g.width / 2, 0), this.width - g.width),
				y: Math.min(Math.max(py - g.height / 2, 0), this.height - g.height)
			};
		}
		this.soon();
	}

	nudge(dx: number, dy: number): void {
		this.moveTo(this.focus.x + dx, this.focus.y + dy);
	}

	next(): void {
		const all = this.all.map((m) => m.chosen);
		const at = all.findIndex((a) => JSON.stringify(a) === JSON.stringify(this.chosen));
		this.chosen = all[(at + 1) % all.length] ?? this.#first;
	}

	/** Every mark that can be moved, and where it is. */
	get all(): (Point & { chosen: Chosen })[] {
		const places = this.curved
			? this.shell.map((m, index) => ({ ...m.photo, chosen: { kind: 'arc' as const, index } }))
			: this.inPart
				? []
				: this.corners.map((c, index) => ({ ...c, chosen: { kind: 'corner' as const, index } }));
		const grey = this.grey;
		return [
			...places,
			...this.known.map((k, index) => ({
				x: k.xPx,
				y: k.yPx,
				chosen: { kind: 'known' as const, index }
			})),
			...this.level.flatMap((l, line) =>
				endsOf(l).map((p, index) => ({ ...p, chosen: { kind: 'level' as const, line, index } }))
			),
			...this.lines.flatMap((l, line) =>
				l.map((p, index) => ({ ...p, chosen: { kind: 'line' as const, line, index } }))
			),
			...(grey
				? [
						{
							x: grey.x + grey.width / 2,
							y: grey.y + grey.height / 2,
							chosen: { kind: 'grey' as const }
						}
					]
				: [])
		];
	}

	addGrey(by: Reference = 'CARD'): void {
		const size = Math.max(8, this.width * 0.04);
		this.grey = {
			x: this.width / 2 - size / 2,
			y: this.height * 0.9 - size / 2,
			width: size,
			height: size,
			...REFERENCES[by].known
		};
		this.chosen = { kind: 'grey' };
		this.soon();
	}

	/** What the patch is; its known colour begins as such things usually are. */
	setReference(by: Reference): void {
		if (!this.grey) return;
		this.grey = { ...this.grey, ...REFERENCES[by].known };
		this.soon();
	}

	get reference(): Reference {
		const by = this.grey?.by;
		return by === 'LETTERING' || by === 'BALLAST' ? by : 'CARD';
	}

	resizeGrey(factor: number): void {
		if (!this.grey) return;
		const width = Math.min(Math.max(6, this.grey.width * factor), this.width / 2);
		const centre = this.focus;
		this.grey = {
			...this.grey,
			width,
			height: width,
			x: centre.x - width / 2,
			y: centre.y - width / 2
		};
		this.soon();
	}

	setLightness(value: number): void {
		if (!this.grey) return;
		this.grey = { ...this.grey, lightness: value };
		this.soon();
	}

	/** The patch is not neutral: a* and b* of what it is known to be. */
	setKnownColour(axis: 'a' | 'b', value: number): void {
		if (!this.grey || !Number.isFinite(value)) return;
		const a = axis === 'a' ? value : (this.grey.a ?? 0);
		const b = axis === 'b' ? value : (this.grey.b ?? 0);
		this.grey = { ...this.grey, a: a || b ? a : null, b: a || b ? b : null };
		this.soon();
	}

	dropGrey(): void {
		this.grey = null;
		this.chosen = this.#first;
		this.soon();
	}

	/** Not all corners are in the picture: places and lines tell where the side lies; or they do again. */
	bePart(inPart: boolean): void {
		this.inPart = inPart;
		this.chosen = this.#first;
		this.placed = inPart || this.#kept.corners !== null;
		if (this.#kept.corners) this.soon();
	}

	/** A line across the middle, to be laid along something that is level or upright. */
	addLevel(along: LineMark['along']): void {
		const n = this.level.filter((l) => l.along === along).length;
		const share = 0.3 + 0.15 * (n % 4);
		const [w, h] = [this.width, this.height];
		const ends =
			along === 'LEVEL'
				? { fromX: w * 0.25, fromY: h * share, toX: w * 0.75, toY: h * share }
				: { fromX: w * share, fromY: h * 0.3, toX: w * share, toY: h * 0.7 };
		this.level = [...this.level, { ...ends, along, lengthMm: null }];
		this.chosen = { kind: 'level', line: this.level.length - 1, index: 0 };
	}

	setLevelLength(line: number, lengthMm: number): void {
		const l = this.level[line];
		if (!l) return;
		this.level[line] = { ...l, lengthMm: Number.isFinite(lengthMm) ? lengthMm : null };
		this.soon();
	}

	dropLevel(line: number): void {
		this.level = this.level.filter((_, i) => i !== line);
		this.chosen = this.#first;
		this.soon();
	}

	addKnown(lengthMm: number, heightMm: number): void {
		this.known = [
			...this.known,
			{ xPx: this.width / 2, yPx: this.height / 2, xMm: lengthMm / 2, yMm: heightMm / 2 }
		];
		this.chosen = { kind: 'known', index: this.known.length - 1 };
	}

	setKnown(index: number, part: Partial<Known>): void {
		const k = this.known[index];
		if (k) {
			this.known[index] = { ...k, ...part };
			this.soon();
		}
	}

	dropKnown(index: number): void {
		this.known = this.known.filter((_, i) => i !== index);
		this.chosen = this.#first;
		this.soon();
	}

	get #first(): Chosen {
		const first = this.inPart ? this.all[0]?.chosen : undefined;
		return first ?? { kind: this.curved ? 'arc' : 'corner', index: 0 };
	}

	/** A line of three places across the upper part, to be laid along something straight. */
	addLine(): void {
		const y = this.height * (0.15 + 0.1 * (this.lines.length % 7));
		this.lines = [...this.lines, [0.1, 0.5, 0.9].map((share) => ({ x: this.width * share, y }))];
		this.chosen = { kind: 'line', line: this.lines.length - 1, index: 0 };
	}

	dropLine(line: number): void {
		this.lines = this.lines.filter((_, i) => i !== line);
		this.chosen = this.#first;
		this.soon();
	}

	/** Takes corners that were proposed, or stand on another photograph. */
	take(corners: Point[]): void {
		this.corners = corners.map((p) => ({
			x: Math.min(Math.max(p.x, 0), this.width),
			y: Math.min(Math.max(p.y, 0), this.height)
		}));
		this.chosen = this.#first;
		this.placed = false;
		this.#moved = [];
		this.#taken = true;
	}

	/** What was taken and not kept goes again. */
	leave(): void {
		this.#show(this.#kept);
	}

	/** Whether all that can be stored is. */
	get kept(): boolean {
		return !this.#waiting && this.#open === 0;
	}

	soon(): void {
		clearTimeout(this.#timer);
		this.#waiting = true;
		this.#timer = setTimeout(() => void this.save(), SAVE_AFTER_MS);
	}

	/**
	 * Stores what is marked; what the server refuses stays on screen with the reason. One save at a
	 * time: a move during a save is stored after it, on the version that it left.
	 */
	save(): Promise<void> {
		clearTimeout(this.#timer);
		this.#waiting = true;
		return this.#inTurn(async () => {
			if (!this.#waiting) return;
			this.#waiting = false;
			await this.#store();
		});
	}

	#inTurn(run: () => Promise<void>): Promise<void> {
		this.#open += 1;
		const done = this.#turn.then(run).finally(() => (this.#open -= 1));
		this.#turn = done.catch(() => undefined);
		return done;
	}

	async #store(): Promise<void> {
		const before = this.#kept;
		const right = this.toPlace === 0;
		const fresh: Kept = {
			corners: before.corners,
			known: this.known.map((k) => ({ ...k })),
			level: this.level.map((l) => ({ ...l })),
			grey: this.grey ? { ...this.grey } : null,
			lines: this.lines.map((l) => l.map((p) => ({ ...p }))),
			shell: before.shell
		};
		if (this.inPart) fresh.corners = null;
		else if (this.curved && right)
			fresh.shell = this.shell.map((m) => ({ ...m, photo: { ...m.photo } }));
		else if (right) fresh.corners = this.corners.map((p) => ({ ...p }));
		if (JSON.stringify(fresh) === JSON.stringify(before)) {
			this.placed ||= right;
			return;
		}
		try {
			await this.#put(fresh, this.#version);
			this.refused = '';
			if (right) {
				this.placed = true;
				halfPlaced.delete(this.id);
			}
			this.desk.remember('Marks moved', () =>
				this.#inTurn(async () => {
					const { version } = await photographNow(this.#jobId, this.id);
					await this.#put(before, version);
					this.#show(before);
					await refreshJob(this.#jobId);
				})
			);
		} catch (error) {
			this.refused = said(error);
			if (error instanceof ApiError && error.status === 409) void refreshJob(this.#jobId);
			return;
		}
		// what is shown is asked again beside the next save, not before it
		void refreshJob(this.#jobId);
	}

	async #put(kept: Kept, version: number): Promise<void> {
		const stored = await must(
			api.PUT('/api/photographs/{id}/marks', {
				params: { path: { id: this.id } },
				body: {
					corners: kept.corners ? { points: kept.corners } : null,
					knownPoints: { points: kept.known },
					knownLines: kept.level.length ? { lines: kept.level } : null,
					greyPatch: kept.grey,
					straightLines: kept.lines.length ? { lines: kept.lines } : null,
					shellMarks: kept.shell ? { marks: kept.shell } : null,
					version
				}
			})
		);
		this.#version = stored.version;
		this.#kept = keptOf(stored);
	}
}
