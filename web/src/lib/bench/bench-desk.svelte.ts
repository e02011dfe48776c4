import { api, must, said, type Schemas } from '$lib/api/client';
import { keep, refreshJob } from '$lib/api/queries';
import { toIso } from '$lib/time/time';
import type { Desk } from '$lib/ui/desk.svelte';

export type Bench = Schemas['Bench'];

/** What a person does at the bench: begin, be done, take back. */
export class BenchDesk {
	material = $state<string>();
	note = $state('');
	photographId = $state<string | null>(null);
	/** The side that the next photograph shows. */
	side = $state<Schemas['Photograph']['side']>('LEFT');
	coming = $state(false);
	startedAt = $state('');
	finishedAt = $state('');
	// a second tap of a wet glove, before the first is written, means nothing
	#writing = false;

	constructor(
		readonly jobId: string,
		private readonly desk: Desk,
		private readonly view: () => Bench | undefined
	) {}

	get step() {
		return this.view()?.step ?? undefined;
	}

	get chosenMaterial(): string {
		const s = this.step;
		return this.material ?? s?.running?.material ?? s?.material ?? '';
	}

	#clear(): void {
		this.material = undefined;
		this.note = '';
		this.photographId = null;
		this.startedAt = '';
		this.finishedAt = '';
	}

	#write(entryId: string, body: Schemas['LogDraft']) {
		return must(
			api.PUT('/api/jobs/{jobId}/log/{id}', {
				params: { path: { jobId: this.jobId, id: entryId } },
				body
			})
		);
	}

	/** The answer of an edit says the bench; plan and diary are asked again. */
	#refresh = (overtaken: boolean) => refreshJob(this.jobId, overtaken ? undefined : 'bench');

	#take(fresh: Bench): Promise<void> {
		return keep(['job', this.jobId, 'bench'], fresh);
	}

	async #takeBack(entryId: string): Promise<void> {
		await this.#take(
			await must(
				api.DELETE('/api/jobs/{jobId}/log/{id}', {
					params: { path: { jobId: this.jobId, id: entryId } }
				})
			)
		);
		await this.#refresh(false);
	}

	async #log(label: string, entryId: string, body: Schemas['LogDraft']): Promise<boolean> {
		if (this.#writing) return false;
		this.#writing = true;
		return this.desk.edit(
			label,
			async () => {
				try {
					const fresh = await this.#write(entryId, body);
					if (body.finished) this.#clear();
					await this.#take(fresh);
				} finally {
					this.#writing = false;
				}
			},
			this.#refresh,
			() => this.#takeBack(entryId)
		);
	}

	/** Notes that a coat is touch dry: the bench's pace is learned from it. */
	touchDry(stepId: string, material: string): Promise<boolean> {
		return this.#see(`${material} is touch dry`, stepId, true);
	}

	notTouchDry(stepId: string): Promise<boolean> {
		return this.#see('Not touch dry after all', stepId, false);
	}

	#see(label: string, stepId: string, dry: boolean): Promise<boolean> {
		const path = { params: { path: { jobId: this.jobId, stepId } } };
		const note = async (is: boolean) =>
			await this.#take(
				await must(
					is
						? api.PUT('/api/jobs/{jobId}/touch-dry/{stepId}', path)
						: api.DELETE('/api/jobs/{jobId}/touch-dry/{stepId}', path)
				)
			);
		// what was seen cannot be seen again at the same time: only a note is taken back
		return this.desk.edit(
			label,
			() => note(dry),
			this.#refresh,
			dry ? () => note(false) : undefined
		);
	}

	/** A zone that is laid or worked: the next one and its clock come up. */
	async zoneOver(): Promise<void> {
		const z = this.view()?.zones;
		if (!z || this.#writing) return;
		this.#writing = true;
		const { stepId, zone, zoneName, part } = z;
		const material = this.#materialOf(stepId);
		await this.desk.edit(
			`${zoneName} ${part === 'LAY' ? 'laid' : 'worked'}`,
			async () => {
				try {
					await this.#take(
						await must(
							api.PUT('/api/jobs/{jobId}/bench/zone', {
								params: { path: { jobId: this.jobId } },
								body: { stepId, zone, material }
							})
						)
					);
				} finally {
					this.#writing = false;
				}
			},
			this.#refresh,
			async () => {
				await this.#take(
					await must(
						api.DELETE('/api/jobs/{jobId}/bench/zone', {
							params: { path: { jobId: this.jobId }, query: { stepId, zone } }
						})
					)
				);
				await this.#refresh(false);
			}
		);
	}

	#materialOf(stepId: string): string {
		const z = this.view()?.zones;
		return stepId === this.step?.id ? this.chosenMaterial : (z?.material ?? '');
	}

	/** Another round of a coat that lies open; it stands at the bench next. */
	again(coat: Schemas['OpenCoat'], material: string): Promise<boolean> {
		return this.desk.edit(
			`${coat.name} again`,
			async () =>
				await this.#take(
					await must(
						api.POST('/api/jobs/{jobId}/bench/again', {
							params: { path: { jobId: this.jobId } },
							body: { stepId: coat.stepId, material }
						})
					)
				),
			this.#refresh
		);
	}

	/** What came of a warning: the bench learns from it. */
	outcome(stepId: string, lifted: boolean, coat: string): Promise<boolean> {
		const path = { path: { jobId: this.jobId } };
		return this.desk.edit(
			`${coat} ${lifted ? 'lifted' : 'did not lift'}`,
			async () =>
				await this.#take(
					await must(
						api.PUT('/api/jobs/{jobId}/bench/outcome', { params: path, body: { stepId, lifted } })
					)
				),
			this.#refresh,
			async () =>
				await this.#take(
					await must(
						api.DELETE('/api/jobs/{jobId}/bench/outcome/{stepId}', {
							params: { path: { jobId: this.jobId, stepId } }
						})
					)
				)
		);
	}

	async begin(): Promise<void> {
		const s = this.step;
		if (!s || s.running) return;
		await this.#log(`${s.name} begun`, crypto.randomUUID(), {
			stepId: s.id,
			material: this.chosenMaterial,
			startedAt: null,
			finished: false,
			finishedAt: null,
			note: '',
			photographId: null,
			version: 0
		});
	}

	async done(): Promise<void> {
		const s = this.step;
		if (!s) return;
		await this.#log(`${s.name} done`, s.running?.id ?? crypto.randomUUID(), {
			stepId: s.id,
			material: this.chosenMaterial,
			startedAt: toIso(this.startedAt),
			finished: true,
			finishedAt: toIso(this.finishedAt),
			note: this.note,
			photographId: this.photographId,
			version: s.running?.version ?? 0
		});
	}

	/**
	 * Puts a photograph of the model in, on the side that is chosen. Telephones call every picture the
	 * same, so it is called by what it was taken after.
	 */
	async addPhotograph(file: File, of: string): Promise<void> {
		const id = crypto.randomUUID();
		this.coming = true;
		try {
			await must(
				api.PUT('/api/jobs/{jobId}/photographs/{id}', {
					params: {
						path: { jobId: this.jobId, id },
						query: { role: 'MODEL', side: this.side, caption: `After ${of}`.slice(0, 200) }
					},
					body: file as unknown as string,
					bodySerializer: (b: unknown) => b as BodyInit,
					headers: { 'Content-Type': 'application/octet-stream' }
				})
			);
			this.photographId = id;
			this.desk.say('The photograph is with this step', 'saved');
			await refreshJob(this.jobId);
		} catch (error) {
			this.desk.say(said(error), 'failed');
		} finally {
			this.coming = false;
		}
	}
}
