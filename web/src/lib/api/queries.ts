import { keepPreviousData, QueryClient, queryOptions } from '@tanstack/svelte-query';
import { api, ApiError, must, type Schemas } from './client';
import { comparing, measuring, recalling, weighing } from './progress.svelte';

export const queryClient = new QueryClient({
	defaultOptions: {
		queries: {
			retry: (count, error) =>
				count < 2 && error instanceof ApiError && (error.status >= 500 || error.status === 0),
			staleTime: 2_000
		}
	}
});

const path = (jobId: string, signal: AbortSignal) => ({ params: { path: { jobId } }, signal });

export const todayQuery = () =>
	queryOptions({
		queryKey: ['today'],
		queryFn: ({ signal }) => must(api.GET('/api/today', { signal })),
		refetchInterval: 30_000
	});

/** The diary of the whole workshop. */
export const workshopDiaryQuery = () =>
	queryOptions({
		queryKey: ['today', 'diary'],
		queryFn: ({ signal }) => must(api.GET('/api/diary', { signal })),
		refetchInterval: 60_000
	});

export const benchChangesQuery = () =>
	queryOptions({
		queryKey: ['workshop', 'changes'],
		queryFn: ({ signal }) => must(api.GET('/api/workshop/changes', { signal }))
	});

export const calendarsQuery = () =>
	queryOptions({
		queryKey: ['workshop', 'calendars'],
		queryFn: ({ signal }) => must(api.GET('/api/workshop/calendars', { signal }))
	});

export const calendarLinkQuery = () =>
	queryOptions({
		queryKey: ['workshop', 'calendar-link'],
		queryFn: ({ signal }) => must(api.GET('/api/diary/calendar-link', { signal }))
	});

export const overviewQuery = () =>
	queryOptions({
		queryKey: ['overview'],
		queryFn: ({ signal }) => must(api.GET('/api/overview', { signal }))
	});

export const catalogueQuery = () =>
	queryOptions({
		queryKey: ['catalogue'],
		queryFn: ({ signal }) => must(api.GET('/api/catalogue', { signal })),
		staleTime: Infinity
	});

export const workshopQuery = () =>
	queryOptions({
		queryKey: ['workshop'],
		queryFn: ({ signal }) => must(api.GET('/api/workshop', { signal }))
	});

export const licencesQuery = (wanted: boolean) =>
	queryOptions({
		queryKey: ['licences'],
		queryFn: ({ signal }) => must(api.GET('/api/licences', { signal })),
		staleTime: Infinity,
		enabled: wanted
	});

export const backupsQuery = () =>
	queryOptions({
		queryKey: ['backups'],
		queryFn: ({ signal }) => must(api.GET('/api/backups', { signal }))
	});

export const shelfQuery = () =>
	queryOptions({
		queryKey: ['shelf'],
		queryFn: ({ signal }) => must(api.GET('/api/shelf', { signal }))
	});

export const recipesQuery = () =>
	queryOptions({
		queryKey: ['recipes'],
		queryFn: ({ signal }) => must(api.GET('/api/recipes', { signal }))
	});

export const shoppingQuery = () =>
	queryOptions({
		queryKey: ['shopping'],
		queryFn: ({ signal }) => must(api.GET('/api/shopping', { signal }))
	});

export const mixSheetQuery = (jobId: string, stepId: string) =>
	queryOptions({
		queryKey: ['job', jobId, 'mix', stepId],
		queryFn: ({ signal }) =>
			must(
				api.GET('/api/jobs/{jobId}/steps/{stepId}/mix', {
					params: { path: { jobId, stepId } },
					signal
				})
			)
	});

export const jobQuery = (id: string) =>
	queryOptions({
		queryKey: ['job', id],
		queryFn: ({ signal }) => must(api.GET('/api/jobs/{id}', { params: { path: { id } }, signal }))
	});

export const photographsQuery = (id: string) =>
	queryOptions({
		queryKey: ['job', id, 'photographs'],
		queryFn: ({ signal }) => must(api.GET('/api/jobs/{jobId}/photographs', path(id, signal)))
	});

export const studyQuery = (id: string) =>
	queryOptions({
		queryKey: ['job', id, 'study'],
		queryFn: ({ signal }) => must(api.GET('/api/jobs/{jobId}/study', path(id, signal)))
	});

/**
 * What the server answered to a change is shown at once, before anything else is asked again. What was
 * asked before the change and is still on its way would be taken for newer, so it is given up.
 */
export async function keep<T>(queryKey: readonly unknown[], answer: T): Promise<void> {
	await queryClient.cancelQueries({ queryKey, exact: true });
	queryClient.setQueryData(queryKey, answer);
}

export const keepStudy = (id: string, study: Schemas['Study']): Promise<void> =>
	keep(studyQuery(id).queryKey, study);

/** What has still to be marked before the side of a photograph is located. */
export const neededQuery = (jobId: string, id: string, version: number, wanted: boolean) =>
	queryOptions({
		queryKey: ['job', jobId, 'needed', id, version],
		queryFn: ({ signal }) =>
			must(api.GET('/api/photographs/{id}/needed', { params: { path: { id } }, signal })),
		enabled: wanted
	});

/** What stands ready to be the factory colour. */
export const factoryOffersQuery = (id: string, wanted: boolean) =>
	queryOptions({
		queryKey: ['job', id, 'factory-colours'],
		queryFn: ({ signal }) => must(api.GET('/api/jobs/{jobId}/factory-colours', path(id, signal))),
		enabled: wanted
	});

export const sidesQuery = (id: string) =>
	queryOptions({
		queryKey: ['job', id, 'sides'],
		queryFn: ({ signal }) => must(api.GET('/api/jobs/{jobId}/sides', path(id, signal)))
	});

export const measuresQuery = (jobId: string, photographId: string, marked: boolean) =>
	queryOptions({
		queryKey: ['job', jobId, 'measures', photographId],
		queryFn: ({ signal }) =>
			measuring.ask((task) =>
				must(
					api.GET('/api/photographs/{photographId}/measures', {
						params: { path: { photographId }, query: { task } },
						signal
					})
				)
			),
		enabled: marked,
		placeholderData: keepPreviousData
	});

/** The regions of a side on each of several photographs of it. */
export const joinedQuery = (jobId: string, side: Schemas['Photograph']['side'], wanted: boolean) =>
	queryOptions({
		queryKey: ['job', jobId, 'joined', side],
		queryFn: ({ signal }) =>
			must(
				api.GET('/api/jobs/{jobId}/sides/{side}/joined', {
					params: { path: { jobId, side } },
					signal
				})
			),
		enabled: wanted,
		placeholderData: keepPreviousData
	});

export const proposalsQuery = (jobId: string, photographId: string, wanted: boolean) =>
	queryOptions({
		queryKey: ['job', jobId, 'proposals', photographId],
		queryFn: ({ signal }) =>
			must(
				api.GET('/api/photographs/{photographId}/proposals', {
					params: { path: { photographId } },
					signal
				})
			),
		enabled: wanted
	});

export const artworksQuery = (id: string) =>
	queryOptions({
		queryKey: ['job', id, 'artworks'],
		queryFn: ({ signal }) => must(api.GET('/api/jobs/{jobId}/artworks', path(id, signal)))
	});

export const makeupQuery = (id: string) =>
	queryOptions({
		queryKey: ['job', id, 'makeup'],
		queryFn: ({ signal }) => must(api.GET('/api/jobs/{jobId}/makeup', path(id, signal)))
	});

/** How each effect of the study is made, as schools and effect have it. */
export const madeQuery = (id: string) =>
	queryOptions({
		queryKey: ['job', id, 'made'],
		queryFn: ({ signal }) => must(api.GET('/api/jobs/{jobId}/makeup/made', path(id, signal)))
	});

export const alternativesQuery = (id: string, wanted: boolean) =>
	queryOptions({
		queryKey: ['job', id, 'alternatives'],
		queryFn: ({ signal }) =>
			weighing.ask((task) =>
				must(
					api.GET('/api/jobs/{jobId}/alternatives', {
						params: { path: { jobId: id }, query: { task } },
						signal
					})
				)
			),
		enabled: wanted
	});

export const housesQuery = () =>
	queryOptions({
		queryKey: ['schools'],
		queryFn: ({ signal }) => must(api.GET('/api/schools', { signal }))
	});

export const priorsQuery = () =>
	queryOptions({
		queryKey: ['priors'],
		queryFn: ({ signal }) => must(api.GET('/api/priors', { signal }))
	});

export const sensesQuery = () =>
	queryOptions({
		queryKey: ['priors', 'senses'],
		queryFn: ({ signal }) => must(api.GET('/api/priors/senses', { signal }))
	});

export const diaryQuery = (id: string) =>
	queryOptions({
		queryKey: ['job', id, 'diary'],
		queryFn: ({ signal }) => must(api.GET('/api/jobs/{jobId}/diary', path(id, signal))),
		refetchInterval: 60_000
	});

export const benchQuery = (id: string) =>
	queryOptions({
		queryKey: ['job', id, 'bench'],
		queryFn: ({ signal }) => must(api.GET('/api/jobs/{jobId}/bench', path(id, signal))),
		refetchInterval: 20_000
	});

type Compared = { side?: Schemas['Photograph']['side']; model?: string };

export const compareQuery = (id: string, of: Compared) =>
	queryOptions({
		queryKey: ['job', id, 'compare', of],
		queryFn: ({ signal }) =>
			comparing.ask((task) =>
				must(
					api.GET('/api/jobs/{jobId}/compare', {
						params: { path: { jobId: id }, query: { ...of, task } },
						signal
					})
				)
			),
		placeholderData: keepPreviousData
	});

export const historyQuery = (id: string, of: Compared, wanted: boolean) =>
	queryOptions({
		queryKey: ['job', id, 'history', of],
		queryFn: ({ signal }) =>
			recalling.ask((task) =>
				must(
					api.GET('/api/jobs/{jobId}/compare/history', {
						params: { path: { jobId: id }, query: { ...of, task } },
						signal
					})
				)
			),
		enabled: wanted
	});

export const recordQuery = (id: string) =>
	queryOptions({
		queryKey: ['job', id, 'record'],
		queryFn: ({ signal }) => must(api.GET('/api/jobs/{jobId}/record', path(id, signal))),
		staleTime: 0
	});

/** Parts of a job by the third word of their keys; the job itself has none. */
const OF_PHOTOGRAPHS = ['photographs', 'sides'];
const OF_STUDY = ['study', 'measures', 'joined', 'proposals', 'artworks'];

/** What stays as it is shown when an edit was answered: what the answer said, and what it does not touch. */
const STAYS = {
	makeup: ['', 'makeup', ...OF_PHOTOGRAPHS, ...OF_STUDY],
	bench: ['', 'bench', 'made', ...OF_PHOTOGRAPHS, ...OF_STUDY],
	study: ['', 'study', ...OF_PHOTOGRAPHS]
};

/**
 * What is shown of a job is asked again. A first answer that is still on its way was asked before the
 * change and would be taken for the new one, so it is not waited for.
 *
 * @param said what the answer to the change said already; all is asked again when nobody knows
 */
export async function refreshJob(id: string, said?: keyof typeof STAYS): Promise<void> {
	const stays = said ? STAYS[said] : [];
	const changed = (q: { queryKey: readonly unknown[] }) => !stays.includes(partOf(q.queryKey));
	await queryClient.cancelQueries({
		queryKey: ['job', id],
		predicate: (q) => changed(q) && q.state.data === undefined && q.state.fetchStatus === 'fetching'
	});
	await Promise.all([
		queryClient.invalidateQueries({ queryKey: ['job', id], predicate: changed }),
		queryClient.invalidateQueries({ queryKey: ['today'] }),
		queryClient.invalidateQueries({ queryKey: ['overview'] }),
		queryClient.invalidateQueries({ queryKey: ['shopping'] })
	]);
}

const partOf = (key: readonly unknown[]): string => (typeof key[2] === 'string' ? key[2] : '');
