import { must } from '$lib/api/client';

export type MadeFile = { name: string; blob: Blob };

/** Asks the server for a file; a refusal is thrown with its sentence instead of being saved. */
export async function made(href: string, get: typeof fetch = fetch): Promise<MadeFile> {
	let name = href.split('?')[0]?.split('/').at(-1) ?? 'file';
	const blob = await must(
		get(href).then(async (response) => {
			if (!response.ok) {
				const error: unknown = await response.json().catch(() => undefined);
				return { error, response };
			}
			const said = response.headers.get('Content-Disposition') ?? '';
			name = /filename="?([^";]+)/.exec(said)?.[1] ?? name;
			return { data: await response.blob(), response };
		})
	);
	return { name, blob };
}

/** Hands a file to the browser, which asks where to or puts it with the downloads. */
export function save(file: MadeFile): void {
	const link = document.createElement('a');
	link.href = URL.createObjectURL(file.blob);
	link.download = file.name;
	link.click();
	setTimeout(() => URL.revokeObjectURL(link.href), 60_000);
}
