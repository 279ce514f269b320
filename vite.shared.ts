/** class-validator reads legacy decorators; both Vite and Vitest must emit them alike. */
export const decorators = { decorator: { legacy: true } };
