import { api, must, said, type Schemas } from '$lib/api/client';
import { queryClient } from '$lib/api/queries';
import type { Desk } from '$lib/ui/desk.svelte';

export type Kept = Schemas['KeptBackup'];
export type Broken = Schemas['BrokenPhotograph'];

const PAUSE_MS = 500;

/** Backups of the workshop, the way back from one, and whether its photographs are whole. */
export class SafeKeeping {
	/** What runs now, in words; empty when nothing does. */
	running = $state('');
	problem = $state('');
	/** The backup that was asked to be put back and waits for a yes. */
	asked = $state.raw<Kept | File | undefined>(undefined);
	/** Photographs that are not whole; undefined before anybody looked. */
	broken = $state.raw<Broken[] | undefined>(undefined);

	constructor(
		private readonly desk: Desk,
		private readonly again: () => void = () => location.assign('/')
	) {}

	async #run(what: string, work: () => Promise<void>): Promise<void> {
		if (this.running) return;
		this.running = what;
		this.problem = '';
		try {
			await work();
		} catch (error) {
			this.problem = said(error);
		} finally {
			this.running = '';
		}
	}

	make(): Promise<void> {
		return this.#run('Packing and reading back', async () => {
			await must(api.POST('/api/backups'));
			await queryClient.invalidateQueries({ queryKey: ['backups'] });
			this.desk.say('The backup is made, and was read back whole', 'saved');
		});
	}

	check(): Promise<void> {
		return this.#run('Reading every photograph', async () => {
			const broken = await must(api.GET('/api/photographs/check'));
			this.broken = broken;
			if (broken.length === 0) this.desk.say('Every photograph is as it was put in', 'saved');
			else
				this.desk.say(
					`${broken.length} of the photographs ${broken.length === 1 ? 'is' : 'are'} damaged or gone`,
					'warned'
				);
		});
	}

	ask(which: Kept | File | undefined): void {
		this.asked = which;
		this.problem = '';
	}

	/** Puts back what was asked for; the program starts again, and the page with it. */
	restore(): Promise<void> {
		const which = this.asked;
		if (!which) return Promise.resolve();
		return this.#run('Reading the archive and starting again', async () => {
			if (which instanceof File) {
				await must(
					api.POST('/api/restore', {
						body: which as unknown as string,
						bodySerializer: (b: unknown) => b as BodyInit,
						headers: { 'Content-Type': 'application/octet-stream' }
					})
				);
			} else {
				await must(
					api.POST('/api/backups/{name}/restore', { params: { path: { name: which.name } } })
				);
			}
			this.asked = undefined;
			await this.#back();
			queryClient.clear();
			this.again();
		});
	}

	/** Waits until the program has gone and answers again. */
	async #back(): Promise<void> {
		let gone = false;
		for (let tries = 0; tries < 120; tries++) {
			await new Promise((resolve) => setTimeout(resolve, PAUSE_MS));
			try {
				await must(api.GET('/api/workshop'));
				if (gone || tries > 12) return;
			} catch {
				gone = true;
			}
		}
		throw new Error('Pendrik does not answer again. Look into its terminal.');
	}
}
