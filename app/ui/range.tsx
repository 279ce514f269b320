import { Slider } from "radix-ui";

interface Props {
  readonly label: string;
  /** 0 to 1. */
  readonly value: number;
  readonly onChange: (value: number) => void;
  /** Called once the hand lets go. */
  readonly onDone?: (value: number) => void;
  readonly disabled?: boolean;
  readonly className?: string;
}

/** A share from nothing to all, in steps of a hundredth. */
export function Range({ label, value, onChange, onDone, disabled, className = "w-28" }: Props) {
  return (
    <Slider.Root
      min={0}
      max={100}
      step={1}
      disabled={disabled}
      value={[Math.round(value * 100)]}
      onValueChange={([next]) => onChange(next / 100)}
      onValueCommit={([next]) => onDone?.(next / 100)}
      className={`relative flex h-5 touch-none items-center select-none ${className}`}
    >
      <Slider.Track className="relative h-1 grow rounded-full bg-line">
        <Slider.Range className="absolute h-full rounded-full bg-edge" />
      </Slider.Track>
      <Slider.Thumb
        aria-label={label}
        className="block h-3.5 w-3.5 rounded-full border border-edge bg-white shadow-sm"
      />
    </Slider.Root>
  );
}
