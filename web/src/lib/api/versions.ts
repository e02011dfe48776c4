import { api, must, type Schemas } from './client';

/**
 * Things as they are stored now, with their versions. A change may be taken back long after its view is
 * gone and others have changed the same: the way back goes on top of what is there then.
 */

export function studyNow(jobId: string): Promise<Schemas['Study']> {
	return must(api.GET('/api/jobs/{jobId}/study', { params: { path: { jobId } } }));
}

export function makeupNow(jobId: string): Promise<Schemas['MakeupView']> {
	return must(api.GET('/api/jobs/{jobId}/makeup', { params: { path: { jobId } } }));
}

/** A bottle, be it on the shelf or taken away. */
export function bottleNow(id: string): Promise<Schemas['Standing']> {
	return must(api.GET('/api/shelf/{id}/standing', { params: { path: { id } } }));
}

/** A recipe, be it kept or taken away. */
export function recipeNow(id: string): Promise<Schemas['Standing']> {
	return must(api.GET('/api/recipes/{id}/standing', { params: { path: { id } } }));
}

export async function photographNow(jobId: string, id: string): Promise<Schemas['Photograph']> {
	const path = { params: { path: { jobId } } };
	const photo = (await must(api.GET('/api/jobs/{jobId}/photographs', path))).find(
		(p) => p.id === id
	);
	if (!photo) throw new Error('The photograph is put away. Take it out again first.');
	return photo;
}
