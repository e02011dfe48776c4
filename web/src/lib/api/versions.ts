import { api, must, type Schemas } from './client';

/**
 * Versions as they are stored now. A change may be taken back long after its view is gone and others
 * have changed the same: the way back goes on top of them.
 */

export async function studyVersion(jobId: string): Promise<number> {
	return (await must(api.GET('/api/jobs/{jobId}/study', { params: { path: { jobId } } }))).version;
}

export async function makeupVersion(jobId: string): Promise<number> {
	return (await must(api.GET('/api/jobs/{jobId}/makeup', { params: { path: { jobId } } }))).version;
}

export async function photographNow(jobId: string, id: string): Promise<Schemas['Photograph']> {
	const path = { params: { path: { jobId } } };
	const photo = (await must(api.GET('/api/jobs/{jobId}/photographs', path))).find(
		(p) => p.id === id
	);
	if (!photo) throw new Error('The photograph is put away. Take it out again first.');
	return photo;
}
