<script lang="ts">
	import { parseTime, Time } from '@internationalized/date';
	import { TimeField } from 'bits-ui';
	import { benchClock } from './clock.svelte';

	/** A time of day, typed part by part, in the hours that all times are written in; kept as "19:00". */
	/** Large enough for a thumb. */
	const PART =
		'inline-block min-h-6 min-w-6 px-0.5 text-center leading-6 focus:bg-ink focus:text-ground';
	type Props = { value: string; label: string };

	let { value = $bindable(), label }: Props = $props();

	const MIDNIGHT = new Time(0, 0);
	const read = (text: string): Time => {
		try {
			return parseTime(text);
		} catch {
			return MIDNIGHT;
		}
	};
</script>

{#key benchClock.hours}
	<TimeField.Root
		value={read(value)}
		granularity="minute"
		hourCycle={benchClock.hours}
		locale={benchClock.locale}
		onValueChange={(time) => {
			if (time) value = time.toString().slice(0, 5);
		}}
	>
		<TimeField.Input aria-label={label} class="field inline-flex items-center">
			{#snippet children({ segments })}
				{#each segments as { part, value: text }, i (i)}
					<TimeField.Segment {part} class={part === 'literal' ? '' : PART}>{text}</TimeField.Segment
					>
				{/each}
			{/snippet}
		</TimeField.Input>
	</TimeField.Root>
{/key}
