import { Switch } from "radix-ui";
import { useId } from "react";

interface Props {
  readonly label: string;
  readonly checked: boolean;
  readonly onChange: (checked: boolean) => void;
}

/** A switch with its words. */
export function Toggle({ label, checked, onChange }: Props) {
  const id = useId();
  return (
    <div className="flex items-center gap-2">
      <Switch.Root
        id={id}
        checked={checked}
        onCheckedChange={onChange}
        className="group flex h-small w-9 shrink-0 items-center rounded-md touch:w-target touch:justify-center"
      >
        <span className="h-5 w-9 rounded-full border border-edge bg-well p-0.5 group-data-[state=checked]:border-fern group-data-[state=checked]:bg-fern">
          <Switch.Thumb className="block h-3.5 w-3.5 rounded-full border border-edge bg-field transition-transform duration-150 data-[state=checked]:translate-x-4 data-[state=checked]:border-transparent" />
        </span>
      </Switch.Root>
      <label htmlFor={id} className="leading-tight whitespace-nowrap">
        {label}
      </label>
    </div>
  );
}
