/**
 * What can be said of the ways beside a plan, of which the first is the plan as it is asked for.
 *
 * @param found how many ways stand there
 * @param untried how many were not tried, since the time was up; nothing is claimed of those
 */
export function saidOfWays(found: number, untried: number): string {
	if (untried > 0) {
		const were = untried === 1 ? 'way was' : 'ways were';
		return `The time was up: ${untried} other ${were} not tried. What stands here holds all the same; fewer effects are looked through to the end.`;
	}
	if (found === 0) return 'These effects cannot be made in any school. Leave one of them out.';
	if (found === 1) {
		return 'No other school is better in anything: not sooner, not with fewer clears, less work or fewer moments to watch.';
	}
	return '';
}
