<script lang="ts">
	import { licencesQuery } from '$lib/api/queries';
	import Loaded from '$lib/ui/loaded.svelte';
	import { createQuery } from '@tanstack/svelte-query';

	/** What the program is made of: every font, script and library with the text of its licence. */
	let open = $state(false);
	const licences = createQuery(() => licencesQuery(open));
</script>

<p class="max-w-prose text-soft">
	Pendrik is free software under the Apache licence, version 2.0. It ships with work of others; it
	asks nothing of any network and sends nothing anywhere.
</p>
<details class="mt-2" bind:open>
	<summary class="min-h-9 cursor-pointer font-label text-lg font-semibold"
		>Fonts, scripts and libraries, with their licences</summary
	>
	{#if open}
		<Loaded query={licences}>
			{#snippet children(all)}
				<ul class="mt-1">
					{#each all as l (l.packages[0])}
						<li class="border-t border-line py-2">
							<p>
								<span class="font-label font-semibold">{l.name}</span>
								<span class="text-soft">{l.packages.join(', ')}</span>
							</p>
							{#if l.text}
								<details>
									<summary class="tag cursor-pointer underline">Text</summary>
									<pre
										class="mt-1 max-h-80 overflow-auto border-l-2 border-line px-3 text-sm whitespace-pre-wrap">{l.text}</pre>
								</details>
							{/if}
						</li>
					{/each}
				</ul>
			{/snippet}
		</Loaded>
	{/if}
</details>
