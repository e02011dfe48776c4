<script lang="ts">
	import { api, must, said, type Schemas } from '$lib/api/client';

	/** A colour as L*, a*, b*, or as six digits of sRGB that the engine turns into them. */
	type Props = { l: string; a: string; b: string };

	let { l = $bindable(), a = $bindable(), b = $bindable() }: Props = $props();

	let srgb = $state('');
	let problem = $state('');
	const id = $props.id();

	function show(c: Schemas['Lab']) {
		l = c.l.toFixed(1);
		a = c.a.toFixed(1);
		b = c.b.toFixed(1);
	}

	let asked = 0;

	/** Six digits are a colour as soon as they are typed; what is none is said once the field is left. */
	async function read(left: boolean) {
		problem = '';
		const now = ++asked;
		const whole = /^#?[0-9a-f]{6}$/i.test(srgb.trim());
		if (!srgb.trim() || !(whole || left)) return;
		try {
			const body = { colour: null, srgb: srgb.trim(), light: null };
			const { colour } = await must(api.POST('/api/calc/colour/estimate', { body }));
			if (now === asked) show(colour);
		} catch (error) {
			if (now === asked) problem = said(error);
		}
	}
</script>

<label class="flex flex-col"
	><span class="tag">L* lightness</span><input
		class="w-18"
		inputmode="decimal"
		bind:value={l}
	/></label
>
<label class="flex flex-col"
	><span class="tag">a* green–red</span><input
		class="w-18"
		inputmode="decimal"
		bind:value={a}
	/></label
>
<label class="flex flex-col"
	><span class="tag">b* blue–yellow</span><input
		class="w-18"
		inputmode="decimal"
		bind:value={b}
	/></label
>
<label class="flex flex-col"
	><span class="tag">or sRGB</span><input
		class="figure w-24"
		placeholder="#7a4b2c"
		maxlength="7"
		aria-describedby={problem ? id : undefined}
		bind:value={srgb}
		oninput={() => void read(false)}
		onchange={() => void read(true)}
	/></label
>
{#if problem}<p {id} role="alert" class="basis-full border-l-4 border-ink pl-3">{problem}</p>{/if}
