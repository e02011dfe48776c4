import { QueryObserver } from '@tanstack/svelte-query';
import { expect, test } from 'vitest';
import { keep, queryClient, refreshJob } from './queries';

test('a first answer asked before a change is not taken for the one after it', async () => {
	const answers: ((value: string) => void)[] = [];
	const observer = new QueryObserver(queryClient, {
		queryKey: ['job', 'one', 'measures'],
		queryFn: () => new Promise<string>((resolve) => answers.push(resolve))
	});
	const seen: (string | undefined)[] = [];
	const leave = observer.subscribe((r) => seen.push(r.data));
	expect(answers).toHaveLength(1);
	const refreshed = refreshJob('one');
	await new Promise((resolve) => setTimeout(resolve));
	answers[0]?.('before the change');
	await new Promise((resolve) => setTimeout(resolve));
	expect(answers).toHaveLength(2);
	answers[1]?.('after the change');
	await refreshed;
	expect(observer.getCurrentResult().data).toBe('after the change');
	expect(seen).not.toContain('before the change');
	leave();
	queryClient.clear();
});

test('what the answer to an edit said is not asked again', async () => {
	const asked: string[] = [];
	const looked = (part?: string) =>
		new QueryObserver(queryClient, {
			queryKey: part ? ['job', 'one', part] : ['job', 'one'],
			queryFn: () => {
				asked.push(part ?? 'job');
				return Promise.resolve(part ?? 'job');
			}
		});
	const parts = [undefined, 'makeup', 'study', 'photographs', 'diary', 'made', 'bench'];
	const leave = parts.map((part) => looked(part).subscribe(() => {}));
	await new Promise((resolve) => setTimeout(resolve));
	const after = async (said?: 'makeup' | 'bench' | 'study') => {
		asked.length = 0;
		await refreshJob('one', said);
		return [...asked].sort();
	};
	expect(await after('makeup')).toEqual(['bench', 'diary', 'made']);
	expect(await after('bench')).toEqual(['diary', 'makeup']);
	expect(await after('study')).toEqual(['bench', 'diary', 'made', 'makeup']);
	expect(await after()).toEqual([...parts.map((p) => p ?? 'job')].sort());
	leave.forEach((l) => l());
	queryClient.clear();
});

test('an answer that was asked for before an edit does not hide what the edit said', async () => {
	const answers: ((value: string) => void)[] = [];
	const observer = new QueryObserver(queryClient, {
		queryKey: ['job', 'one', 'makeup'],
		queryFn: () => new Promise<string>((resolve) => answers.push(resolve)),
		initialData: 'as it was seen',
		staleTime: 0
	});
	const leave = observer.subscribe(() => {});
	expect(answers).toHaveLength(1);
	await keep(['job', 'one', 'makeup'], 'as the edit left it');
	answers[0]?.('as it was before');
	await new Promise((resolve) => setTimeout(resolve));
	expect(observer.getCurrentResult().data).toBe('as the edit left it');
	leave();
	queryClient.clear();
});
