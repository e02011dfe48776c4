<script lang="ts">
	import { Now } from '$lib/time/now.svelte';
	import { day, dayOfMonth, span, when } from '$lib/time/time';
	import type { Schemas } from '$lib/api/client';
	import { dryings, numbers, RailScale } from './scale';

	/**
	 * Time as a line on which coats dry. Hands-on work stands above it with the number of its step, drying hangs below, windows
	 * are gates; time away from the bench is narrowed.
	 */
	type Props = {
		diary: Schemas['Diary'];
		chosen?: string | undefined;
		lanes?: number;
		label: string;
		/** Shared with other rails, so that they can be read against one another. */
		shared?: RailScale | undefined;
		/** Days stand above it; off where another rail above has them. */
		days?: boolean;
	};

	let { diary, chosen, lanes = 3, label, shared, days = true }: Props = $props();

	const HOUR = 3_600_000;
	const LANE = 15;
	const LINE = 66;
	let width = $state(900);
	const now = new Now(15_000);
	const time = (iso: string) => new Date(iso).getTime();

	const open = $derived(diary.slots.filter((s) => !s.done));
	const range = $derived.by(() => {
		if (shared) return { from: shared.from, until: shared.until };
		const lastDone = diary.slots.filter((s) => s.done).at(-1);
		const recent = lastDone && now.current - time(lastDone.start) < 30 * HOUR;
		const from = (recent ? time(lastDone.start) : now.current) - HOUR;
		const end = diary.finish ? time(diary.finish) : now.current + 7 * 24 * HOUR;
		const wanted = diary.deadline ? time(diary.deadline) : end;
		const until = Math.max(end, Math.min(wanted, end + 5 * 24 * HOUR)) + 10 * HOUR;
		return { from, until };
	});
	const scale = $derived(
		shared ??
			new RailScale(
				range.from,
				range.until,
				diary.bench.map((s) => ({ from: time(s.from), until: time(s.until) })),
				width - 4
			)
	);
	const coats = $derived(dryings(diary.slots, range.from, range.until, lanes));
	const gates = $derived(
		diary.slots.filter(
			(s) => s.windowOpens && s.windowCloses && time(s.windowCloses) > now.current - HOUR
		)
	);
	const height = $derived(LINE + 16 + lanes * LANE + 6);
	const inText = $derived(
		`${label}. ${open.length} steps to do. ` +
			open.map((s) => `${s.name} ${when(s.start, now.current)}`).join(', ') +
			(diary.finish ? `. Finished ${when(diary.finish, now.current)}.` : '')
	);
	const middle = (s: { start: string; end: string }) =>
		(scale.x(time(s.start)) + scale.x(time(s.end))) / 2;
	const labels = $derived(
		numbers(
			diary.slots
				.map((s, i) => ({ number: i + 1, x: middle(s), slot: s }))
				.filter(
					({ slot, x }) =>
						time(slot.end) >= range.from &&
						time(slot.start) <= range.until &&
						!(slot.done && scale.x(now.current) - x < 14)
				)
		)
	);
</script>

<div bind:clientWidth={width} class="w-full overflow-hidden">
	<svg
		{width}
		{height}
		viewBox="0 0 {width} {height}"
		role="img"
		aria-label={inText}
		class="block text-ink"
	>
		<defs>
			<pattern id="rail-wet" width="5" height="5" patternUnits="userSpaceOnUse">
				<path d="M0 5 L5 0" stroke="currentColor" stroke-width="1.1" />
			</pattern>
		</defs>
		<!-- the line: heavy while somebody is at the bench, a thread while it dries alone -->
		<line x1="0" x2={width} y1={LINE} y2={LINE} stroke="currentColor" stroke-width="1" />
		{#each scale.spans as s, i (s.from)}
			{@const a = scale.x(s.from)}
			{@const b = scale.x(s.until)}
			{@const before = scale.spans[i - 1]}
			<rect x={a} y={LINE - 4} width={Math.max(1, b - a)} height="8" class="fill-line" />
			<path
				d="M{a} {LINE - 4} H{b} M{a} {LINE + 4} H{b}"
				stroke="currentColor"
				stroke-width="1.4"
			/>
			{#if days && b - a > 34 && (!before || dayOfMonth(before.from) !== dayOfMonth(s.from))}
				<text x={a} y="12" class="fill-soft font-label text-[13px] font-semibold">
					{b - a > 74 ? day(new Date(s.from).toISOString()) : dayOfMonth(s.from)}
				</text>
			{/if}
		{/each}
		{#each gates as g (g.stepId)}
			{@const a = scale.x(time(g.windowOpens ?? ''))}
			{@const b = Math.max(a + 6, scale.x(time(g.windowCloses ?? '')))}
			<g>
				<title>
					Window of {g.material}: {when(g.windowOpens ?? '', now.current)} to {when(
						g.windowCloses ?? '',
						now.current
					)}
				</title>
				<path
					d="M{a} {LINE + 10} V{LINE - 22} h5 M{b} {LINE + 10} V{LINE - 22} h-5"
					fill="none"
					stroke="currentColor"
					stroke-width="2.5"
				/>
				<rect
					x={a}
					y={LINE - 4}
					width={b - a}
					height="8"
					fill="var(--c-sheet)"
					stroke="currentColor"
				/>
			</g>
		{/each}
		{#each diary.slots as s (s.stepId)}
			{#if time(s.end) >= range.from && time(s.start) <= range.until}
				{@const a = scale.x(time(s.start))}
				{@const b = Math.max(a + 3, scale.x(time(s.end)))}
				<g opacity={s.done ? 0.55 : 1}>
					<title>{s.name}, {when(s.start, now.current)}, {span(time(s.end) - time(s.start))}</title>
					<rect
						x={a}
						y={LINE - 34}
						width={b - a}
						height="30"
						fill={s.done ? 'none' : 'currentColor'}
						stroke="currentColor"
						stroke-width={chosen === s.stepId ? 4 : 1}
					/>
					{#if s.warnings.length}
						<text
							x={(a + b) / 2}
							y={LINE - 14}
							text-anchor="middle"
							fill="var(--c-sheet)"
							class="text-[15px] font-bold">!</text
						>
					{/if}
				</g>
			{/if}
		{/each}
		{#each labels as l (l.text)}
			<text
				x={Math.max(l.x, l.text.length * 4)}
				y={LINE - 38}
				text-anchor="middle"
				class="fill-ink font-label text-[13px] font-semibold">{l.text}</text
			>
		{/each}
		{#each coats as c (c.slot.stepId)}
			{@const y = LINE + 14 + c.lane * LANE}
			{@const a = scale.x(c.laid)}
			{@const t = scale.x(c.touch)}
			{@const r = Math.max(t, scale.x(c.recoat))}
			<g>
				<title>
					{c.slot.material} (step {c.number}): touch dry {when(c.slot.touchAt ?? '', now.current)},
					next coat {when(c.slot.recoatAt ?? '', now.current)}, fully cured {when(
						c.slot.fullAt ?? '',
						now.current
					)}
				</title>
				<rect
					x={a}
					{y}
					width={Math.max(1.5, r - a)}
					height="9"
					fill={c.slot.hex ?? 'none'}
					stroke="currentColor"
					stroke-width="0.8"
				/>
				<rect x={a} {y} width={Math.max(1.5, t - a)} height="9" fill="url(#rail-wet)" />
				{#if r - a > 90 && lanes > 2}
					<text x={r + 4} y={y + 9} class="fill-soft font-label text-[12px]"
						>{c.number} {c.slot.material}</text
					>
				{/if}
			</g>
		{/each}
		{#if diary.deadline && time(diary.deadline) <= range.until}
			{@const x = scale.x(time(diary.deadline))}
			<path
				d="M{x} {LINE + 12} V22 h-46 v16 h46"
				fill="var(--c-sheet)"
				stroke="currentColor"
				stroke-width="2"
			/>
			<text x={x - 43} y="34" class="fill-ink font-label text-[12px] font-semibold">wanted</text>
		{/if}
		{#if diary.finish && open.length}
			{@const x = scale.x(time(diary.finish))}
			<circle
				cx={x}
				cy={LINE}
				r="6"
				fill="var(--c-sheet)"
				stroke="currentColor"
				stroke-width="2.5"
			/>
			<title>Finished {when(diary.finish, now.current)}</title>
		{/if}
		<path d="M{scale.x(now.current)} 18 V{height - 4}" class="stroke-act" stroke-width="2" />
		<text
			x={scale.x(now.current) + 4}
			y={height - 4}
			class="fill-act font-label text-[12px] font-semibold">now</text
		>
	</svg>
</div>
