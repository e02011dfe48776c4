import { describe, expect, test, vi } from 'vitest';
import { EffectsSeen, type Proposal } from './proposals.svelte';
import type { Effect, StudyDesk } from './study-desk.svelte';

const proposal = (kind: Proposal['kind'], zones: string[]): Proposal => ({
	kind,
	label: kind.toLowerCase(),
	zones,
	strength: 2,
	marks: '',
	why: `${kind} was measured`,
	regionId: 'region',
	region: 'door'
});

function setting(noted: Partial<Effect>[], proposed: Proposal[]) {
	let effects = noted as Effect[];
	const said: string[] = [];
	const desk = {
		get effects() {
			return effects;
		},
		setEffects: vi.fn((label: string, change: (all: Effect[]) => Effect[]) => {
			said.push(label);
			effects = change(effects);
			return Promise.resolve(true);
		})
	};
	const seen = new EffectsSeen(desk as unknown as StudyDesk, () => proposed);
	return { seen, said, effects: () => effects };
}

describe('effects that the measures propose', () => {
	test('what is noted on all of its zones is not proposed again', () => {
		const { seen } = setting(
			[{ kind: 'DUST', zones: ['sides', 'ends'] }],
			[
				proposal('DUST', ['sides']),
				proposal('DUST', ['sides', 'roof']),
				proposal('CHIPS', ['sides'])
			]
		);
		expect(seen.fresh.map((p) => [p.kind, p.zones.length])).toEqual([
			['DUST', 2],
			['CHIPS', 1]
		]);
	});

	test('everything that is not left is taken over with its evidence', async () => {
		const { seen, said, effects } = setting(
			[],
			[proposal('DUST', ['sides']), proposal('CHIPS', ['sides']), proposal('FADE', ['roof'])]
		);
		const chips = seen.fresh[1];
		if (!chips) throw new Error('no chips');
		seen.toggle(chips);
		expect(seen.leaves(chips)).toBe(true);
		await seen.take();
		expect(said).toEqual(['2 effects taken over']);
		expect(effects().map((e) => e.kind)).toEqual(['DUST', 'FADE']);
		expect(effects()[0]).toMatchObject({
			note: 'DUST was measured',
			regionId: 'region',
			strength: 2,
			tones: [],
			colour: null
		});
		expect(seen.fresh.map((p) => p.kind)).toEqual(['CHIPS']);
	});

	test('a proposal that was left and wanted after all is taken', async () => {
		const { seen, said } = setting([], [proposal('DUST', ['sides'])]);
		const [dust] = seen.fresh;
		if (!dust) throw new Error('no dust');
		seen.toggle(dust);
		expect(seen.taken).toEqual([]);
		seen.toggle(dust);
		await seen.take();
		expect(said).toEqual(['An effect taken over']);
		expect(seen.taken).toEqual([]);
	});
});
