const ORDER = ['light', 'dark', 'grey'] as const;
type Surround = (typeof ORDER)[number];

/** The neutral surround that colours are judged in. */
export class SurroundChoice {
	current = $state<Surround>((document.documentElement.dataset.theme as Surround) ?? 'light');

	set(next: Surround): void {
		this.current = next;
		document.documentElement.dataset.theme = next;
		try {
			localStorage.setItem('theme', next);
		} catch {
			// storage is blocked: the choice holds until the page closes
		}
	}

	next(): void {
		this.set(ORDER[(ORDER.indexOf(this.current) + 1) % ORDER.length] ?? 'light');
	}
}
