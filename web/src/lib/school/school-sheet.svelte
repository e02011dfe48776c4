<script lang="ts">
	import Select from '$lib/ui/select.svelte';
	import type { Schemas } from '$lib/api/client';

	/**
	 * The questions on which good weatherers differ, each with its answer and what that gives and
	 * takes. With `house` a job answers for itself where it wants to.
	 */
	type Props = {
		questions: Schemas['Question'][];
		answers: Record<string, string>;
		house?: Record<string, string> | undefined;
		busy?: boolean;
		onanswer: (question: Schemas['Question'], answer: string | null) => void;
	};

	let { questions, answers, house, busy = false, onanswer }: Props = $props();

	const HOUSE = '';
	const housed = (q: Schemas['Question']) => house?.[q.key] ?? q.start;
	const given = (q: Schemas['Question']) => answers[q.key] ?? housed(q);
	const answer = (q: Schemas['Question'], key: string) => q.answers.find((a) => a.key === key);
</script>

<dl class="grid gap-x-6 lg:grid-cols-2">
	{#each questions as q (q.key)}
		<div
			class="border-t border-line py-1.5"
			data-question={q.key}
			data-own={house && q.key in answers}
		>
			<dt class="flex flex-wrap items-center justify-between gap-x-3 gap-y-1">
				<label class="font-label text-[1.05rem] font-semibold" for="school-{q.key}">{q.text}</label>
				<Select
					id="school-{q.key}"
					class="max-w-56"
					disabled={busy}
					value={house && !(q.key in answers) ? HOUSE : given(q)}
					onchange={(value) => onanswer(q, value || null)}
					options={[
						...(house ? [[HOUSE, `as the house: ${answer(q, housed(q))?.label}`] as const] : []),
						...q.answers.map((a) => [a.key, a.label] as const)
					]}
				/>
			</dt>
			<dd class="text-[0.95rem] text-soft">{answer(q, given(q))?.trade}</dd>
		</div>
	{/each}
</dl>
