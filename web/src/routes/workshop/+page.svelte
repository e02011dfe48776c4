<script lang="ts">
	import { workshopQuery } from '$lib/api/queries';
	import Loaded from '$lib/ui/loaded.svelte';
	import SettingsForm from '$lib/workshop/settings-form.svelte';
	import { createQuery } from '@tanstack/svelte-query';

	const workshop = createQuery(() => workshopQuery());
</script>

<svelte:head><title>Workshop – Pendrik</title></svelte:head>

<div class="mx-auto max-w-[72rem] px-5 py-5">
	<h1 class="text-3xl">Workshop</h1>
	<Loaded query={workshop}>
		{#snippet children(w)}
			{#key w.version}<SettingsForm workshop={w} />{/key}
		{/snippet}
	</Loaded>
</div>
