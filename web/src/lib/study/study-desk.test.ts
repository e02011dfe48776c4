import { beforeEach, describe, expect, test, vi } from 'vitest';
import type { Schemas } from '$lib/api/client';
import { answer, refused, stored } from '$lib/api/stand-in';
import { refreshJob } from '$lib/api/queries';
import { Desk } from '$lib/ui/desk.svelte';
import { StudyDesk } from './study-desk.svelte';

vi.mock('$lib/api/queries', () => ({
	refreshJob: vi.fn(() => Promise.resolve()),
	keepStudy: vi.fn()
}));

describe('the study', () => {
	let study: Schemas['Study'];
	let desk: Desk;
	let notes: StudyDesk;

	beforeEach(() => {
		study = { version: 1, regions: [], effects: [], samples: [], factory: null };
		desk = new Desk();
		notes = new StudyDesk('job', desk, () => study);
		answer<Partial<Schemas['Study']>>('PUT', ({ body }) => {
			if (body.version !== study.version) {
				return refused(409, 'It was changed.');
			}
			study = { ...study, ...body, version: study.version + 1 };
			return stored(study);
		});
		answer('GET', () => stored(study));
	});

	const part = {
		zoneKey: null,
		side: 'LEFT' as const,
		role: 'MEASURE' as const,
		outline: [],
		xMm: 1,
		yMm: 2,
		widthMm: 300,
		heightMm: 200
	};

	test('a region that is marked is chosen and has the next number', async () => {
		await notes.addRegion(part);
		await notes.addRegion(part);
		expect(notes.regions.map((r) => r.name)).toEqual(['Region 1', 'Region 2']);
		expect(notes.chosenRegion?.name).toBe('Region 2');
	});

	test('a region that is marked is chosen before everything is measured anew', async () => {
		await notes.addRegion(part);
		const [first] = notes.regions;
		let measured: () => void = () => undefined;
		vi.mocked(refreshJob).mockReturnValueOnce(new Promise((done) => (measured = done)));
		const marked = notes.addRegion(part);
		await vi.waitFor(() => expect(notes.chosenRegion?.name).toBe('Region 2'));
		// chosen by hand meanwhile, it stays so
		notes.chosen = first?.id;
		measured();
		await marked;
		expect(notes.chosenRegion?.name).toBe('Region 1');
	});

	test('what is left out is counted apart from what is measured', async () => {
		await notes.addRegion(part);
		await notes.addRegion({ ...part, role: 'EXCLUDE' });
		await notes.addRegion({ ...part, role: 'EDGE' });
		await notes.addRegion(part);
		expect(notes.regions.map((r) => r.name)).toEqual([
			'Region 1',
			'Left out 1',
			'Edge 1',
			'Region 2'
		]);
	});

	test('a name that is taken is not given again', async () => {
		await notes.addRegion(part);
		await notes.addRegion(part);
		const first = notes.regions[0];
		await notes.dropRegion(first?.id ?? '');
		await notes.addRegion(part);
		expect(notes.regions.map((r) => r.name)).toEqual(['Region 2', 'Region 3']);
	});

	test('a sample that is argued away comes back with undo', async () => {
		const sample = {
			photographId: 'photo',
			kind: 'OLD_RUST' as const,
			xMm: 5,
			yMm: 6,
			widthMm: 40,
			heightMm: 30
		};
		await notes.addSample(sample);
		expect(notes.samples).toMatchObject([sample]);
		await notes.dropSample(notes.samples[0]?.id ?? '');
		expect(notes.samples).toEqual([]);
		await desk.undo();
		expect(notes.samples).toMatchObject([sample]);
	});

	test('the overlay is drawn before everything is measured anew', async () => {
		let draw: () => void = () => undefined;
		notes.beforeMeasures = () => new Promise((done) => (draw = done));
		vi.mocked(refreshJob).mockClear();
		const picked = notes.addSample({
			photographId: 'photo',
			kind: 'DUST',
			xMm: 5,
			yMm: 6,
			widthMm: 40,
			heightMm: 30
		});
		await vi.waitFor(() => expect(notes.samples).toHaveLength(1));
		await Promise.resolve();
		expect(refreshJob).not.toHaveBeenCalled();
		draw();
		await picked;
		expect(refreshJob).toHaveBeenCalledOnce();
	});

	test('regions that are marked in quick succession are all kept', async () => {
		await Promise.all([notes.addRegion(part), notes.addRegion(part), notes.addRegion(part)]);
		expect(notes.regions).toHaveLength(3);
		expect(study.version).toBe(4);
	});

	test('only one region is the factory colour, and none when it is taken off', async () => {
		await notes.addRegion(part);
		await notes.addRegion(part);
		const [one, two] = notes.regions.map((r) => r.id);
		await notes.nameFactory(one ?? '');
		await notes.nameFactory(two ?? '');
		expect(notes.regions.map((r) => r.factory)).toEqual([false, true]);
		await notes.nameFactory(two ?? '');
		expect(notes.regions.some((r) => r.factory)).toBe(false);
	});

	test('a factory colour that was said is taken back to the one before', async () => {
		const red = { source: 'BOTTLE' as const, name: 'Wagon red', l: 38, a: 27, b: 19 };
		const said: unknown[] = [];
		answer<{ paint: Schemas['FactoryPaint'] | null; version: number }>('PUT', ({ body }) => {
			said.push(body.paint?.name ?? null);
			const factory = body.paint && { paint: body.paint, hex: '#884433' };
			study = { ...study, factory, version: study.version + 1 };
			return stored(study);
		});
		await notes.sayFactory(red);
		await notes.sayFactory(null);
		await desk.undo();
		expect(said).toEqual(['Wagon red', null, 'Wagon red']);
		expect(notes.factory?.paint).toEqual(red);
	});

	test('undo brings the list back as it was', async () => {
		await notes.addRegion(part);
		const id = notes.regions[0]?.id ?? '';
		await notes.changeRegion(id, { name: 'door' }, 'Region named');
		await notes.dropRegion(id);
		expect(notes.regions).toEqual([]);
		await desk.undo();
		expect(notes.regions[0]?.name).toBe('door');
		await desk.undo();
		expect(notes.regions[0]?.name).toBe('Region 1');
	});

	test('before the study is loaded an edit says so and stores nothing', async () => {
		const early = new StudyDesk('job', desk, () => undefined);
		expect(await early.setEffects('Fade noted', (all) => all)).toBe(false);
		expect(desk.toasts.at(-1)?.text).toContain('not loaded yet');
		expect(study.version).toBe(1);
	});

	test('two changes are taken back after their view is gone and shows what it last saw', async () => {
		let shown = study;
		const gone = new StudyDesk('job', desk, () => shown);
		await gone.addRegion(part);
		shown = study;
		const id = study.regions[0]?.id ?? '';
		await gone.changeRegion(id, { name: 'door' });
		shown = study;
		await desk.undo();
		await desk.undo();
		expect(study.regions).toEqual([]);
	});
});
