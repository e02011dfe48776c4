type Named = { id: string };

const same = (a: unknown, b: unknown) => JSON.stringify(a) === JSON.stringify(b);

/**
 * A list with one edit taken back, whatever others have done to it since.
 *
 * What the edit put in goes, what it took out comes back behind what stood in front of it, what it changed
 * is as it was unless somebody changed it again, and an order that nobody touched since is the old one.
 */
export function takenBack<T extends Named>(
	before: readonly T[],
	after: readonly T[],
	now: readonly T[]
): T[] {
	if (same(now, after)) return [...before];
	const was = new Map(before.map((x) => [x.id, x]));
	const became = new Map(after.map((x) => [x.id, x]));
	const kept = now
		.filter((x) => was.has(x.id) || !became.has(x.id))
		.map((x) => (same(x, became.get(x.id)) ? (was.get(x.id) ?? x) : x));
	const there = new Set(kept.map((x) => x.id));
	before.forEach((x, i) => {
		if (became.has(x.id) || there.has(x.id)) return;
		const front = before
			.slice(0, i)
			.map((y) => y.id)
			.findLast((id) => there.has(id));
		kept.splice(front === undefined ? 0 : kept.findIndex((y) => y.id === front) + 1, 0, x);
		there.add(x.id);
	});
	return inOldOrder(before, after, kept);
}

/** Turns the order of an edit round where it still stands as the edit left it. */
function inOldOrder<T extends Named>(before: readonly T[], after: readonly T[], list: T[]): T[] {
	const ids = (xs: readonly T[]) => xs.map((x) => x.id);
	const both = new Set(ids(before).filter((id) => ids(after).includes(id)));
	const common = (xs: readonly T[]) => ids(xs).filter((id) => both.has(id));
	const shared = new Set(common(list));
	const only = (xs: readonly T[]) => common(xs).filter((id) => shared.has(id));
	if (!same(only(list), only(after)) || same(only(after), only(before))) return list;
	const byId = new Map(list.map((x) => [x.id, x]));
	const order = only(before).values();
	return list.map((x) => {
		const next = shared.has(x.id) ? order.next().value : undefined;
		return next === undefined ? x : (byId.get(next) ?? x);
	});
}
