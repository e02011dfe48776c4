<script lang="ts">
	import { resolve } from '$app/paths';
	import { page } from '$app/state';
	import Notice from '$lib/ui/notice.svelte';
</script>

<div class="p-6">
	<Notice
		title={page.status === 404
			? 'There is nothing at this address'
			: 'This page could not be shown'}
		text={page.status === 404
			? 'The job may have been put away, or the address was mistyped.'
			: (page.error?.message ?? '')}
		kind="failed"
	>
		<a class="underline" href={resolve('/jobs')}>Go to the jobs</a>
	</Notice>
</div>
