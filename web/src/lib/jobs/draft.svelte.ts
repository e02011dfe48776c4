import type { Schemas } from '$lib/api/client';

type Kind = Schemas['JobDraft']['kind'];
type Substrate = Schemas['JobDraft']['substrate'];

const MM_PER_INCH = 25.4;

/** A length as it is typed: millimetres, or feet and inches. */
export class LengthEntry {
	mm = $state('');
	feet = $state('');
	inches = $state('');

	/** The prototype length in mm; NaN while nothing sensible is typed, which the server refuses with the reason. */
	value(imperial: boolean): number {
		if (!imperial) {
			return this.mm.trim() === '' ? NaN : Number(this.mm);
		}
		return (Number(this.feet || '0') * 12 + Number(this.inches || '0')) * MM_PER_INCH;
	}
}

/** A new job while it is filled in. */
export class JobEntry {
	readonly id = crypto.randomUUID();
	name = $state('');
	kind = $state<Kind>('FREIGHT_CAR');
	scale = $state(87.1);
	imperial = $state(false);
	length = new LengthEntry();
	height = new LengthEntry();
	substrate = $state<Substrate>('FACTORY_SEMI_GLOSS');
	wantedOn = $state('');
	note = $state('');

	get draft(): Schemas['JobDraft'] {
		return {
			name: this.name,
			kind: this.kind,
			scaleRatio: this.scale,
			lengthMm: this.length.value(this.imperial),
			heightMm: this.height.value(this.imperial),
			substrate: this.substrate,
			wantedOn: this.wantedOn || null,
			note: this.note,
			version: 0
		};
	}

	/** What is still to be said before the job can be made; empty when nothing. */
	get missing(): string {
		if (!this.name.trim()) return 'Name it: the road number will do.';
		for (const [what, entry] of [
			['length', this.length],
			['height', this.height]
		] as const) {
			const mm = entry.value(this.imperial);
			if (!Number.isFinite(mm) || mm <= 0)
				return `Give the prototype's ${what} as a number above 0.`;
		}
		return '';
	}
}
