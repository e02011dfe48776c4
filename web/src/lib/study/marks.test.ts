import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import type { Schemas } from '$lib/api/client';
import { answer, refused, stored } from '$lib/api/stand-in';
import { Desk } from '$lib/ui/desk.svelte';
import { PhotoMarks } from './marks.svelte';

vi.mock('$lib/api/queries', () => ({ refreshJob: vi.fn(() => Promise.resolve()) }));

type Photograph = Schemas['Photograph'];
type Marks = { version: number; corners: unknown; greyPatch: unknown };
const SAVED_AFTER = 600;

let photographs = 0;

const fresh = (part: Partial<Photograph> = {}): Photograph =>
	({
		id: `photo ${photographs}`,
		jobId: 'job',
		widthPx: 1000,
		heightPx: 600,
		version: 1,
		corners: null,
		knownPoints: null,
		greyPatch: null,
		...part
	}) as Photograph;

const square = [
	{ x: 100, y: 100 },
	{ x: 900, y: 100 },
	{ x: 900, y: 500 },
	{ x: 100, y: 500 }
];

/** Moves each corner or mark of an end circle, the first one last. */
function moveAll(marks: PhotoMarks): void {
	const kind = marks.curved ? 'arc' : 'corner';
	for (let index = (marks.curved ? 6 : 4) - 1; index >= 0; index--) {
		marks.chosen = { kind, index };
		marks.nudge(2, 1);
	}
}

/** A server that counts versions, as the real one does. */
function server() {
	let photo = fresh();
	const seen: Marks[] = [];
	const put = answer<Marks>('PUT', ({ body }) => {
		if (body.version !== photo.version) {
			return refused(409, 'The photograph was changed in another tab.');
		}
		seen.push(structuredClone(body));
		photo = { ...photo, ...(structuredClone(body) as Partial<Photograph>) };
		photo.version = body.version + 1;
		return stored(photo);
	});
	answer('GET', () => stored([photo]));
	/** Something is changed elsewhere. */
	const change = (part: Partial<Photograph>) =>
		(photo = { ...photo, ...part, version: photo.version + 1 });
	return { seen, put, change };
}

describe('marks on a photograph', () => {
	let desk: Desk;

	beforeEach(() => {
		vi.useFakeTimers();
		desk = new Desk();
		photographs++;
	});

	afterEach(() => void vi.useRealTimers());

	test('start inside the photograph, not yet placed', () => {
		const marks = new PhotoMarks(fresh(), desk);
		expect(marks.placed).toBe(false);
		expect(marks.corners).toHaveLength(4);
		expect(marks.corners.every((c) => c.x > 0 && c.x < 1000 && c.y > 0 && c.y < 600)).toBe(true);
		expect(marks.kept).toBe(true);
	});

	test('stay on the photograph, however far they are pulled', () => {
		const marks = new PhotoMarks(fresh(), desk);
		marks.moveTo(-50, 9000);
		expect(marks.focus).toEqual({ x: 0, y: 600 });
		marks.addGrey();
		marks.moveTo(2000, -10);
		const grey = marks.grey;
		expect(grey && grey.x + grey.width).toBeCloseTo(1000);
		expect(grey?.y).toBe(0);
	});

	test('are taken in turn: corners, known points, the card, and again', () => {
		const marks = new PhotoMarks(fresh(), desk);
		marks.addKnown(6400, 2600);
		marks.addGrey();
		marks.chosen = { kind: 'corner', index: 0 };
		const order = Array.from({ length: 6 }, () => {
			marks.next();
			return marks.chosen.kind === 'grey' ? 'grey' : `${marks.chosen.kind} ${marks.chosen.index}`;
		});
		expect(order).toEqual(['corner 1', 'corner 2', 'corner 3', 'known 0', 'grey', 'corner 0']);
	});

	test('are stored once, a moment after the last nudge', async () => {
		const { seen } = server();
		const marks = new PhotoMarks(fresh({ corners: { points: square } }), desk);
		for (let i = 0; i < 5; i++) marks.nudge(1, 0);
		expect(marks.kept).toBe(false);
		await vi.advanceTimersByTimeAsync(SAVED_AFTER - 1);
		expect(seen).toHaveLength(0);
		await vi.advanceTimersByTimeAsync(1);
		expect(seen).toHaveLength(1);
		expect(seen[0]?.corners).toEqual({ points: [{ x: 105, y: 100 }, ...square.slice(1)] });
		expect(marks.kept).toBe(true);
	});

	test('a move during a save is stored after it, on the version that it left', async () => {
		const { seen, put } = server();
		const marks = new PhotoMarks(fresh({ corners: { points: square } }), desk);
		marks.nudge(1, 0);
		const first = marks.save();
		await Promise.resolve();
		expect(put).toHaveBeenCalledOnce();
		marks.nudge(1, 0);
		const second = marks.save();
		marks.nudge(1, 0);
		const third = marks.save();
		await Promise.all([first, second, third]);
		expect(seen.map((s) => s.version)).toEqual([1, 2]);
		expect(seen.at(-1)?.corners).toEqual({ points: [{ x: 103, y: 100 }, ...square.slice(1)] });
		expect(marks.refused).toBe('');
		expect(marks.kept).toBe(true);
	});

	test('what is refused stays on screen with the reason, and the next try can mend it', async () => {
		const { put, seen } = server();
		put.mockResolvedValueOnce(
			refused(422, 'Corners (as marked) do not make a side: three lie in a line.')
		);
		const marks = new PhotoMarks(fresh(), desk);
		moveAll(marks);
		marks.moveTo(10, 10);
		await marks.save();
		expect(marks.refused).toContain('three lie in a line');
		expect(marks.placed).toBe(false);
		expect(marks.focus).toEqual({ x: 10, y: 10 });
		marks.moveTo(100, 100);
		await marks.save();
		expect(marks.refused).toBe('');
		expect(marks.placed).toBe(true);
		expect(seen).toHaveLength(1);
	});

	test('undo puts back what was stored before', async () => {
		const { seen } = server();
		const marks = new PhotoMarks(fresh({ corners: { points: square } }), desk);
		marks.moveTo(300, 300);
		await marks.save();
		await desk.undo();
		expect(marks.corners[0]).toEqual({ x: 100, y: 100 });
		expect(seen.map((s) => s.version)).toEqual([1, 2]);
	});

	test('undo goes on top of what was changed since', async () => {
		const { seen, change } = server();
		const marks = new PhotoMarks(fresh(), desk);
		moveAll(marks);
		await marks.save();
		change({ caption: 'evening' });
		await desk.undo();
		expect(seen.map((s) => s.version)).toEqual([1, 3]);
	});

	test('a caption that is changed meanwhile does not stand in the way', async () => {
		const { seen, change } = server();
		const marks = new PhotoMarks(fresh(), desk);
		moveAll(marks);
		marks.seen(change({ caption: 'evening' }));
		await marks.save();
		expect(marks.refused).toBe('');
		expect(seen.map((s) => s.version)).toEqual([2]);
	});

	test('marks that are changed elsewhere are shown', () => {
		const { change } = server();
		const marks = new PhotoMarks(fresh(), desk);
		marks.seen(change({ corners: { points: square } }));
		expect(marks.placed).toBe(true);
		expect(marks.corners).toEqual(square);
		marks.seen(fresh());
		expect(marks.corners).toEqual(square);
	});

	test('what is not stored yet is not overwritten: the save says that it is out of date', async () => {
		const { seen, change } = server();
		const marks = new PhotoMarks(fresh(), desk);
		moveAll(marks);
		marks.moveTo(300, 300);
		const elsewhere = change({ corners: { points: square } });
		marks.seen(elsewhere);
		expect(marks.focus).toEqual({ x: 300, y: 300 });
		await marks.save();
		expect(marks.refused).toContain('changed in another tab');
		expect(seen).toHaveLength(0);
		marks.seen(elsewhere);
		expect(marks.corners).toEqual(square);
	});

	test('the grey card grows about its middle and keeps its lightness', () => {
		const marks = new PhotoMarks(fresh(), desk);
		marks.addGrey();
		marks.setLightness(60);
		const before = marks.focus;
		marks.resizeGrey(2);
		expect(marks.focus.x).toBeCloseTo(before.x);
		expect(marks.focus.y).toBeCloseTo(before.y);
		expect(marks.grey).toMatchObject({ width: 80, height: 80, lightness: 60 });
		marks.dropGrey();
		expect(marks.grey).toBeNull();
		expect(marks.chosen).toEqual({ kind: 'corner', index: 0 });
	});

	test('a straight line has three places that are nudged one by one', async () => {
		const { seen } = server();
		const marks = new PhotoMarks(fresh({ corners: { points: square } }), desk);
		marks.addLine();
		expect(marks.lines[0]).toHaveLength(3);
		marks.chosen = { kind: 'line', line: 0, index: 1 };
		marks.nudge(0, -5);
		await marks.save();
		const stored = (seen[0] as unknown as { straightLines: { lines: { y: number }[][] } })
			.straightLines.lines[0];
		expect((stored?.[0]?.y ?? 0) - (stored?.[1]?.y ?? 0)).toBeCloseTo(5);
		marks.dropLine(0);
		await marks.save();
		expect((seen.at(-1) as unknown as { straightLines: unknown }).straightLines).toBeNull();
	});

	test('a curved side has marks on its two end circles instead of corners', async () => {
		const { seen } = server();
		const marks = new PhotoMarks(fresh(), desk, true);
		expect(marks.shell.map((m) => m.degrees)).toEqual([20, 20, 90, 90, 160, 160]);
		moveAll(marks);
		marks.moveTo(111, 222);
		marks.next();
		expect(marks.chosen).toEqual({ kind: 'arc', index: 1 });
		await marks.save();
		expect(seen[0]?.corners).toBeNull();
		expect(
			(seen[0] as unknown as { shellMarks: { marks: unknown[] } }).shellMarks.marks[0]
		).toMatchObject({ photo: { x: 111, y: 222 }, leftEnd: true });
		expect(marks.placed).toBe(true);
	});

	test('corners are not stored before each of them was moved, whatever else is', async () => {
		const { seen } = server();
		const marks = new PhotoMarks(fresh(), desk);
		expect(marks.toPlace).toBe(4);
		expect(marks.halfPlaced).toBe(false);
		marks.moveTo(90, 90);
		await marks.save();
		expect(seen).toHaveLength(0);
		marks.addGrey();
		await marks.save();
		expect(seen).toMatchObject([{ corners: null, greyPatch: { lightness: 50 } }]);
		expect(marks.placed).toBe(false);
		expect(marks.toPlace).toBe(3);
		expect(marks.halfPlaced).toBe(true);
		for (const index of [1, 2, 3]) {
			marks.chosen = { kind: 'corner', index };
			marks.nudge(1, 1);
		}
		await marks.save();
		expect(seen.at(-1)?.corners).toMatchObject({ points: [{ x: 90, y: 90 }, {}, {}, {}] });
		expect(marks.placed).toBe(true);
		expect(marks.toPlace).toBe(0);
	});

	test('corners that lie right where they begin are kept when that is said', async () => {
		const { seen } = server();
		const marks = new PhotoMarks(fresh(), desk);
		await marks.keepPlaces();
		expect(seen[0]?.corners).toMatchObject({ points: [{ x: 150, y: 120 }, {}, {}, {}] });
		expect(marks.placed).toBe(true);
	});

	test('half placed corners are there again after another photograph, and go with undo', async () => {
		const { seen } = server();
		const marks = new PhotoMarks(fresh(), desk);
		marks.moveTo(90, 80);
		const again = new PhotoMarks(fresh(), desk);
		expect(again.corners[0]).toEqual({ x: 90, y: 80 });
		expect(again.toPlace).toBe(3);
		moveAll(again);
		await again.save();
		expect(seen).toHaveLength(1);
		await desk.undo();
		expect(again.corners[0]).toEqual({ x: 150, y: 120 });
		expect(again.placed).toBe(false);
		expect(new PhotoMarks(fresh(), desk).halfPlaced).toBe(false);
	});

	test('a proposal is kept when one of its corners is moved, and goes when it is left', async () => {
		const { seen } = server();
		const kept = fresh({ corners: { points: square } });
		const marks = new PhotoMarks(kept, desk);
		const proposal = square.map((c) => ({ x: c.x + 9, y: c.y }));
		marks.take(proposal);
		marks.addGrey();
		await marks.save();
		expect(seen[0]?.corners).toEqual({ points: square });
		expect(marks.placed).toBe(false);
		marks.leave();
		expect(marks.corners).toEqual(square);
		expect(marks.placed).toBe(true);
		marks.take(proposal);
		marks.chosen = { kind: 'corner', index: 2 };
		marks.nudge(1, 0);
		await marks.save();
		expect(seen.at(-1)?.corners).toMatchObject({ points: [{ x: 109 }, {}, { x: 910 }, {}] });
		expect(marks.placed).toBe(true);
	});

	test('corners that were kept go when not all are in the picture, and come back with them', async () => {
		const { seen } = server();
		const marks = new PhotoMarks(fresh({ corners: { points: square } }), desk);
		marks.bePart(true);
		await marks.save();
		expect(seen.at(-1)?.corners).toBeNull();
		marks.bePart(false);
		expect(marks.placed).toBe(false);
		await marks.keepPlaces();
		expect(seen.at(-1)?.corners).toEqual({ points: square });
	});

	test('proposed corners are taken to be looked at, and stored only when they are right', () => {
		const { seen } = server();
		const marks = new PhotoMarks(fresh(), desk);
		marks.take([{ x: -5, y: 10 }, ...square.slice(1)]);
		expect(marks.corners[0]).toEqual({ x: 0, y: 10 });
		expect(marks.placed).toBe(false);
		expect(seen).toHaveLength(0);
	});

	test('a known point says where it lies on the side', () => {
		const marks = new PhotoMarks(fresh(), desk);
		marks.addKnown(6400, 2600);
		marks.setKnown(0, { xMm: 1200 });
		marks.moveTo(400, 200);
		expect(marks.known).toEqual([{ xPx: 400, yPx: 200, xMm: 1200, yMm: 1300 }]);
		marks.dropKnown(0);
		expect(marks.known).toEqual([]);
	});

	test('without all corners places and lines are kept in their stead', async () => {
		const { seen } = server();
		const marks = new PhotoMarks(fresh(), desk);
		marks.bePart(true);
		expect(marks.all).toEqual([]);
		const corners = marks.corners.map((c) => ({ ...c }));
		marks.nudge(9, 9);
		expect(marks.corners).toEqual(corners);
		expect(marks.kept).toBe(true);
		marks.addLevel('UPRIGHT');
		marks.moveTo(300, 100);
		marks.setLevelLength(0, 2400);
		marks.addKnown(6400, 2600);
		await marks.save();
		const kept = seen.at(-1) as unknown as Record<string, unknown>;
		expect(kept.corners).toBeNull();
		expect(kept.knownLines).toMatchObject({
			lines: [{ fromX: 300, fromY: 100, along: 'UPRIGHT', lengthMm: 2400 }]
		});
		expect(marks.all.map((m) => m.chosen.kind)).toEqual(['known', 'level', 'level']);
		marks.next();
		expect(marks.chosen).toEqual({ kind: 'level', line: 0, index: 0 });
		// back to corners: the lines stay for another time
		marks.bePart(false);
		expect(marks.all.filter((m) => m.chosen.kind === 'corner')).toHaveLength(4);
	});

	test('a photograph that was marked in part is shown so, and a patch says what it is', () => {
		const marks = new PhotoMarks(
			fresh({
				knownPoints: { points: [{ xPx: 1, yPx: 2, xMm: 3, yMm: 4 }] },
				greyPatch: { x: 1, y: 1, width: 9, height: 9, lightness: 88, a: 0, b: 3, by: 'LETTERING' }
			}),
			desk
		);
		expect(marks.inPart).toBe(true);
		expect(marks.chosen).toEqual({ kind: 'known', index: 0 });
		expect(marks.reference).toBe('LETTERING');
		marks.setReference('CARD');
		expect(marks.grey).toMatchObject({ lightness: 50, by: null });
	});
});
