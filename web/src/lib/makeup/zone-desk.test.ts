import { beforeEach, describe, expect, test, vi } from 'vitest';
import type { Schemas } from '$lib/api/client';
import { queryClient } from '$lib/api/queries';
import { answer, stored } from '$lib/api/stand-in';
import { Desk } from '$lib/ui/desk.svelte';
import { ZoneDesk } from './zone-desk.svelte';

type Sent = { zones: Schemas['ZoneDraft'][]; version: number };

const zone = (zoneKey: string, box = '') => ({
	zoneKey,
	name: zoneKey,
	lettering: false,
	areaShare: 0.4,
	face: 'SIDE',
	substrate: null,
	keptClean: false,
	box
});

describe('the zones of a job', () => {
	let zones: ReturnType<typeof zone>[];
	let sent: string[];
	let desk: Desk;
	let edit: ZoneDesk;

	const said = (d: Schemas['ZoneDraft']) =>
		`${d.zone.zoneKey}${d.from === null ? '' : `<${(d.from ?? []).join('+')}`}`;

	beforeEach(() => {
		zones = [zone('roof', '0 0 1 0.1'), zone('side', '0 0.1 1 0.6')];
		sent = [];
		desk = new Desk();
		const view = () => ({ job: { version: 3 }, zones }) as unknown as Schemas['JobView'];
		edit = new ZoneDesk('job', desk, view);
		vi.spyOn(queryClient, 'invalidateQueries').mockResolvedValue();
		answer('GET', () => stored({ ...view(), effects: [], steps: [], pins: [], version: 7 }));
		answer<Sent>('PUT', ({ body }) => {
			if (body.zones) sent.push(body.zones.map(said).join(' '));
			return stored({});
		});
	});

	test('a zone is added under a key of its own and named', async () => {
		expect(await edit.add('Stove pipe')).toBe('stove-pipe');
		expect(sent).toEqual(['roof side stove-pipe<']);
	});

	test('halves come of the whole, and the way back makes one of them again', async () => {
		await edit.split('side');
		expect(sent).toEqual(['roof side<side side-2<side']);
		await desk.undo();
		expect(sent[1]).toBe('roof<roof side<side+side-2');
	});

	test('two are merged under the name of the first', async () => {
		await edit.merge('roof', 'side');
		expect(sent).toEqual(['roof<roof+side']);
		await desk.undo();
		expect(sent[1]).toBe('roof<roof side<roof');
	});

	test('a zone is changed, or dropped', async () => {
		await edit.change('roof', { name: 'top' });
		await edit.drop('side');
		expect(sent).toEqual(['roof side', 'roof']);
	});
});
