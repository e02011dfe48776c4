import createClient from 'openapi-fetch';
import { benchClock } from '$lib/time/clock.svelte';
import type { components, paths } from './schema';

export type Schemas = components['schemas'];

export const api = createClient<paths>({ baseUrl: '/' });

// everything that is shown is timed by the clock of the server, whatever this device believes
api.use({
	onResponse: ({ response }) => {
		benchClock.hear(response.headers.get('Pendrik-Clock'));
		benchClock.hearZone(response.headers.get('Pendrik-Zone'));
	}
});

/** What the server says when it refuses: problem details (RFC 9457). */
export class ApiError extends Error {
	constructor(
		readonly status: number,
		detail: string,
		readonly field: string | undefined,
		readonly title: string
	) {
		super(detail);
	}
}

type Problem = { title?: string; detail?: string; field?: string };

/** Turns an error answer into an exception, so that nothing passes for success that was none. */
export async function must<T>(
	call: Promise<{ data?: T; error?: unknown; response: Response }>
): Promise<T> {
	let answer;
	try {
		answer = await call;
	} catch {
		throw new ApiError(
			0,
			'Pendrik does not answer. Look whether it still runs in its terminal; what you see stays here.',
			undefined,
			'No answer'
		);
	}
	if (!answer.response.ok) {
		const problem = (answer.error ?? {}) as Problem;
		throw new ApiError(
			answer.response.status,
			problem.detail ?? 'The server refused this without a reason.',
			problem.field,
			problem.title ?? 'Refused'
		);
	}
	return answer.data as T;
}

/** The sentence to show for anything that was thrown. */
export function said(error: unknown): string {
	return error instanceof Error ? error.message : 'Something went wrong here. Try it again.';
}
