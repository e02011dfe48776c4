<script lang="ts">
	import { afterNavigate } from '$app/navigation';
	import { resolve } from '$app/paths';
	import { said } from '$lib/api/client';
	import Button from './button.svelte';
	import Notice from './notice.svelte';

	/** Stands where a view could not be drawn, and leads on. */
	type Props = { error: unknown; reset: () => void };
	let { error, reset }: Props = $props();

	// another view may be drawn all the same
	afterNavigate(({ type }) => {
		if (type !== 'enter') reset();
	});
</script>

<div class="p-5">
	<Notice
		title="This view could not be drawn"
		text="Nothing that was stored is lost. Draw it again; if it stays so, go on elsewhere and tell those who keep Pendrik what you did last."
		kind="failed"
	>
		<Button onclick={reset}>Draw it again</Button>
		<a class="underline" href={resolve('/')}>To Today</a>
		<details class="mt-2"><summary>What the browser says</summary>{said(error)}</details>
	</Notice>
</div>
