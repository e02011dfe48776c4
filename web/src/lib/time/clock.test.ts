import { afterEach, expect, test, vi } from 'vitest';
import { benchClock } from './clock.svelte';

afterEach(() => vi.useRealTimers());

test('a device that is hours off counts by the moment of the last answer', () => {
	vi.useFakeTimers({ now: Date.parse('2026-11-25T09:00:00Z') });
	benchClock.hear('2026-11-25T14:00:00.250Z');
	expect(benchClock.now()).toBe(Date.parse('2026-11-25T14:00:00.250Z'));
	vi.advanceTimersByTime(60_000);
	expect(benchClock.now()).toBe(Date.parse('2026-11-25T14:01:00.250Z'));
	benchClock.hear(null);
	benchClock.hear('soon');
	expect(benchClock.now()).toBe(Date.parse('2026-11-25T14:01:00.250Z'));
});
