import { expect, test } from 'vitest';
import { windowAt } from './window';

const OPENS = '2026-11-25T14:10:00Z';
const CLOSES = '2026-11-25T14:50:00Z';
const at = (minutes: number) =>
	windowAt(OPENS, CLOSES, Date.parse('2026-11-25T14:00:00Z') + minutes * 60_000);

test('a window waits, is open, closes in its last quarter, and is closed', () => {
	expect(at(0)).toEqual({ phase: 'WAITING', left: 600_000 });
	expect(at(10)).toEqual({ phase: 'OPEN', left: 2_400_000 });
	expect(at(39).phase).toBe('OPEN');
	expect(at(40).phase).toBe('CLOSING');
	expect(at(41)).toEqual({ phase: 'CLOSING', left: 540_000 });
	expect(at(50)).toEqual({ phase: 'CLOSED', left: 0 });
	expect(at(55)).toEqual({ phase: 'CLOSED', left: 300_000 });
});
