import { keepPreviousData, QueryClient, queryOptions } from '@tanstack/svelte-query';
import { api, ApiError, must } from './client';

export const queryClient = new QueryClient({
	defaultOptions: {
		queries: {
			retry: (count, error) =>
				count < 2 && error instanceof ApiError && (error.status >= 500 || error.status === 0),
			staleTime: 2_000
		}
	}
});

const path = (jobId: string) => ({ params: { path: { jobId } } });

export const todayQuery = () =>
	queryOptions({
		queryKey: ['today'],
		queryFn: () => must(api.GET('/api/today')),
		refetchInterval: 30_000
	});

export const overviewQuery = () =>
	queryOptions({ queryKey: ['overview'], queryFn: () => must(api.GET('/api/overview')) });

export const catalogueQuery = () =>
	queryOptions({
		queryKey: ['catalogue'],
		queryFn: () => must(api.GET('/api/catalogue')),
		staleTime: Infinity
	});

export const workshopQuery = () =>
	queryOptions({ queryKey: ['workshop'], queryFn: () => must(api.GET('/api/workshop')) });

export const jobQuery = (id: string) =>
	queryOptions({
		queryKey: ['job', id],
		queryFn: () => must(api.GET('/api/jobs/{id}', { params: { path: { id } } }))
	});

export const photographsQuery = (id: string) =>
	queryOptions({
		queryKey: ['job', id, 'photographs'],
		queryFn: () => must(api.GET('/api/jobs/{jobId}/photographs', path(id)))
	});

export const studyQuery = (id: string) =>
	queryOptions({
		queryKey: ['job', id, 'study'],
		queryFn: () => must(api.GET('/api/jobs/{jobId}/study', path(id)))
	});

export const measuresQuery = (jobId: string, photographId: string, marked: boolean) =>
	queryOptions({
		queryKey: ['job', jobId, 'measures', photographId],
		queryFn: () =>
			must(
				api.GET('/api/photographs/{photographId}/measures', {
					params: { path: { photographId } }
				})
			),
		enabled: marked,
		placeholderData: keepPreviousData
	});

export const makeupQuery = (id: string) =>
	queryOptions({
		queryKey: ['job', id, 'makeup'],
		queryFn: () => must(api.GET('/api/jobs/{jobId}/makeup', path(id)))
	});

export const diaryQuery = (id: string) =>
	queryOptions({
		queryKey: ['job', id, 'diary'],
		queryFn: () => must(api.GET('/api/jobs/{jobId}/diary', path(id))),
		refetchInterval: 60_000
	});

export const benchQuery = (id: string) =>
	queryOptions({
		queryKey: ['job', id, 'bench'],
		queryFn: () => must(api.GET('/api/jobs/{jobId}/bench', path(id))),
		refetchInterval: 20_000
	});

export const compareQuery = (id: string) =>
	queryOptions({
		queryKey: ['job', id, 'compare'],
		queryFn: () => must(api.GET('/api/jobs/{jobId}/compare', path(id)))
	});

export const recordQuery = (id: string) =>
	queryOptions({
		queryKey: ['job', id, 'record'],
		queryFn: () => must(api.GET('/api/jobs/{jobId}/record', path(id))),
		staleTime: 0
	});

/** Everything that is shown of a job is asked again. */
export async function refreshJob(id: string): Promise<void> {
	await Promise.all([
		queryClient.invalidateQueries({ queryKey: ['job', id] }),
		queryClient.invalidateQueries({ queryKey: ['today'] }),
		queryClient.invalidateQueries({ queryKey: ['overview'] })
	]);
}
