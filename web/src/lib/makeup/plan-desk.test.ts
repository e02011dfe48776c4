import { beforeEach, describe, expect, test, vi } from 'vitest';
import { queryClient } from '$lib/api/queries';
import { answer, refused, stored } from '$lib/api/stand-in';
import { Desk } from '$lib/ui/desk.svelte';
import { PlanDesk, type Makeup } from './plan-desk.svelte';

type Body = {
	steps: { id: string; material: string; origin?: string; reason?: string }[];
	pins: Makeup['pins'];
	schools?: Record<string, string> | null;
	version: number;
};

const step = (id: string, done = false) => ({
	id,
	name: `step ${id}`,
	technique: 't',
	material: 'm',
	thickness: 'LIGHT',
	zones: ['roof'],
	done
});

describe('the plan', () => {
	let view: Makeup;
	let desk: Desk;
	let plan: PlanDesk;

	const ids = () => plan.steps.map((s) => s.id).join('');

	beforeEach(() => {
		view = {
			version: 1,
			steps: [step('a', true), step('b'), step('c'), step('d')],
			pins: [],
			schools: { chips: 'brush' }
		} as unknown as Makeup;
		desk = new Desk();
		plan = new PlanDesk('job', desk, () => view);
		vi.spyOn(queryClient, 'invalidateQueries').mockResolvedValue();
		vi.spyOn(queryClient, 'setQueryData').mockImplementation((_, fresh) => {
			view = fresh as Makeup;
		});
		answer<Body>('PUT', ({ body }) => {
			if (body.version !== view.version) {
				return refused(409, 'It was changed.');
			}
			const steps = body.steps.map((s) => ({ ...step(s.id, s.id === 'a'), ...s }));
			const schools = body.schools ?? view.schools;
			return stored({ steps, pins: body.pins, schools, version: view.version + 1 });
		});
		answer('GET', () => stored(view));
	});

	test('a step moves by one, and quick moves add up', async () => {
		await Promise.all([plan.move('b', 1), plan.move('b', 1)]);
		expect(ids()).toBe('acdb');
	});

	test('quick changes of one step add up', async () => {
		const on = (zone: string) => (now: { zones: string[] }) => ({ zones: [...now.zones, zone] });
		await Promise.all([
			plan.change('b', on('sill'), 'Zones changed'),
			plan.change('b', on('ribs'), 'Zones changed')
		]);
		expect(plan.steps[1]?.zones).toEqual(['roof', 'sill', 'ribs']);
	});

	test('what belongs to a set moves together, by keys and by hand', async () => {
		const set = (id: string) => ({ ...step(id), set: 'door' });
		view = {
			...view,
			steps: [step('a', true), set('b'), set('c'), step('d'), step('e')]
		} as unknown as Makeup;
		const sent: string[] = [];
		answer<Body>('PUT', ({ body }) => {
			sent.push(body.steps.map((s) => s.id).join(''));
			return stored({ ...view, version: view.version + 1 });
		});
		await plan.move('b', 1);
		await plan.move('c', 1);
		await plan.moveTo('b', 4);
		await plan.moveTo('e', 1);
		expect(sent).toEqual(['adbce', 'adbce', 'adebc', 'aebcd']);
		expect(plan.moveTo('b', 2)).toBeUndefined();
		expect(plan.moveTo('b', 0)).toBeUndefined();
	});

	test('what is done stays where it is, and nothing passes it', () => {
		expect(plan.move('a', 1)).toBeUndefined();
		expect(plan.move('b', -1)).toBeUndefined();
		expect(plan.move('d', 1)).toBeUndefined();
		expect(view.version).toBe(1);
	});

	test('a step that is taken out comes back where it was', async () => {
		await plan.remove('c');
		expect(ids()).toBe('abd');
		await desk.undo();
		expect(ids()).toBe('abcd');
	});

	test('a new step goes behind the chosen one, never before what is done', async () => {
		const technique = { key: 'dust', name: 'dust', materials: ['buff'] } as never;
		plan.chosen = 'b';
		await plan.add(technique, ['roof']);
		expect(plan.steps[2]?.technique).toBe('dust');
		expect(plan.steps[2]?.material).toBe('buff');
		plan.chosen = undefined;
		await plan.add(technique, ['roof']);
		expect(plan.steps.at(-1)?.technique).toBe('dust');
	});

	test('a pin holds a step behind the one in front, and lets go', async () => {
		await plan.pin('c');
		expect(view.pins).toEqual([{ firstId: 'b', thenId: 'c' }]);
		await plan.pin('c');
		expect(view.pins).toEqual([]);
		expect(plan.pin('a')).toBeUndefined();
	});

	test('another material goes to its step alone', async () => {
		await plan.change('c', { material: 'enamel' }, 'Material changed');
		expect(plan.steps.map((s) => s.material)).toEqual(['m', 'm', 'enamel', 'm']);
	});

	test('the step under the pointer is looked at before the chosen one', () => {
		plan.chosen = 'b';
		expect(plan.lookedAt?.id).toBe('b');
		plan.looked = 'c';
		expect(plan.lookedAt?.id).toBe('c');
		expect(plan.chosenStep?.id).toBe('b');
	});

	test('other answers come with another plan, and go back with it', async () => {
		answer<{ schools: Record<string, string> }>('POST', ({ body }) =>
			stored({ ...view, steps: [step('z')], schools: body.schools, version: view.version + 1 })
		);
		await plan.choose({ streaks: 'enamel', chips: null }, 'Enamel');
		expect(view.schools).toEqual({ streaks: 'enamel' });
		expect(ids()).toBe('z');
		await desk.undo();
		expect(ids()).toBe('abcd');
		expect(view.schools).toEqual({ chips: 'brush' });
	});

	test('a repair says what it changed', async () => {
		answer('POST', () =>
			stored({ labels: ['Lay satin clear before it'], makeup: { ...view, version: 2 } })
		);
		await plan.repair();
		expect(plan.repaired).toEqual(['Lay satin clear before it']);
		expect(view.version).toBe(2);
	});

	test('a step that comes back by undo is there for its old reason', async () => {
		const kept = view.steps[2];
		if (kept) Object.assign(kept, { origin: 'INSERTED', reason: 'For the wash.' });
		await plan.remove('c');
		await desk.undo();
		expect(view.steps[2]).toMatchObject({ origin: 'INSERTED', reason: 'For the wash.' });
	});

	test('before the plan is loaded nothing is sent, and that is said', async () => {
		const early = new PlanDesk('job', desk, () => undefined);
		expect(await early.compile()).toBe(false);
		expect(desk.toasts.at(-1)?.text).toContain('not loaded yet');
	});

	test('what goes in step is taken back in both jobs, with the versions that were seen', async () => {
		const plans: Record<string, Makeup> = {
			job: view,
			other: { ...view, version: 7, steps: [step('x'), step('mine')] } as unknown as Makeup
		};
		const sent: { with: { job: string; version: number }[]; version: number }[] = [];
		answer('GET', ({ params }) => stored(plans[params.path['jobId'] ?? '']));
		answer<(typeof sent)[number]>('POST', ({ body }) => {
			sent.push(body);
			for (const [job, id] of [
				['job', 'e'],
				['other', 'f']
			] as const) {
				const before = plans[job];
				if (before)
					plans[job] = {
						...before,
						version: before.version + 1,
						steps: [step(id), ...(job === 'other' ? [step('mine')] : [])]
					} as unknown as Makeup;
			}
			return stored({ makeup: plans['job'], versions: [] });
		});
		answer<Body>('PUT', ({ params, body }) => {
			const job = params.path['jobId'] ?? '';
			plans[job] = {
				...plans[job],
				version: body.version + 1,
				steps: body.steps.map((s) => step(s.id, s.id === 'a'))
			} as unknown as Makeup;
			return stored(plans[job]);
		});
		expect(await plan.inStep(['other'])).toBe(true);
		expect(sent[0]).toEqual({ with: [{ job: 'other', version: 7 }], version: 1 });
		await desk.undo();
		const order = (job: string) => plans[job]?.steps.map((s) => s.id).join(' ');
		expect(order('job')).toBe('a b c d');
		expect(order('other')).toBe('x mine');
	});
});
