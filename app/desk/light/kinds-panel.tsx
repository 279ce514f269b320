import { Columns3, Eye, EyeOff } from "lucide-react";
import { useState } from "react";
import { LIGHTS, type LightKind } from "#core/drawing/drawing.ts";
import { setGradientStrength } from "#core/drawing/gradients.ts";
import { setLight } from "#core/drawing/light-edits.ts";
import { lightSetting } from "#core/scene/light-kinds.ts";
import { IconButton } from "../../ui/icon-button.tsx";
import { Range } from "../../ui/range.tsx";
import { useDesk, useDeskStore } from "../store/use-desk.ts";
import { CompareWindow } from "./compare-window.tsx";

const WORDS: Readonly<Record<LightKind, string>> = {
  form: "Form shade",
  shine: "Shine",
  rim: "Rim light",
  cast: "Cast shadows",
  crease: "Creases",
  drawn: "Drawn by hand",
};

/** Each kind of light with its eye and its strength, wherever it lies. */
export function KindsPanel() {
  const strength = useDesk((s) => s.drawing.gradientStrength);
  const { edit, show, keep } = useDeskStore().getState();
  const [comparing, setComparing] = useState(false);
  return (
    <section aria-labelledby="light-kinds" className="grid gap-2 border-t border-line px-3 py-3">
      <div className="flex items-center justify-between">
        <h2 id="light-kinds" className="font-display text-base">
          Light
        </h2>
        <IconButton small label="Before and after, side by side" onClick={() => setComparing(true)}>
          <Columns3 size={15} aria-hidden />
        </IconButton>
        {comparing ? <CompareWindow onClose={() => setComparing(false)} /> : null}
      </div>
      <ul className="grid grid-cols-[auto_1fr_4.5rem] items-center gap-x-2 gap-y-0.5">
        {LIGHTS.map((kind) => (
          <KindRow key={kind} kind={kind} />
        ))}
        <Row
          word="Gradients"
          visible={strength > 0}
          strength={strength}
          onEye={() => edit(setGradientStrength(strength > 0 ? 0 : 1))}
          onStrength={(next) => show(setGradientStrength(next))}
          onDone={keep}
        />
      </ul>
    </section>
  );
}

function KindRow({ kind }: { kind: LightKind }) {
  const visible = useDesk((s) => lightSetting(s.drawing, kind).visible);
  const strength = useDesk((s) => lightSetting(s.drawing, kind).strength);
  const { edit, show, keep } = useDeskStore().getState();
  return (
    <Row
      word={WORDS[kind]}
      visible={visible}
      strength={strength}
      onEye={() => edit(setLight(kind, { visible: !visible, strength }))}
      onStrength={(next) => show(setLight(kind, { visible, strength: next }))}
      onDone={keep}
    />
  );
}

interface RowProps {
  readonly word: string;
  readonly visible: boolean;
  readonly strength: number;
  readonly onEye: () => void;
  readonly onStrength: (strength: number) => void;
  readonly onDone: () => void;
}

const Row = ({ word, visible, strength, onEye, onStrength, onDone }: RowProps) => (
  <li className="col-span-3 grid grid-cols-subgrid items-center text-sm">
    <IconButton small label={`${visible ? "Hide" : "Show"} ${word.toLowerCase()}`} onClick={onEye}>
      {visible ? <Eye size={15} aria-hidden /> : <EyeOff size={15} aria-hidden />}
    </IconButton>
    <span className={visible ? "" : "text-quiet"}>{word}</span>
    <Range
      label={`Strength of ${word.toLowerCase()}`}
      value={strength}
      onChange={onStrength}
      onDone={onDone}
      className="w-full"
    />
  </li>
);
