import { beforeEach, describe, expect, test, vi } from 'vitest';
import { SideMarking } from './side-marking.svelte';
import type { Region, Sample, StudyDesk } from './study-desk.svelte';

/** A desk that keeps what it is told. */
class Kept {
	regions: Region[] = [];
	samples: Sample[] = [];
	chosen: string | undefined;
	said: string[] = [];
	changes: [string, Partial<Region>, string | undefined][] = [];

	get chosenRegion() {
		return this.regions.find((r) => r.id === this.chosen);
	}
	addRegion = vi.fn((part: Omit<Region, 'id' | 'factory' | 'name'>) => {
		const id = `r${this.regions.length + 1}`;
		this.regions.push({ ...part, id, name: id, factory: false });
		return Promise.resolve();
	});
	addSample = vi.fn((part: Omit<Sample, 'id'>) => {
		this.samples.push({ ...part, id: `s${this.samples.length + 1}` });
		return Promise.resolve(true);
	});
	changeSample = vi.fn((id: string, part: Partial<Sample>, label: string) => {
		this.said.push(label);
		this.samples = this.samples.map((s) => (s.id === id ? { ...s, ...part } : s));
		return Promise.resolve(true);
	});
	changeRegion = vi.fn((id: string, part: Partial<Region>, label?: string) => {
		this.changes.push([id, part, label]);
		this.regions = this.regions.map((r) => (r.id === id ? { ...r, ...part } : r));
		return Promise.resolve(true);
	});
}

describe('marking on the flat side', () => {
	let desk: Kept;
	let marking: SideMarking;
	let shown = { x: 0, y: 0, width: 4000, height: 1600 };

	beforeEach(() => {
		shown = { x: 0, y: 0, width: 4000, height: 1600 };
		desk = new Kept();
		marking = new SideMarking(desk as unknown as StudyDesk, () => ({
			photoId: 'photo',
			side: 'LEFT',
			lengthMm: 4000,
			heightMm: 1600,
			shown,
			unit: 5
		}));
	});

	const pull = (x0: number, y0: number, x1: number, y1: number) => {
		marking.press({ x: x0, y: y0 });
		marking.drag({ x: x1, y: y1 });
		marking.release();
	};

	test('a drag in any direction marks the box between its ends', () => {
		pull(900, 700, 500, 300);
		expect(desk.regions).toMatchObject([
			{ xMm: 500, yMm: 300, widthMm: 400, heightMm: 400, role: 'MEASURE', outline: [] }
		]);
		expect(marking.draft).toBeUndefined();
	});

	test('a touch that hardly moves marks nothing', () => {
		pull(500, 300, 540, 320);
		marking.verb = 'EDGE';
		pull(500, 300, 540, 300);
		marking.verb = 'SAMPLE';
		pull(500, 300, 510, 330);
		expect(desk.addRegion).not.toHaveBeenCalled();
		expect(desk.addSample).not.toHaveBeenCalled();
	});

	const touch = (x: number, y: number) => pull(x, y, x + 2, y + 2);

	test('a touch in a region chooses it, a drag in it draws', () => {
		pull(500, 300, 900, 700);
		touch(600, 400);
		expect(desk.chosen).toBe('r1');
		marking.verb = 'EXCLUDE';
		pull(600, 400, 800, 500);
		expect(desk.regions.map((r) => r.role)).toEqual(['MEASURE', 'EXCLUDE']);
	});

	test('where two regions lie over each other the upper one is chosen', () => {
		pull(500, 300, 900, 700);
		pull(600, 400, 800, 600);
		touch(700, 500);
		expect(desk.chosen).toBe('r2');
		touch(520, 320);
		expect(desk.chosen).toBe('r1');
		touch(3000, 1200);
		expect(desk.chosen).toBe('r1');
	});

	test('a region of another side is not chosen', () => {
		pull(500, 300, 900, 700);
		desk.regions = desk.regions.map((r) => ({ ...r, side: 'ROOF' }));
		touch(600, 400);
		expect(desk.chosen).toBeUndefined();
	});

	test('an edge is chosen from near it', () => {
		marking.verb = 'EDGE';
		pull(500, 300, 900, 300);
		touch(700, 325);
		expect(desk.chosen).toBe('r1');
	});

	test('an edge keeps its ends in the order of the drag', () => {
		marking.verb = 'EDGE';
		pull(900, 700, 500, 700);
		expect(desk.regions[0]).toMatchObject({
			role: 'EDGE',
			xMm: 500,
			yMm: 700,
			widthMm: 400,
			heightMm: 1,
			outline: [
				{ x: 900, y: 700 },
				{ x: 500, y: 700 }
			]
		});
	});

	test('a sample is of the class that was said, also over a region', () => {
		pull(500, 300, 900, 700);
		marking.verb = 'SAMPLE';
		marking.kind = 'SOOT';
		pull(600, 400, 640, 440);
		expect(desk.samples).toMatchObject([
			{ photographId: 'photo', kind: 'SOOT', xMm: 600, yMm: 400, widthMm: 40, heightMm: 40 }
		]);
	});

	test('corners go round what is no box, and the first one closes it', () => {
		marking.verb = 'CUT';
		marking.cornered = true;
		for (const [x, y] of [
			[100, 100],
			[600, 140],
			[420, 500]
		] as const) {
			expect(marking.press({ x, y })).toBe(false);
		}
		expect(marking.corners).toHaveLength(3);
		marking.press({ x: 130, y: 120 });
		expect(desk.regions[0]).toMatchObject({
			role: 'CUT',
			xMm: 100,
			yMm: 100,
			widthMm: 500,
			heightMm: 400
		});
		expect(desk.regions[0]?.outline).toHaveLength(3);
		expect(marking.corners).toEqual([]);
	});

	test('two corners are no outline, and a corner can be taken back', () => {
		marking.cornered = true;
		marking.press({ x: 100, y: 100 });
		marking.press({ x: 600, y: 100 });
		marking.close();
		expect(desk.regions).toEqual([]);
		expect(marking.back()).toBe(true);
		expect(marking.corners).toEqual([{ x: 100, y: 100 }]);
		expect(marking.back()).toBe(true);
		expect(marking.back()).toBe(false);
	});

	test('another verb leaves an unfinished outline, and edges have none', () => {
		marking.cornered = true;
		marking.press({ x: 100, y: 100 });
		marking.verb = 'EDGE';
		expect(marking.corners).toEqual([]);
		expect(marking.cornered).toBe(false);
		marking.verb = 'EXCLUDE';
		expect(marking.cornered).toBe(true);
	});

	test('an outline has no more corners than can be kept', () => {
		marking.cornered = true;
		for (let i = 0; i < 70; i++) marking.press({ x: 2000 + i * 10, y: 100 + i * 20 });
		expect(marking.corners).toHaveLength(60);
	});

	test('keys mark in the middle of what is shown', () => {
		shown = { x: 1000, y: 400, width: 1000, height: 400 };
		marking.mark();
		expect(desk.regions[0]).toMatchObject({ xMm: 1450, yMm: 560, widthMm: 100, heightMm: 60 });
		marking.verb = 'EDGE';
		marking.mark();
		expect(desk.regions[1]?.outline).toHaveLength(2);
	});

	test('the chosen region is moved and sized, never over the border', () => {
		pull(500, 300, 900, 700);
		expect(marking.steer(20, 0, false)).toBe(false);
		desk.chosen = 'r1';
		marking.steer(-9000, 20, false);
		expect(desk.regions[0]).toMatchObject({ xMm: 0, yMm: 320 });
		marking.steer(9000, -9000, true);
		expect(desk.regions[0]).toMatchObject({ widthMm: 4000, heightMm: 20 });
		expect(desk.changes.map((c) => c[2])).toEqual(['Region moved', 'Region sized']);
	});

	test('while classes are shown the keys move the sample that was picked last', () => {
		pull(500, 300, 900, 700);
		desk.chosen = 'r1';
		marking.verb = 'SAMPLE';
		expect(marking.steer(20, 0, false)).toBe(false);
		marking.mark();
		shown = { x: 1000, y: 400, width: 1000, height: 400 };
		marking.mark();
		marking.steer(-20, 100, false);
		marking.steer(-9000, 20, true);
		expect(desk.samples[1]).toMatchObject({ xMm: 1430, yMm: 660, widthMm: 20, heightMm: 80 });
		expect(desk.samples[0]).toMatchObject({ xMm: 1800, yMm: 640 });
		expect(desk.said).toEqual(['Sample moved', 'Sample sized']);
		expect(desk.changes).toEqual([]);
	});

	test('a sample on another photograph stays where it is', () => {
		desk.samples = [
			{ id: 's0', photographId: 'other', kind: 'DUST', xMm: 1, yMm: 2, widthMm: 30, heightMm: 40 }
		];
		marking.verb = 'SAMPLE';
		expect(marking.steer(20, 0, false)).toBe(false);
	});

	test('an edge moves with both ends, and is turned and sized by its second', () => {
		marking.verb = 'EDGE';
		pull(500, 300, 900, 300);
		desk.chosen = 'r1';
		marking.steer(100, 50, false);
		marking.steer(100, 120, true);
		expect(desk.regions[0]).toMatchObject({ xMm: 600, yMm: 350, widthMm: 500, heightMm: 120 });
		expect(desk.regions[0]?.outline).toEqual([
			{ x: 600, y: 350 },
			{ x: 1100, y: 470 }
		]);
		expect(desk.changes.map((c) => c[2])).toEqual(['Region moved', 'Edge turned']);
	});

	test('an edge is never sized to nothing, nor beyond the side', () => {
		marking.verb = 'EDGE';
		pull(500, 300, 900, 300);
		desk.chosen = 'r1';
		expect(marking.steer(-400, 0, true)).toBe(true);
		expect(desk.changes).toEqual([]);
		marking.steer(9000, -9000, true);
		expect(desk.regions[0]?.outline[1]).toEqual({ x: 4000, y: 0 });
	});

	describe('corner by corner with the keys', () => {
		beforeEach(() => (marking.cornered = true));

		test('the arrows aim from the middle of what is shown, m sets a corner there', () => {
			expect(marking.aim).toBeUndefined();
			marking.mark();
			expect(marking.corners).toEqual([{ x: 2000, y: 800 }]);
			marking.steer(200, 0, false);
			marking.mark();
			marking.steer(0, 300, false);
			marking.mark();
			marking.close();
			expect(desk.regions).toMatchObject([
				{ xMm: 2000, yMm: 800, widthMm: 200, heightMm: 300, role: 'MEASURE' }
			]);
			expect(desk.regions[0]?.outline).toHaveLength(3);
		});

		test('the chosen region stays where it is meanwhile', () => {
			marking.cornered = false;
			pull(500, 300, 900, 700);
			desk.chosen = 'r1';
			marking.cornered = true;
			expect(marking.steer(20, 0, false)).toBe(true);
			expect(desk.changes).toEqual([]);
		});

		test('the aim stays on the side, and is gone with the next thing to mark', () => {
			marking.steer(9000, -9000, false);
			expect(marking.aim).toEqual({ x: 4000, y: 0 });
			marking.verb = 'EDGE';
			expect(marking.aim).toBeUndefined();
			marking.verb = 'MEASURE';
			expect(marking.aim).toBeUndefined();
		});

		test('a corner set on the first closes the outline', () => {
			marking.mark();
			marking.steer(200, 0, false);
			marking.mark();
			marking.steer(0, 300, false);
			marking.mark();
			marking.steer(-200, -300, false);
			marking.mark();
			expect(desk.regions[0]?.outline).toHaveLength(3);
			expect(marking.corners).toEqual([]);
		});
	});

	test('a closed outline moves with all its corners, and is not sized', () => {
		marking.cornered = true;
		marking.mark();
		marking.steer(200, 0, false);
		marking.mark();
		marking.steer(0, 300, false);
		marking.mark();
		marking.close();
		marking.cornered = false;
		desk.chosen = 'r1';
		expect(marking.steer(100, 0, true)).toBe(false);
		marking.steer(100, 50, false);
		expect(desk.regions[0]?.outline).toEqual([
			{ x: 2100, y: 850 },
			{ x: 2300, y: 850 },
			{ x: 2300, y: 1150 }
		]);
	});
});
