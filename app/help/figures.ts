/** Figures of Help by the names of their pages, drawn from the real desk by `npm run help:draw`. */
const FILES = import.meta.glob<string>("./figures/*.webp", { query: "?url", import: "default", eager: true });

export const figureOf = (name: string): string | undefined => FILES[`./figures/${name}.webp`];
