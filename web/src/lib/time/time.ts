/** Times as people say them at the bench. All functions take the moment that counts as now. */

const DAY = 86_400_000;

const clock = (d: Date) =>
	d.toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit', hourCycle: 'h23' });

function startOfDay(d: Date): number {
	return new Date(d.getFullYear(), d.getMonth(), d.getDate()).getTime();
}

/** "today 19:00", "tomorrow 10:30", "Sat 12:00", "12 Dec 19:00". */
export function when(iso: string, now: number): string {
	const d = new Date(iso);
	const days = Math.round((startOfDay(d) - startOfDay(new Date(now))) / DAY);
	if (days === 0) return `today ${clock(d)}`;
	if (days === 1) return `tomorrow ${clock(d)}`;
	if (days === -1) return `yesterday ${clock(d)}`;
	if (days > 1 && days < 7) {
		return `${d.toLocaleDateString('en-GB', { weekday: 'short' })} ${clock(d)}`;
	}
	return `${d.toLocaleDateString('en-GB', { day: 'numeric', month: 'short' })} ${clock(d)}`;
}

/** "Sat 12 Dec". */
export function day(iso: string): string {
	return new Date(iso).toLocaleDateString('en-GB', {
		weekday: 'short',
		day: 'numeric',
		month: 'short'
	});
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
	return local ? new Date(local).toISOString() : null;
}
