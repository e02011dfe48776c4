/** Where a work window stands, between the answers of the bench, from second to second. */
export type Phase = 'WAITING' | 'OPEN' | 'CLOSING' | 'CLOSED';

/** The last part of a window, in which it closes. */
const CLOSING = 0.25;

/** Phase at a moment, and the milliseconds until it opens or closes, or since it closed. */
export function windowAt(
	opensAt: string,
	closesAt: string,
	now: number
): { phase: Phase; left: number } {
	const opens = new Date(opensAt).getTime();
	const closes = new Date(closesAt).getTime();
	if (now < opens) return { phase: 'WAITING', left: opens - now };
	if (now >= closes) return { phase: 'CLOSED', left: now - closes };
	const left = closes - now;
	return { phase: left <= CLOSING * (closes - opens) ? 'CLOSING' : 'OPEN', left };
}
