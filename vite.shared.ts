/** class-validator and class-transformer read legacy decorators; both Vite and Vitest must emit them alike. */
export const decorators = { decorator: { legacy: true, emitDecoratorMetadata: true } };
