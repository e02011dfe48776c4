type Cycle = 12 | 24;

function stored(): Cycle {
	try {
		return localStorage.getItem('hours') === '12' ? 12 : 24;
	} catch {
		return 24;
	}
}

/** How the hours of a day are written on this screen: 0 to 23, or 1 to 12 twice with am and pm. */
class Hours {
	cycle = $state<Cycle>(stored());

	set(next: Cycle): void {
		this.cycle = next;
		try {
			localStorage.setItem('hours', String(next));
		} catch {
			// storage is blocked: the choice holds until the page closes
		}
	}
}

export const hours = new Hours();
