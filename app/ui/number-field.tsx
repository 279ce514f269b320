import { useState } from "react";

interface Props {
  readonly label: string;
  readonly value: number;
  readonly onChange: (value: number) => void;
  readonly min?: number;
  readonly step?: number;
  readonly digits?: number;
  readonly unit?: string;
  readonly className?: string;
}

/** A number that is taken once it makes sense, so that it can be typed in peace. */
export function NumberField({
  label,
  value,
  onChange,
  min,
  step,
  digits = 2,
  unit,
  className = "w-16",
}: Props) {
  const [typed, setTyped] = useState<string | null>(null);
  const shown = String(Number(value.toFixed(digits)));
  const take = (text: string) => {
    setTyped(text);
    const number = Number(text);
    if (text.trim() !== "" && Number.isFinite(number) && (min === undefined || number >= min))
      onChange(number);
  };
  return (
    <label className="flex items-center gap-1.5 text-xs whitespace-nowrap">
      {label}
      <input
        type="number"
        min={min}
        step={step ?? "any"}
        value={typed ?? shown}
        onChange={(event) => take(event.target.value)}
        onBlur={() => setTyped(null)}
        className={`h-7 rounded-md border border-edge bg-white px-1.5 tabular-nums ${className}`}
      />
      {unit && <span className="text-quiet">{unit}</span>}
    </label>
  );
}
