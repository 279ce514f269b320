import { Columns3, Eye, EyeOff } from "lucide-react";
import { LIGHTS, type LightKind } from "#core/drawing/drawing.ts";
import { setGradientStrength } from "#core/drawing/gradients.ts";
import { setLight } from "#core/drawing/light-edits.ts";
import { lightSetting } from "#core/scene/light-kinds.ts";
import { Button } from "../../ui/button.tsx";
import { IconButton } from "../../ui/icon-button.tsx";
import { Range } from "../../ui/range.tsx";
import type { PressSection } from "../press/section.ts";
import { useDesk, useDeskStore } from "../store/use-desk.ts";

const WORDS: Readonly<Record<LightKind, string>> = {
  form: "Form shade",
  shine: "Shine",
  rim: "Rim light",
  cast: "Cast shadows",
  crease: "Creases",
  drawn: "Drawn by hand",
};

/** Each kind of light with its eye and its strength, wherever it lies. */
export const kindsSection: PressSection = {
  name: "kinds",
  title: () => "Light",
  says: ({ drawing }) => {
    const hidden = LIGHTS.filter((kind) => !lightSetting(drawing, kind).visible).length;
    return hidden > 0 ? `${hidden} hidden` : "";
  },
  Body: KindsPanel,
};

function KindsPanel() {
  const strength = useDesk((s) => s.drawing.gradientStrength);
  const { edit, show, keep, openWindow } = useDeskStore().getState();
  return (
    <>
      <ul className="grid grid-cols-[auto_1fr_3.25rem] items-center gap-x-1 touch:gap-y-apart">
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
      <Button size="small" className="mt-apart" onClick={() => openWindow("compare")}>
        <Columns3 size={15} aria-hidden /> Before and after
      </Button>
    </>
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
  <li className="col-span-3 grid grid-cols-subgrid items-center text-sm whitespace-nowrap">
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
