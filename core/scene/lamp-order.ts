/** What the lamp makes lies beneath all that is drawn on its sheet by hand; what is deeper over what is less so, light last. */
const BELOW = Number.MIN_SAFE_INTEGER;
const LIGHT = 100;

export const lampRank = (deeper: number): number => BELOW + (deeper >= 0 ? deeper : LIGHT - deeper);
