import clsx from "clsx";
import { ToggleGroup } from "radix-ui";
import type { ReactNode } from "react";

interface Props<T extends string> {
  readonly label: string;
  readonly value: T;
  readonly onChange: (value: T) => void;
  readonly options: readonly { readonly value: T; readonly word: string; readonly icon?: ReactNode }[];
}

/** One of a few, side by side. */
export function Choice<T extends string>({ label, value, onChange, options }: Props<T>) {
  return (
    <ToggleGroup.Root
      type="single"
      aria-label={label}
      value={value}
      onValueChange={(next) => next && onChange(next as T)}
      className="flex rounded-md border border-edge touch:gap-apart touch:border-0"
    >
      {options.map((option, i) => (
        <ToggleGroup.Item
          key={option.value}
          value={option.value}
          aria-label={option.word}
          title={option.word}
          className={clsx(
            "flex h-target min-w-target items-center justify-center gap-1 px-2 text-xs whitespace-nowrap touch:rounded-md touch:border touch:border-edge",
            i > 0 && "border-l border-line",
            option.value === value ? "bg-fern-soft font-semibold text-fern" : "hover:bg-well",
          )}
        >
          {option.icon ?? option.word}
        </ToggleGroup.Item>
      ))}
    </ToggleGroup.Root>
  );
}
