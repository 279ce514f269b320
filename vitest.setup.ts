import "fake-indexeddb/auto";
import fc from "fast-check";

/** The same cases each time, so that only a change turns a test red; `npm run soak` tries new ones. */
const KNOWN_SEED = 20_261_128;

fc.configureGlobal({ seed: process.env.SOAK ? Date.now() % 1e9 : KNOWN_SEED });
