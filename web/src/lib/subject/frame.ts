import type { Schemas } from '$lib/api/client';
import type { Side } from '$lib/study/sides';

type Kind = Schemas['Job']['kind'];

/** What is drawn of a subject to show which edges are meant. */
export type Frame = {
	shape: 'car' | 'end' | 'box' | 'house' | 'plan' | 'piece';
	length: string;
	height: string;
};

const isHouse = (kind: Kind) => kind === 'STRUCTURE' || kind.endsWith('_BUILDING');

/**
 * Which edges length and height of a side go between, and its four corners lie on: asked in the same words wherever
 * a size is given or corners are marked.
 */
export function frameOf(kind: Kind, side: Side): Frame {
	if (side === 'DETAIL') {
		return {
			shape: 'piece',
			length: 'across the piece',
			height: 'from its lower to its upper edge'
		};
	}
	if (side === 'ROOF') {
		return { shape: 'plan', length: 'from end to end, from above', height: 'from eave to eave' };
	}
	if (isHouse(kind)) {
		return { shape: 'house', length: 'from wall to wall', height: 'from the ground to the eaves' };
	}
	if (kind === 'CONTAINER') {
		return { shape: 'box', length: 'from end to end', height: 'from its lower to its upper edge' };
	}
	const ground = kind === 'ROAD_TRAILER' ? 'the road' : 'the top of the rail';
	return side === 'LEFT' || side === 'RIGHT'
		? {
				shape: 'car',
				length: 'over the body, without couplers',
				height: `from ${ground} to the upper edge of the side`
			}
		: { shape: 'end', length: 'over the body', height: `from ${ground} to the upper edge` };
}
