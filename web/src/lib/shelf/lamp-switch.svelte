<script lang="ts">
	import { lampNames, lights, type Light } from './shelf';

	/** One switch for all colours in a view: which lamp hangs over them. */
	type Props = { light: Light; onchange: (light: Light) => void; titles?: Record<string, string> };

	let { light, onchange, titles = {} }: Props = $props();
</script>

<div role="radiogroup" aria-label="Lamp" class="flex flex-wrap gap-1">
	{#each lights as l (l)}
		<button
			role="radio"
			aria-checked={light === l}
			title={titles[l] ?? ''}
			class="min-h-9 border px-2 font-label font-semibold {light === l
				? 'border-ink bg-ink text-ground'
				: 'border-soft'}"
			onclick={() => onchange(l)}>{lampNames[l]}</button
		>
	{/each}
</div>
