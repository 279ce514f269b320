import clsx from "clsx";
import type { ComponentProps } from "react";

interface Props extends ComponentProps<"button"> {
  /** What the window or panel is there for. */
  readonly main?: boolean;
  readonly size?: keyof typeof SIZES;
}

const SIZES = {
  small: "h-target gap-1.5 px-2 text-xs",
  medium: "h-target gap-1.5 px-3",
  large: "h-large gap-2 px-3",
} as const;

/** A button with words, an icon before them or not. */
export const Button = ({ main = false, size = "medium", className, ...rest }: Props) => (
  <button
    type="button"
    {...rest}
    className={clsx(
      "inline-flex items-center justify-center rounded-md whitespace-nowrap disabled:opacity-60",
      SIZES[size],
      main ? "bg-fern font-medium text-on-accent hover:brightness-95" : "border border-edge hover:bg-well",
      className,
    )}
  />
);
