import { ValidateBy, type ValidationOptions } from "class-validator";

/** A pair of finite numbers. */
export const IsPoint = (options?: ValidationOptions): PropertyDecorator =>
  ValidateBy(
    {
      name: "isPoint",
      validator: {
        validate: (value) =>
          Array.isArray(value) && value.length === 2 && value.every((part) => Number.isFinite(part)),
      },
    },
    options,
  );
