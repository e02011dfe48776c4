<script lang="ts">
	import type { Snippet } from 'svelte';
	import type { HTMLButtonAttributes } from 'svelte/elements';

	/** `act` marks what can be done now and stands at most once in a view. */
	type Props = HTMLButtonAttributes & { look?: 'act' | 'plain' | 'bare'; children: Snippet };

	let { look = 'plain', children, class: extra = '', ...rest }: Props = $props();

	const looks = {
		act: 'border-act bg-act text-on-act hover:brightness-110',
		plain: 'border-soft bg-sheet text-ink hover:bg-sunk',
		bare: 'border-transparent text-ink underline decoration-line underline-offset-4 hover:decoration-ink'
	};
</script>

<button
	type="button"
	class="inline-flex min-h-9 items-center gap-2 rounded-[2px] border px-3 py-1 font-label text-[1.02rem] font-semibold tracking-wide disabled:cursor-not-allowed disabled:opacity-45 {looks[
		look
	]} {extra}"
	{...rest}>{@render children()}</button
>
