import { getLocalTimeZone } from '@internationalized/date';

const JITTER_MS = 300;

/** Hours of a day as they are counted: through, or twice to twelve with am and pm. */
export type Hours = 24 | 12;

function keptHours(): Hours {
	try {
		return localStorage.getItem('hours') === '12' ? 12 : 24;
	} catch {
		return 24;
	}
}

/** Whether this browser knows a time zone of that name. */
function isZone(name: string): boolean {
	try {
		new Intl.DateTimeFormat('en-GB', { timeZone: name });
		return true;
	} catch {
		return false;
	}
}

/**
 * The clock on the wall of the workshop as this page knows it. Each answer carries its moment and its
 * time zone; between answers this device counts on. A telephone that is minutes off would else close
 * windows too early or too late, and one that thinks itself elsewhere would say the wrong hour.
 */
class BenchClock {
	/** How far the server is ahead of this device, in milliseconds. */
	ahead = $state(0);
	/** The time zone of the workshop, by its IANA name; that of this device until an answer was heard. */
	zone = $state(getLocalTimeZone());

	/** How this device counts the hours of a day, in what it shows and in what is typed. */
	hours = $state<Hours>(keptHours());

	/**
	 * English with the day before the month, of a country that counts hours so. The fields take a time
	 * for one after noon only where that is written "PM".
	 */
	get locale(): string {
		return this.hours === 12 ? 'en-AE' : 'en-GB';
	}

	/** Counts the hours of a day otherwise, on this device. */
	setHours(hours: Hours): void {
		this.hours = hours;
		try {
			localStorage.setItem('hours', String(hours));
		} catch {
			// storage is blocked: the choice holds until the page closes
		}
	}

	/** Milliseconds since 1970 on the server's clock. */
	now(): number {
		return Date.now() + this.ahead;
	}

	/** Takes the moment of an answer, an ISO instant; without one, or for its way through the wire, nothing changes. */
	hear(iso: string | null): void {
		const heard = iso === null ? NaN : Date.parse(iso);
		if (!Number.isFinite(heard)) return;
		const ahead = heard - Date.now();
		if (Math.abs(ahead - this.ahead) > JITTER_MS) this.ahead = ahead;
	}

	/** Takes the time zone of an answer; one that this browser does not know changes nothing. */
	hearZone(name: string | null): void {
		if (name !== null && name !== this.zone && isZone(name)) this.zone = name;
	}

	/** Whether this device shows other times than the wall of the workshop. */
	get elsewhere(): boolean {
		return this.zone !== getLocalTimeZone();
	}
}

export const benchClock = new BenchClock();
