<script lang="ts">
	import Choice from '$lib/ui/choice.svelte';
	import { lampNames, lights, type Light } from './shelf';

	/** One switch for all colours in a view: which lamp hangs over them. */
	type Props = { light: Light; onchange: (light: Light) => void; titles?: Record<string, string> };

	let { light, onchange, titles = {} }: Props = $props();
</script>

<Choice
	label="Lamp"
	look="boxes"
	value={light}
	items={lights.map((key) => ({ key, label: lampNames[key], title: titles[key] ?? '' }))}
	{onchange}
/>
