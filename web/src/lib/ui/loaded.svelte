<script lang="ts" generics="T">
	import type { Snippet } from 'svelte';
	import Button from './button.svelte';
	import Notice from './notice.svelte';
	import { ApiError, said } from '$lib/api/client';

	type Query = {
		data?: T | undefined;
		error: Error | null;
		refetch: () => Promise<unknown>;
	};
	/** Shows what a query brought, or that it is still coming, or why it failed; `away` leads elsewhere. */
	type Props = { query: Query; away?: Snippet; children: Snippet<[T]> };

	let { query, away, children }: Props = $props();

	// what was refused is refused again
	const again = $derived(
		!(query.error instanceof ApiError && [404, 422].includes(query.error.status))
	);
</script>

{#if query.data !== undefined}
	{@render children(query.data)}
{:else if query.error}
	<div class="p-5">
		<Notice title="This could not be loaded" text={said(query.error)} kind="failed">
			{#if again}<Button onclick={() => query.refetch()}>Try again</Button>{/if}
			{@render away?.()}
		</Notice>
	</div>
{:else}
	<p class="tag p-6" role="status">Loading …</p>
{/if}
