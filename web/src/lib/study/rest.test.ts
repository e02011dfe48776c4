import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { Rest } from './rest.svelte';

beforeEach(() => void vi.useFakeTimers());
afterEach(() => void vi.useRealTimers());

test('a hand rests a moment after its last move was stored', () => {
	const hand = new Rest();
	expect(hand.resting).toBe(true);
	hand.at(true);
	expect(hand.resting).toBe(false);
	hand.at(false);
	vi.advanceTimersByTime(1000);
	hand.at(true);
	hand.at(false);
	vi.advanceTimersByTime(1499);
	expect(hand.resting).toBe(false);
	vi.advanceTimersByTime(1);
	expect(hand.resting).toBe(true);
});

test('who has not moved anything rests at once', () => {
	const hand = new Rest();
	hand.at(false);
	expect(hand.resting).toBe(true);
});
