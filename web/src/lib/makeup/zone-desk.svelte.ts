import { api, must, type Schemas } from '$lib/api/client';
import { refreshJob } from '$lib/api/queries';
import { makeupNow, studyNow } from '$lib/api/versions';
import { around, freshKey, halves } from '$lib/subject/zones';
import type { Desk } from '$lib/ui/desk.svelte';
import { contentOf, type Content } from './plan-desk.svelte';

export type Zone = Schemas['JobZone'];
type ZoneDraft = Schemas['ZoneDraft'];

const kept = (zone: Zone): ZoneDraft => ({ zone, from: null });

/** Edits of the zones. The way back puts zones, effects and steps back as they were. */
export class ZoneDesk {
	constructor(
		private readonly jobId: string,
		private readonly desk: Desk,
		private readonly view: () => Schemas['JobView'] | undefined
	) {}

	get zones(): Zone[] {
		return this.view()?.zones ?? [];
	}

	async #put(zones: ZoneDraft[]): Promise<void> {
		const path = { params: { path: { id: this.jobId } } };
		const { version } = (await must(api.GET('/api/jobs/{id}', path))).job;
		await must(api.PUT('/api/jobs/{id}/zones', { ...path, body: { zones, version } }));
	}

	#edit(label: string, next: () => ZoneDraft[]): Promise<boolean> {
		let before: Zone[] = [];
		let after: ZoneDraft[] = [];
		let effects: Schemas['JobEffect'][] = [];
		let plan: Content | undefined;
		const refresh = () => refreshJob(this.jobId);
		return this.desk.edit(
			label,
			async () => {
				before = this.zones;
				effects = (await studyNow(this.jobId)).effects;
				plan = contentOf(await makeupNow(this.jobId));
				after = next();
				await this.#put(after);
			},
			refresh,
			async () => {
				// each zone comes back out of what it became
				await this.#put(
					before.map((zone) => ({
						zone,
						from: after
							.filter((d) => (d.from ?? [d.zone.zoneKey]).includes(zone.zoneKey))
							.map((d) => d.zone.zoneKey)
					}))
				);
				const study = await studyNow(this.jobId);
				await must(
					api.PUT('/api/jobs/{jobId}/study/effects', {
						params: { path: { jobId: this.jobId } },
						body: { effects, version: study.version }
					})
				);
				const now = await makeupNow(this.jobId);
				if (plan) {
					await must(
						api.PUT('/api/jobs/{jobId}/makeup', {
							params: { path: { jobId: this.jobId } },
							body: { ...plan, version: now.version }
						})
					);
				}
				await refresh();
			}
		);
	}

	change(key: string, part: Partial<Zone>): Promise<boolean> {
		const name = this.zones.find((z) => z.zoneKey === key)?.name ?? 'Zone';
		return this.#edit(`${name} changed`, () =>
			this.zones.map((z) => kept(z.zoneKey === key ? { ...z, ...part } : z))
		);
	}

	/** Adds a zone; answers its key when it is there. */
	async add(name: string): Promise<string | undefined> {
		const key = freshKey(
			name,
			this.zones.map((z) => z.zoneKey)
		);
		const zone: Zone = {
			zoneKey: key,
			name,
			lettering: false,
			areaShare: 0.05,
			face: 'SIDE',
			substrate: null,
			keptClean: false,
			box: ''
		};
		const done = await this.#edit(`${name} added`, () => [
			...this.zones.map(kept),
			{ zone, from: [] }
		]);
		return done ? key : undefined;
	}

	/** Two halves of a zone; what is wanted and done on it is on both. */
	split(key: string): Promise<boolean> {
		return this.#edit('Zone split', () =>
			this.zones.flatMap((z) => {
				if (z.zoneKey !== key) return [kept(z)];
				const [a, b] = halves(z.box ?? '');
				const taken = this.zones.map((o) => o.zoneKey);
				const areaShare = z.areaShare / 2;
				return [
					{ zone: { ...z, areaShare, box: a }, from: [key] },
					{
						zone: {
							...z,
							zoneKey: freshKey(z.name, taken),
							name: `${z.name}, second`.slice(0, 60),
							areaShare,
							box: b
						},
						from: [key]
					}
				];
			})
		);
	}

	/** One zone of two, under the name of the first. */
	merge(key: string, other: string): Promise<boolean> {
		return this.#edit('Zones merged', () => {
			const gone = this.zones.find((z) => z.zoneKey === other);
			return this.zones
				.filter((z) => z.zoneKey !== other)
				.map((z) =>
					z.zoneKey === key && gone
						? {
								zone: {
									...z,
									areaShare: z.areaShare + gone.areaShare,
									lettering: z.lettering || gone.lettering,
									box: around(z.box ?? '', gone.box ?? '')
								},
								from: [key, other]
							}
						: kept(z)
				);
		});
	}

	drop(key: string): Promise<boolean> {
		const name = this.zones.find((z) => z.zoneKey === key)?.name ?? 'Zone';
		return this.#edit(`${name} dropped`, () =>
			this.zones.filter((z) => z.zoneKey !== key).map(kept)
		);
	}
}
