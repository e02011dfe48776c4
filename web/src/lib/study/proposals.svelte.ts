import type { Schemas } from '$lib/api/client';
import type { StudyDesk } from './study-desk.svelte';

export type Proposal = Schemas['EffectProposal'];

/** What the measures propose, what of it is noted already, and what the user leaves. */
export class EffectsSeen {
	#left = $state.raw<string[]>([]);

	constructor(
		private readonly desk: StudyDesk,
		private readonly proposals: () => Proposal[]
	) {}

	/** What is not noted yet: no effect of the kind lies on all of its zones. */
	get fresh(): Proposal[] {
		return this.proposals().filter(
			(p) =>
				!this.desk.effects.some(
					(e) => e.kind === p.kind && p.zones.every((z) => e.zones.includes(z))
				)
		);
	}

	/** What will be taken over. */
	get taken(): Proposal[] {
		return this.fresh.filter((p) => !this.leaves(p));
	}

	leaves(p: Proposal): boolean {
		return this.#left.includes(keyOf(p));
	}

	toggle(p: Proposal): void {
		const key = keyOf(p);
		this.#left = this.leaves(p) ? this.#left.filter((k) => k !== key) : [...this.#left, key];
	}

	take(): Promise<boolean> {
		const add = this.taken;
		return this.desk.setEffects(
			add.length === 1 ? 'An effect taken over' : `${add.length} effects taken over`,
			(all) => [
				...all,
				...add.map((p) => ({
					id: crypto.randomUUID(),
					kind: p.kind,
					zones: p.zones,
					strength: p.strength,
					// the tone that the way has nearest to the colour is taken
					tones: [],
					note: p.why,
					colour: p.colour ?? null,
					marks: p.marks,
					regionId: p.regionId
				}))
			]
		);
	}
}

/** The same kind on the same zones is the same proposal, also when it is measured anew. */
export const keyOf = (p: Proposal) => `${p.kind} ${p.zones.join(' ')}`;
