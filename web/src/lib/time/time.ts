import {
	fromAbsolute,
	parseDateTime,
	toCalendarDate,
	toTime,
	toZoned
} from '@internationalized/date';
import { benchClock } from './clock.svelte';

/**
 * Times as people say them at the bench: those of the clock on the workshop's wall, wherever the device
 * that shows them thinks it is. All functions take the moment that counts as now.
 */

const wall = (ms: number) => fromAbsolute(ms, benchClock.zone);

function written(iso: string | number, parts: Intl.DateTimeFormatOptions): string {
	return new Date(iso).toLocaleString('en-GB', { timeZone: benchClock.zone, ...parts });
}

const clock = (iso: string) =>
	benchClock.hours === 12
		? written(iso, { hour: 'numeric', minute: '2-digit', hourCycle: 'h12' }).toUpperCase()
		: written(iso, { hour: '2-digit', minute: '2-digit', hourCycle: 'h23' });

/** "today 19:00", "tomorrow 10:30", "Sat 12:00", "12 Dec 19:00"; in twelve hours "today 7:00 PM". */
export function when(iso: string, now: number): string {
	const days = toCalendarDate(wall(Date.parse(iso))).compare(toCalendarDate(wall(now)));
	if (days === 0) return `today ${clock(iso)}`;
	if (days === 1) return `tomorrow ${clock(iso)}`;
	if (days === -1) return `yesterday ${clock(iso)}`;
	if (days > 1 && days < 7) return `${written(iso, { weekday: 'short' })} ${clock(iso)}`;
	return `${date(iso)} ${clock(iso)}`;
}

/** "12 Dec". */
export function date(iso: string): string {
	return written(iso, { day: 'numeric', month: 'short' });
}

/** "Sat 12 Dec". */
export function day(iso: string): string {
	return written(iso, { weekday: 'short', day: 'numeric', month: 'short' });
}

/** The date on the wall's calendar, "2026-12-12". */
export function onWall(iso: string): string {
	return toCalendarDate(wall(Date.parse(iso))).toString();
}

/** The hour on the wall's clock, "19:00", whatever hours times are shown in. */
export function hourOnWall(iso: string): string {
	return toTime(wall(Date.parse(iso)))
		.toString()
		.slice(0, 5);
}

/** The day of the month, 1 to 31. */
export function dayOfMonth(ms: number): number {
	return wall(ms).day;
}

/** "12 December 2026 at 19:00". */
export function inFull(iso: string): string {
	return `${written(iso, { dateStyle: 'long' })} at ${clock(iso)}`;
}

/** "25 min", "3 h 10 min", "2 days 4 h". */
export function span(ms: number): string {
	const minutes = Math.max(0, Math.round(ms / 60_000));
	if (minutes < 60) return `${minutes} min`;
	if (minutes < 48 * 60) {
		const rest = minutes % 60;
		return `${Math.floor(minutes / 60)} h${rest ? ` ${rest} min` : ''}`;
	}
	const hours = Math.round(minutes / 60);
	return `${Math.floor(hours / 24)} days${hours % 24 ? ` ${hours % 24} h` : ''}`;
}

/** "in 25 min" or "40 min ago". */
export function away(iso: string, now: number): string {
	const ms = new Date(iso).getTime() - now;
	return ms >= 0 ? `in ${span(ms)}` : `${span(-ms)} ago`;
}

/** "12:07" for a countdown under an hour, "3:41:20" above. */
export function countdown(ms: number): string {
	const seconds = Math.max(0, Math.floor(ms / 1000));
	const two = (n: number) => String(n).padStart(2, '0');
	const h = Math.floor(seconds / 3600);
	const m = Math.floor((seconds % 3600) / 60);
	return h > 0 ? `${h}:${two(m)}:${two(seconds % 60)}` : `${two(m)}:${two(seconds % 60)}`;
}

/** What a date-and-time field holds as an instant, or null while it is empty. */
export function toIso(local: string): string | null {
	return local ? toZoned(parseDateTime(local), benchClock.zone).toAbsoluteString() : null;
}

/** The moment of now as a date-and-time field holds it. */
export const localNow = (): string => {
	const at = wall(benchClock.now());
	return at.toString().slice(0, 16);
};
