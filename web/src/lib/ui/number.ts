/** A comma in front of three digits parts thousands for some, decimals for others. */
const THOUSAND = /^[1-9]\d{0,2},\d{3}$/;

/** A number as people type it; not a number when it is none, or could be two. */
export function number(text: string): number {
	const t = text.trim();
	return t === '' || THOUSAND.test(t) ? Number.NaN : Number(t.replace(',', '.'));
}

/** As `number`, but what cannot be read is said in a sentence. */
export function numberIn(field: string, text: string): number {
	const t = text.trim();
	if (THOUSAND.test(t)) {
		const [thousands, decimals] = [t.replace(',', ''), t.replace(',', '.')];
		throw new Error(
			`${field} (${t}) can be read in two ways. Write ${thousands}, or ${decimals} with a point.`
		);
	}
	const n = number(t);
	if (!Number.isFinite(n)) {
		throw new Error(
			t === ''
				? `${field} is empty. Type a number, or leave it as it was.`
				: `${field} (${t}) is not a number. Write it like 12 or 12.5.`
		);
	}
	return n;
}

/** The second figure of a scale: 87.1, 1:87.1 or 1/87.1. */
export const scaleIn = (text: string): number =>
	numberIn('Scale', text.trim().replace(/^1\s*[:/]\s*/, ''));
