import type { Schemas } from '$lib/api/client';
import type { Effect } from './study-desk.svelte';

export const STRENGTHS = ['a trace', 'plain', 'heavy'];

type How = Schemas['EffectHow'];

/** Made as the schools have it. */
export const USUAL: How = {
	rounds: false,
	way: null,
	technique: null,
	applicator: null,
	thinner: null,
	liquid: null,
	set: '',
	phase: 'USUAL',
	beside: null
};

/** What can be chosen for an effect, and what a choice leaves of the rest. */
export class EffectEdit {
	constructor(
		readonly effect: Effect,
		readonly lists: Schemas['Lists'],
		readonly made: Schemas['MadeView'] | undefined
	) {}

	get kind(): Schemas['EffectItem'] | undefined {
		return this.lists.effects.find((k) => k.key === this.effect.kind);
	}

	get ways(): Schemas['WayItem'][] {
		return this.kind?.ways ?? [];
	}

	get how(): How {
		return this.effect.how ?? USUAL;
	}

	/** The tones that are asked for. */
	get asked(): string[] {
		return this.effect.tones ?? [];
	}

	/** One line for each tone; an open one when none is asked for. */
	get tones(): string[] {
		return this.asked.length ? this.asked : [''];
	}

	/** What a tone can be, the one that stands there always among them. */
	usable(tone: string): string[] {
		const may = this.made?.materials.length
			? this.made.materials
			: [...new Set(this.ways.flatMap((w) => w.materials))];
		return !tone || may.includes(tone) ? may : [tone, ...may];
	}

	/** The next tone that is offered: one that is not taken yet. */
	get another(): string {
		const may = this.usable('');
		return may.find((m) => !this.asked.includes(m)) ?? may[0] ?? '';
	}

	hexOf(key: string): string | undefined {
		return this.lists.materials.find((m) => m.key === key)?.hex ?? undefined;
	}

	/** What stands in the list while no tone is asked for. */
	get started(): string {
		const how = this.made?.startReason ?? '';
		const start = this.lists.materials.find((m) => m.key === this.made?.start);
		return start && how ? `${how}: ${start.name}` : 'as it starts';
	}

	get thinners(): string[] {
		const first = this.asked[0] ?? this.usable('')[0];
		return this.lists.materials.find((m) => m.key === first)?.thinners ?? [];
	}

	get liquids(): string[] {
		return this.made?.liquids ?? [];
	}

	with(part: Partial<How>): Partial<Effect> {
		return { how: { ...this.how, ...part } };
	}

	/** Another material for a step that shows no tone, or, when it is empty, what it starts with. */
	withBeside(step: string, material: string): Partial<Effect> {
		const rest = Object.entries(this.how.beside ?? {}).filter(([s]) => s !== step);
		const all = new Map(rest);
		if (material) all.set(step, material);
		return this.with({ beside: all.size ? Object.fromEntries(all) : null });
	}

	/** Another way forgets what only the one before could use. */
	withWay(key: string | null): Partial<Effect> {
		const way = this.ways.find((w) => w.key === key);
		return {
			...this.with({ way: key, technique: null, thinner: null, liquid: null, beside: null }),
			...(way ? { tones: this.asked.filter((t) => way.materials.includes(t)) } : {})
		};
	}

	/** More than its way and its tones is asked for. */
	get isOtherwise(): boolean {
		const { technique, applicator, thinner, liquid, beside, set, phase } = this.how;
		return Boolean(
			technique || applicator || thinner || liquid || beside || set || phase !== 'USUAL'
		);
	}

	isOnlyOn(zone: string): boolean {
		return this.effect.zones.length === 1 && this.effect.zones.includes(zone);
	}

	/** On a zone or off it; off its last one it does not go. */
	onZone(zone: string, on: boolean): Partial<Effect> {
		const rest = this.effect.zones.filter((z) => z !== zone);
		const zones = on ? [...rest, zone] : rest;
		return { zones: zones.length ? zones : this.effect.zones };
	}

	/** A tone set, put at the end, or, when it is empty, taken off. */
	withTone(at: number, key: string): Partial<Effect> {
		const tones = [...this.asked];
		if (key) tones[at] = key;
		else tones.splice(at, 1);
		return { tones };
	}
}
