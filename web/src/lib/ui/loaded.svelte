<script lang="ts" generics="T">
	import type { Snippet } from 'svelte';
	import Button from './button.svelte';
	import Notice from './notice.svelte';
	import { said } from '$lib/api/client';

	type Query = {
		data?: T | undefined;
		error: Error | null;
		refetch: () => Promise<unknown>;
	};
	/** Shows what a query brought, or that it is still coming, or why it failed. */
	type Props = { query: Query; children: Snippet<[T]> };

	let { query, children }: Props = $props();
</script>

{#if query.data !== undefined}
	{@render children(query.data)}
{:else if query.error}
	<Notice title="This could not be loaded" text={said(query.error)} kind="failed">
		<Button onclick={() => query.refetch()}>Try again</Button>
	</Notice>
{:else}
	<p class="tag p-6" role="status">Loading …</p>
{/if}
