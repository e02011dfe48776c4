<script lang="ts">
	import { api, said, type Schemas } from '$lib/api/client';
	import { refreshJob } from '$lib/api/queries';
	import { must } from '$lib/api/client';
	import Button from '$lib/ui/button.svelte';
	import { Desk } from '$lib/ui/desk.svelte';
	import { SIDES, type Side } from './sides';

	/** The photographs of one role: put in, choose, put away. */
	type Props = {
		jobId: string;
		role: Schemas['Photograph']['role'];
		photographs: Schemas['Photograph'][];
		chosen: string | undefined;
		side?: Side;
		onchoose: (id: string) => void;
		/** Told when all files of a lot were answered. */
		onput?: () => void;
	};

	let { jobId, role, photographs, chosen, side = 'LEFT', onchoose, onput }: Props = $props();

	const TAKEN = 'taken';
	const desk = Desk.get();
	let input = $state<HTMLInputElement>();
	let coming = $state('');
	/** What became of each file of the last lot, by name, where one of them needs a word. */
	let answers = $state<{ name: string; text: string; refused: boolean }[]>([]);
	let over = $state(false);
	const where = $derived(
		side === 'LEFT' ? '' : `, ${SIDES.find((s) => s.key === side)?.label.toLowerCase() ?? ''}`
	);
	const what = $derived((role === 'PROTOTYPE' ? 'the prototype' : 'the model') + where);

	/** Opens the file chooser. */
	export function ask(): void {
		input?.click();
	}

	async function take(files: Iterable<File> | ArrayLike<File> | null | undefined) {
		const lot = Array.from(files ?? []);
		answers = [];
		const all = [];
		for (const file of lot) all.push(await takeOne(file));
		if (all.some((a) => a.text !== TAKEN)) answers = all;
		coming = '';
		if (input) input.value = '';
		onput?.();
	}

	async function takeOne(file: File): Promise<(typeof answers)[number]> {
		coming = file.name;
		const id = crypto.randomUUID();
		const same = photographs.find((p) => p.caption === file.name);
		try {
			await must(
				api.PUT('/api/jobs/{jobId}/photographs/{id}', {
					params: { path: { jobId, id }, query: { role, side, caption: file.name.slice(0, 200) } },
					body: file as unknown as string,
					bodySerializer: (b: unknown) => b as BodyInit,
					headers: { 'Content-Type': 'application/octet-stream' }
				})
			);
			await refreshJob(jobId);
			onchoose(id);
			const text = same ? `${TAKEN}; one of this name is here already` : TAKEN;
			return { name: file.name, text, refused: false };
		} catch (error) {
			return { name: file.name, text: said(error), refused: true };
		}
	}

	/** A picture from the clipboard; text that is pasted into a field goes its way. */
	function paste(event: ClipboardEvent) {
		const pictures = Array.from(event.clipboardData?.files ?? []).filter((f) =>
			f.type.startsWith('image/')
		);
		if (!pictures.length || coming) return;
		event.preventDefault();
		const at = new Date().toTimeString().slice(0, 5);
		void take(
			pictures.map((f) =>
				// a clipboard calls every picture the same
				/^image\.\w+$/.test(f.name) ? new File([f], `pasted ${at}`, { type: f.type }) : f
			)
		);
	}

	async function putAway(photo: Schemas['Photograph']) {
		const path = { params: { path: { id: photo.id } } };
		const job = photo.jobId;
		await desk.edit(
			'The photograph is put away',
			() => must(api.DELETE('/api/photographs/{id}', path)),
			() => refreshJob(job),
			async () => {
				await must(api.POST('/api/photographs/{id}/restore', path));
				await refreshJob(job);
			}
		);
	}

	const holdsFiles = (event: DragEvent) => event.dataTransfer?.types.includes('Files') ?? false;

	function dragged(event: DragEvent) {
		if (!holdsFiles(event)) return;
		event.preventDefault();
		over = true;
	}

	function drop(event: DragEvent) {
		over = false;
		if (!holdsFiles(event)) return;
		event.preventDefault();
		void take(event.dataTransfer?.files);
	}
</script>

<!-- a photograph may be let fall anywhere on the page -->
<svelte:window
	onpaste={paste}
	ondragover={dragged}
	ondragleave={(event) => {
		if (!event.relatedTarget) over = false;
	}}
	ondrop={drop}
/>
<input
	bind:this={input}
	type="file"
	accept="image/jpeg,image/png,image/webp"
	multiple
	class="hidden"
	aria-label="Photograph of {what}"
	onchange={(e) => void take(e.currentTarget.files)}
/>
{#if photographs.length === 0}
	<div
		class="flex flex-col items-start gap-3 border-2 border-dashed px-6 py-10 {over
			? 'border-ink'
			: 'border-line'}"
		role="group"
		aria-label="Place for a photograph of {what}"
	>
		<h2 class="text-2xl">Put in a photograph of {what}</h2>
		<p class="max-w-prose text-soft">
			JPEG, PNG or WebP, up to 50 megapixels: choose it, let it fall here, or paste it. All four
			corners of the side must be in it; a grey card beside it takes the light out.
		</p>
		<Button look="act" onclick={ask} disabled={coming !== ''}
			>{coming ? `Reading ${coming} …` : 'Choose a photograph'}</Button
		>
	</div>
{:else}
	<div
		class="mb-2 flex flex-wrap items-center gap-2 {over
			? 'outline-2 outline-ink outline-dashed'
			: ''}"
	>
		{#each photographs as p (p.id)}
			<span class="flex items-center border {chosen === p.id ? 'border-ink' : 'border-line'}">
				<button
					class="max-w-56 truncate px-2 py-1 font-label font-medium"
					aria-pressed={chosen === p.id}
					onclick={() => onchoose(p.id)}>{p.sister ? '∥ ' : ''}{p.caption || 'Photograph'}</button
				>
				<button
					class="min-h-7 min-w-7 px-1.5 text-xl leading-none"
					aria-label="Put away {p.caption}"
					onclick={() => void putAway(p)}>×</button
				>
			</span>
		{/each}
		<Button look="bare" onclick={ask} disabled={coming !== ''}
			>{coming ? `Reading ${coming} …` : 'Another photograph'}</Button
		>
	</div>
{/if}
{#if answers.length}
	<div
		class="my-2 border-l-8 border-ink bg-sheet px-3 py-2"
		role={answers.some((a) => a.refused) ? 'alert' : 'status'}
	>
		{#each answers as a, i (i)}
			<p><span class="font-semibold">{a.name}</span>: {a.text}</p>
		{/each}
	</div>
{/if}
