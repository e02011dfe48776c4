import type { Schemas } from '$lib/api/client';

type Workshop = Schemas['Workshop'];
export type BenchTime = Schemas['BenchTime'];
export const DAYS = [
	'MONDAY',
	'TUESDAY',
	'WEDNESDAY',
	'THURSDAY',
	'FRIDAY',
	'SATURDAY',
	'SUNDAY'
] as const;

/** Settings of the workshop while they are changed. */
export class SettingsEntry {
	name = $state('');
	zoneId = $state('');
	celsius = $state(21);
	humidityPercent = $state(50);
	viewingMm = $state(600);
	times = $state<BenchTime[]>([]);
	readonly version: number;

	constructor(w: Workshop) {
		this.name = w.name;
		this.zoneId = w.zoneId;
		this.celsius = w.celsius;
		this.humidityPercent = Math.round(w.humidity * 1000) / 10;
		this.viewingMm = w.viewingMm;
		this.times = w.benchTime.map((t) => ({
			...t,
			fromTime: t.fromTime.slice(0, 5),
			untilTime: t.untilTime.slice(0, 5)
		}));
		this.version = w.version;
	}

	add(weekday: BenchTime['weekday']): void {
		this.times = [...this.times, { weekday, fromTime: '19:00', untilTime: '21:00' }];
	}

	drop(time: BenchTime): void {
		this.times = this.times.filter((t) => t !== time);
	}

	get workshop(): Workshop {
		return {
			name: this.name,
			zoneId: this.zoneId,
			celsius: this.celsius,
			humidity: this.humidityPercent / 100,
			viewingMm: this.viewingMm,
			benchTime: this.times,
			version: this.version
		};
	}
}
