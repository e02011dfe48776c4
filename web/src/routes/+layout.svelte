<script lang="ts">
	import '../app.css';
	import { goto } from '$app/navigation';
	import { resolve } from '$app/paths';
	import { page } from '$app/state';
	import { queryClient } from '$lib/api/queries';
	import Failed from '$lib/ui/failed.svelte';
	import KeyCard from '$lib/keys/key-card.svelte';
	import { Keys } from '$lib/keys/keys.svelte';
	import { Desk } from '$lib/ui/desk.svelte';
	import Choice from '$lib/ui/choice.svelte';
	import { SurroundChoice } from '$lib/ui/surround.svelte';
	import Toasts from '$lib/ui/toasts.svelte';
	import { QueryClientProvider } from '@tanstack/svelte-query';

	let { children } = $props();

	const desk = Desk.create();
	const keys = Keys.create();
	const surround = new SurroundChoice();
	const atBench = $derived(page.url.pathname.endsWith('/bench'));

	const places = [
		{ href: resolve('/'), label: 'Today', key: 't' },
		{ href: resolve('/jobs'), label: 'Jobs', key: 'j' },
		{ href: resolve('/diary'), label: 'Diary', key: 'i' },
		{ href: resolve('/shelf'), label: 'Shelf', key: 'k' },
		{ href: resolve('/thumb'), label: 'Rule of thumb', key: 'y' },
		{ href: resolve('/workshop'), label: 'Workshop', key: 'w' }
	];

	Keys.use('Everywhere', () => [
		{ key: 't', label: 'Today', run: () => void goto(resolve('/')) },
		{ key: 'j', label: 'Jobs', run: () => void goto(resolve('/jobs')) },
		{ key: 'i', label: 'Diary', run: () => void goto(resolve('/diary')) },
		{ key: 'k', label: 'Shelf', run: () => void goto(resolve('/shelf')) },
		{ key: 'y', label: 'Rule of thumb', run: () => void goto(resolve('/thumb')) },
		{ key: 'w', label: 'Workshop', run: () => void goto(resolve('/workshop')) },
		{ key: 'u', label: 'Undo the last edit', run: () => void desk.undo() },
		{ key: 'v', label: 'Surround: light, dark, viewing grey', run: () => surround.next() },
		{ key: '?', label: 'This card', run: () => (keys.showing = true) }
	]);
</script>

<svelte:window onkeydown={(event) => keys.press(event)} />
<svelte:head><title>Pendrik</title></svelte:head>

<QueryClientProvider client={queryClient}>
	<a href="#content" class="absolute left-2 -top-20 z-50 bg-sheet p-2 focus:top-2"
		>Skip to the content</a
	>
	{#if !atBench}
		<header
			class="no-print flex flex-wrap items-center gap-x-8 gap-y-1 border-b-4 border-double border-line px-5 py-2"
		>
			<a href={resolve('/')} class="font-stencil text-3xl leading-none font-bold tracking-wide"
				>PENDRIK</a
			>
			<nav aria-label="Places" class="flex flex-wrap gap-x-5">
				{#each places as place (place.href)}
					{@const here =
						place.href === resolve('/')
							? page.url.pathname === place.href
							: page.url.pathname.startsWith(place.href)}
					<a
						href={place.href}
						aria-current={here ? 'page' : undefined}
						class="border-b-2 py-1 font-label text-lg font-semibold whitespace-nowrap {here
							? 'border-ink'
							: 'border-transparent text-soft hover:text-ink'}">{place.label}</a
					>
				{/each}
			</nav>
			<div class="ml-auto flex gap-2">
				<Choice
					label="Surround"
					look="tags"
					value={surround.current}
					items={[
						{ key: 'light', label: 'light' },
						{ key: 'dark', label: 'dark' },
						{ key: 'grey', label: 'grey' }
					]}
					onchange={(key) => surround.set(key)}
				/>
				<button class="tag px-2 py-1 hover:text-ink" onclick={() => (keys.showing = true)}
					>Keys{keys.letters ? ' ?' : ''}</button
				>
			</div>
		</header>
	{/if}
	<main id="content" tabindex="-1" class="outline-none">
		<svelte:boundary onerror={(error) => console.error(error)}>
			{@render children()}
			{#snippet failed(error, reset)}<Failed {error} {reset} />{/snippet}
		</svelte:boundary>
	</main>
	<Toasts {atBench} />
	<KeyCard {keys} />
</QueryClientProvider>
