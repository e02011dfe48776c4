<script lang="ts">
	import { type CalendarDateTime, parseDateTime } from '@internationalized/date';
	import { DateField } from 'bits-ui';
	import { benchClock } from './clock.svelte';
	import { localNow } from './time';

	/** A day and time, typed part by part, in the hours that all times are written in; kept as "2026-11-25T19:00", empty while not whole. */
	/** Large enough for a thumb. */
	const PART =
		'inline-block min-h-6 min-w-6 px-0.5 text-center leading-6 focus:bg-ink focus:text-ground';
	type Props = { value: string; label: string; class?: string };

	let { value = $bindable(), label, class: more = '' }: Props = $props();

	// an empty field holds no value at all
	const held = (text: string): { value?: CalendarDateTime } => {
		try {
			return { value: parseDateTime(text) };
		} catch {
			return {};
		}
	};
</script>

{#key benchClock.hours}
	<DateField.Root
		{...held(value)}
		placeholder={parseDateTime(localNow())}
		granularity="minute"
		hourCycle={benchClock.hours}
		locale={benchClock.locale}
		onValueChange={(moment) => {
			value = moment ? moment.toString().slice(0, 16) : '';
		}}
	>
		<DateField.Input aria-label={label} class="field inline-flex items-center {more}">
			{#snippet children({ segments })}
				{#each segments as { part, value: text }, i (i)}
					<DateField.Segment {part} class={part === 'literal' ? '' : PART}>{text}</DateField.Segment
					>
				{/each}
			{/snippet}
		</DateField.Input>
	</DateField.Root>
{/key}
