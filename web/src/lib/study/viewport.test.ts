import { describe, expect, test } from 'vitest';
import { Viewport } from './viewport.svelte';

const fresh = () =>
	new Viewport(
		() => 1000,
		() => 400
	);

describe('what is shown of a picture', () => {
	test('is all of it at first', () => {
		expect(fresh().attribute).toBe('0 0 1000 400');
	});

	test('zooms about the place under the pointer', () => {
		const v = fresh();
		v.by(2, 0.25, 0.5);
		const b = v.box;
		expect(b.width).toBe(500);
		// the place at a quarter of the width was at 250 and is still at a quarter
		expect(b.x + 0.25 * b.width).toBeCloseTo(250);
		expect(b.y + 0.5 * b.height).toBeCloseTo(200);
	});

	test('never shows what lies beyond the border', () => {
		const v = fresh();
		v.by(4, 0, 0);
		v.move(-3, -3);
		expect(v.box).toMatchObject({ x: 0, y: 0 });
		v.move(99, 99);
		expect(v.box).toMatchObject({ x: 750, y: 300 });
		v.by(0.001);
		expect(v.attribute).toBe('0 0 1000 400');
	});

	test('comes along when a mark is nudged out of sight', () => {
		const v = fresh();
		v.by(4, 0, 0);
		v.show(900, 390);
		const b = v.box;
		expect(b.x + b.width).toBeGreaterThanOrEqual(900);
		expect(b.y + b.height).toBeGreaterThanOrEqual(390);
	});

	test('stops zooming where pixels are as large as thumbs', () => {
		const v = fresh();
		for (let i = 0; i < 50; i++) v.by(1.5);
		expect(v.zoom).toBe(16);
		v.whole();
		expect(v.zoom).toBe(1);
	});

	const on = {
		getBoundingClientRect: () => ({ left: 100, top: 50, width: 500, height: 200 }),
		setPointerCapture: () => {}
	};
	const pointer = (x: number, y: number) =>
		({ clientX: x, clientY: y, pointerId: 1, currentTarget: on }) as unknown as PointerEvent;

	test('is moved by a pointer that holds it, once it is zoomed', () => {
		const v = fresh();
		expect(v.grab(pointer(200, 100))).toBe(false);
		v.by(2, 0, 0);
		expect(v.grab(pointer(300, 100))).toBe(true);
		expect(v.pan(pointer(200, 100))).toBe(true);
		// a fifth of what is shown, which is half of the picture
		expect(v.box.x).toBeCloseTo(100);
		v.letGo();
		expect(v.pan(pointer(100, 100))).toBe(false);
		expect(v.box.x).toBeCloseTo(100);
	});

	test('the wheel zooms about the pointer, and scrolls the page while all is shown', () => {
		const v = fresh();
		let kept = 0;
		const wheel = (deltaY: number) =>
			v.wheel({
				...pointer(100, 50),
				deltaY,
				ctrlKey: false,
				clientX: 100,
				clientY: 50,
				currentTarget: on,
				preventDefault: () => kept++
			} as unknown as WheelEvent);
		wheel(1);
		expect([v.zoom, kept]).toEqual([1, 0]);
		wheel(-1);
		expect(v.zoom).toBeCloseTo(1.25);
		expect(v.box).toMatchObject({ x: 0, y: 0 });
		wheel(1);
		expect([v.zoom, kept]).toEqual([1, 2]);
	});

	test('a part is shown whole, as large as it can be, and not beyond the border', () => {
		const view = new Viewport(
			() => 6400,
			() => 2600
		);
		view.fit({ x: 2000, y: 100, width: 1600, height: 1000 });
		expect(view.zoom).toBeCloseTo(2.6);
		const b = view.box;
		expect(b.y).toBeCloseTo(100);
		expect(b.x + b.width / 2).toBeCloseTo(2800);
		view.fit({ x: 0, y: 0, width: 100, height: 100 });
		expect(view.zoom).toBe(16);
		expect(view.box.x).toBe(0);
	});
});
