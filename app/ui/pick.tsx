import clsx from "clsx";
import { getNonce } from "get-nonce";
import { Check, ChevronDown } from "lucide-react";
import { Select } from "radix-ui";
import { MENU, MENU_ITEM } from "./menu.ts";

interface Props<T extends string> {
  readonly label: string;
  readonly value: T;
  readonly options: readonly { readonly value: T; readonly word: string; readonly disabled?: boolean }[];
  readonly onChange: (value: T) => void;
  readonly disabled?: boolean;
  /** Its width, where that is not the width of its word. */
  readonly className?: string;
}

/** Radix keeps the empty value for itself. */
const named = (value: string): string => `=${value}`;

/** One of several, in a list that opens over the desk with every word whole. */
export function Pick<T extends string>({ label, value, options, onChange, disabled, className }: Props<T>) {
  const word = options.find((option) => option.value === value)?.word ?? "";
  return (
    <Select.Root
      value={named(value)}
      disabled={disabled}
      onValueChange={(next) => onChange(next.slice(1) as T)}
    >
      <Select.Trigger
        aria-label={label}
        title={word}
        className={clsx(
          "flex h-target shrink-0 items-center justify-between gap-1 rounded-md border border-edge bg-field pr-1 pl-1.5 text-left text-xs disabled:opacity-50",
          className,
        )}
      >
        <span className="truncate">
          <Select.Value>{word}</Select.Value>
        </span>
        <ChevronDown size={13} aria-hidden className="shrink-0 text-quiet" />
      </Select.Trigger>
      <Select.Portal>
        <Select.Content
          position="popper"
          sideOffset={4}
          collisionPadding={8}
          className={clsx(MENU, "z-50 max-h-(--radix-select-content-available-height) overflow-hidden")}
        >
          <Select.Viewport nonce={getNonce()}>
            {options.map((option) => (
              <Select.Item
                key={option.value}
                value={named(option.value)}
                disabled={option.disabled}
                className={MENU_ITEM}
              >
                <span className="w-4 shrink-0">
                  <Select.ItemIndicator>
                    <Check size={14} aria-hidden />
                  </Select.ItemIndicator>
                </span>
                <Select.ItemText>{option.word}</Select.ItemText>
              </Select.Item>
            ))}
          </Select.Viewport>
        </Select.Content>
      </Select.Portal>
    </Select.Root>
  );
}
