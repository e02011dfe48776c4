<script lang="ts">
	import { goto } from '$app/navigation';
	import { resolve } from '$app/paths';
	import { page } from '$app/state';

	$effect(() => {
		void goto(resolve('/jobs/[id]/study', { id: page.params.id ?? '' }), { replaceState: true });
	});
</script>
