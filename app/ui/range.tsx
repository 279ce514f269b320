import { Slider } from "radix-ui";

interface Props {
  readonly label: string;
  /** 0 to 1. */
  readonly value: number;
  readonly onChange: (value: number) => void;
  /** Called once the hand lets go. */
  readonly onDone?: (value: number) => void;
  /** How many steps lie between nothing and all. */
  readonly steps?: number;
  readonly disabled?: boolean;
  /** What it stands at, in words. */
  readonly valueText?: string;
  readonly className?: string;
}

/** A share from nothing to all. */
export function Range({
  label,
  value,
  onChange,
  onDone,
  steps = 100,
  disabled,
  valueText,
  className = "w-28",
}: Props) {
  return (
    <Slider.Root
      min={0}
      max={steps}
      step={1}
      disabled={disabled}
      value={[Math.round(value * steps)]}
      onValueChange={([next]) => onChange(next / steps)}
      // A key tells the end before the change it is the end of.
      onValueCommit={([next]) => queueMicrotask(() => onDone?.(next / steps))}
      className={`relative flex h-small touch-none items-center select-none ${className}`}
    >
      <Slider.Track className="relative h-1 grow rounded-full bg-line">
        <Slider.Range className="absolute h-full rounded-full bg-edge" />
      </Slider.Track>
      <Slider.Thumb
        aria-label={label}
        aria-valuetext={valueText}
        className="grid h-small w-small place-items-center rounded-full before:h-3.5 before:w-3.5 before:rounded-full before:border before:border-edge before:bg-field before:shadow-sm touch:before:h-5 touch:before:w-5"
      />
    </Slider.Root>
  );
}
