import pictures from "./pictures.config.ts";

/** Draws the figures of Help: `npm run help:draw`. */
export default { ...pictures, testMatch: "help-figures.ts", use: { ...pictures.use, actionTimeout: 8000 } };
