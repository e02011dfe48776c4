import { vi, type Mock } from 'vitest';
import { api } from './client';

/** A server for tests: answers every call of one method as told, a moment later. */

type Answer = { data?: unknown; error?: unknown; response: { ok: boolean; status: number } };
export type Call<Body> = { params: { path: Record<string, string> }; body: Body };

export const stored = (data: unknown): Answer => ({ data, response: { ok: true, status: 200 } });

export const refused = (status: number, detail: string): Answer => ({
	error: { detail },
	response: { ok: false, status }
});

export function answer<Body>(
	method: 'GET' | 'PUT' | 'POST' | 'DELETE',
	how: (call: Call<Body>) => Answer | Promise<Answer>
): Mock<(path: string, call: Call<Body>) => Promise<Answer>> {
	const mock = vi.spyOn(api, method) as unknown as Mock<
		(path: string, call: Call<Body>) => Promise<Answer>
	>;
	return mock.mockImplementation((_, call) => Promise.resolve().then(() => how(call)));
}
