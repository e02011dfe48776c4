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

<Button onclick={() => void go()} disabled={making} aria-busy={making}>{@render children()}</Button>
{#if refused}<p class="basis-full border-l-4 border-ink pl-2" role="alert">{refused}</p>{/if}
