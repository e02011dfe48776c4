<script lang="ts">
	import PaintStick from './paint-stick.svelte';
	import { rails, type BottleView, type Light } from './shelf';

	/** The whole shelf on neutral grey, hue by hue, dark to light. */
	type Props = {
		bottles: BottleView[];
		light: Light;
		chosen: string | undefined;
		onpick: (bottle: BottleView) => void;
	};

	let { bottles, light, chosen, onpick }: Props = $props();
</script>

<div class="flex flex-col gap-3 bg-[#8c8c8c] p-4 text-[#0a0a0a]">
	{#each rails(bottles) as rail (rail.name)}
		<section aria-label={rail.name} class="flex gap-3">
			<h3
				class="w-5 shrink-0 rotate-180 text-right font-label text-sm font-semibold tracking-wide [writing-mode:vertical-rl]"
			>
				{rail.name}
			</h3>
			<div class="flex flex-wrap gap-x-3 gap-y-2 border-b-2 border-[#4f4f4f] pb-1">
				{#each rail.bottles as b (b.id)}
					<PaintStick bottle={b} {light} chosen={chosen === b.id} onpick={() => onpick(b)} />
				{/each}
			</div>
		</section>
	{/each}
</div>
