type Box = { x: number; y: number; width: number; height: number };

const MOST = 16;

/** The part of a picture that is shown: zoomed about a place, moved about, never beyond its border. */
export class Viewport {
	zoom = $state(1);
	#x = $state(0);
	#y = $state(0);
	#held: { x: number; y: number } | undefined;

	constructor(
		private readonly width: () => number,
		private readonly height: () => number
	) {}

	get box(): Box {
		const width = this.width() / this.zoom;
		const height = this.height() / this.zoom;
		return {
			x: Math.min(Math.max(this.#x, 0), this.width() - width),
			y: Math.min(Math.max(this.#y, 0), this.height() - height),
			width,
			height
		};
	}

	get attribute(): string {
		const b = this.box;
		return `${b.x} ${b.y} ${b.width} ${b.height}`;
	}

	/** Zooms so that the place, given in shares of what is shown, stays where it is. */
	by(factor: number, atX = 0.5, atY = 0.5): void {
		const before = this.box;
		const px = before.x + atX * before.width;
		const py = before.y + atY * before.height;
		this.zoom = Math.min(MOST, Math.max(1, this.zoom * factor));
		this.#x = px - (atX * this.width()) / this.zoom;
		this.#y = py - (atY * this.height()) / this.zoom;
	}

	/** Moves what is shown by shares of itself. */
	move(dx: number, dy: number): void {
		const b = this.box;
		this.#x = b.x + dx * b.width;
		this.#y = b.y + dy * b.height;
	}

	/** Brings a place into view when it is not. */
	show(x: number, y: number): void {
		const b = this.box;
		if (x < b.x || y < b.y || x > b.x + b.width || y > b.y + b.height) {
			this.#x = x - b.width / 2;
			this.#y = y - b.height / 2;
		}
	}

	/** Shows a part as large as it can be. */
	fit(part: Box): void {
		const most = Math.min(this.width() / part.width, this.height() / part.height);
		this.zoom = Math.min(MOST, Math.max(1, most));
		this.#x = part.x + (part.width - this.width() / this.zoom) / 2;
		this.#y = part.y + (part.height - this.height() / this.zoom) / 2;
	}

	whole(): void {
		this.zoom = 1;
	}

	/** The wheel zooms about the pointer; the page scrolls while all is shown and it turns back. */
	wheel(event: WheelEvent): void {
		if (!(event.ctrlKey || this.zoom > 1 || event.deltaY < 0)) return;
		event.preventDefault();
		const box = (event.currentTarget as Element).getBoundingClientRect();
		this.by(
			event.deltaY < 0 ? 1.25 : 1 / 1.25,
			(event.clientX - box.left) / box.width,
			(event.clientY - box.top) / box.height
		);
	}

	/** Takes hold of the picture to move it; nothing to move while all of it is shown. */
	grab(event: PointerEvent): boolean {
		if (this.zoom === 1) return false;
		this.#held = { x: event.clientX, y: event.clientY };
		(event.currentTarget as Element).setPointerCapture(event.pointerId);
		return true;
	}

	/** Moves the picture with the pointer that holds it. */
	pan(event: PointerEvent): boolean {
		if (!this.#held) return false;
		const box = (event.currentTarget as Element).getBoundingClientRect();
		this.move(
			(this.#held.x - event.clientX) / box.width,
			(this.#held.y - event.clientY) / box.height
		);
		this.#held = { x: event.clientX, y: event.clientY };
		return true;
	}

	/** Lets the picture go. */
	letGo(): void {
		this.#held = undefined;
	}
}
