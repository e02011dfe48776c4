import { QueryObserver } from '@tanstack/svelte-query';
import { expect, test } from 'vitest';
import { queryClient, refreshJob } from './queries';

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
