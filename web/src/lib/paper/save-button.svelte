<script lang="ts">
	import { said } from '$lib/api/client';
	import Button from '$lib/ui/button.svelte';
	import type { Snippet } from 'svelte';
	import { made, save, type MadeFile } from './save';

	/** Has a file made and saves it, or says why it cannot be made. */
	type Props = { from: string | (() => Promise<MadeFile>); children: Snippet };

	let { from, children }: Props = $props();

	let making = $state(false);
	let refused = $state('');

	async function go() {
		making = true;
		refused = '';
		try {
			save(await (typeof from === 'string' ? made(from) : from()));
		} catch (error) {
			refused = said(error);
		} finally {
			making = false;
		}
	}
</script>

<span class="flex flex-col items-start">
	<Button onclick={() => void go()} disabled={making} aria-busy={making}
		>{@render children()}</Button
	>
	{#if refused}<span class="max-w-sm border-l-4 border-ink pl-2" role="alert">{refused}</span>{/if}
</span>
