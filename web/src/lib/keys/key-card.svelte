<script lang="ts">
	import { Dialog } from 'bits-ui';
	import { Keys } from './keys.svelte';

	let { keys }: { keys: Keys } = $props();

	let card = $state<HTMLElement | null>(null);
	const shown = (key: string) => (key === ' ' ? 'space' : key);
</script>

<Dialog.Root bind:open={keys.showing}>
	<Dialog.Portal>
		<Dialog.Overlay class="fixed inset-0 z-40 bg-black/50" />
		<Dialog.Content
			bind:ref={card}
			onOpenAutoFocus={(e) => {
				// not the box: space right after "?" would switch the letters off
				e.preventDefault();
				card?.focus();
			}}
			class="sheet fixed top-1/2 left-1/2 z-50 max-h-[85dvh] w-[min(40rem,92vw)] -translate-x-1/2 -translate-y-1/2 overflow-auto p-6"
		>
			<Dialog.Title level={2} class="font-label text-2xl font-semibold"
				>Keys of this view</Dialog.Title
			>
			<div class="mt-4 grid gap-6 sm:grid-cols-2">
				{#each keys.groups as group (group.title)}
					<section>
						<h3 class="tag mb-2">{group.title}</h3>
						<dl class="pairs">
							{#each group.keys as k (k.key)}
								<dt>
									<kbd class="figure inline-block min-w-8 border border-line px-2 text-center"
										>{shown(k.key)}</kbd
									>
								</dt>
								<dd>{k.label}</dd>
							{/each}
						</dl>
					</section>
				{/each}
			</div>
			<label class="mt-6 flex min-h-9 items-center gap-2"
				><input
					type="checkbox"
					checked={keys.letters}
					onchange={(e) => keys.setLetters(e.currentTarget.checked)}
				/>Single letters do something</label
			>
			{#if !keys.letters}
				<p class="max-w-prose text-soft">
					Only arrows, enter and escape do. "Keys" at the top brings this card back.
				</p>
			{/if}
			<Dialog.Close class="tag mt-4 underline">Close</Dialog.Close>
		</Dialog.Content>
	</Dialog.Portal>
</Dialog.Root>
