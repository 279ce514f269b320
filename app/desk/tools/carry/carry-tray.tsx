import { Trash2 } from "lucide-react";
import { ranked } from "#core/drawing/drawing.ts";
import { renameStyle } from "#core/drawing/light-styles.ts";
import { Button } from "../../../ui/button.tsx";
import { Choice } from "../../../ui/choice.tsx";
import { IconButton } from "../../../ui/icon-button.tsx";
import { NameField } from "../../../ui/name-field.tsx";
import { Pick } from "../../../ui/pick.tsx";
import { Toggle } from "../../../ui/toggle.tsx";
import { useDesk, useDeskStore } from "../../store/use-desk.ts";
import type { Settings } from "../tool.ts";
import { carry, chosenStyle, dropStyle, giveToStyle, keepAsStyle, letUsersGo } from "./carry-state.ts";

/** What is laid, how, and the styles that are kept. */
export const carryTray: Settings = {
  "Light that is laid, styles": Laid,
  "Keep light as a style": Doing,
  "How large light is laid": Fit,
  "Light mirrored": Mirrored,
  "Light varied": Varied,
};

function Laid() {
  const { taken } = useDesk(carry.settings);
  const style = useDesk(chosenStyle);
  const styles = useDesk((s) => s.drawing.styles);
  const desk = useDeskStore();
  return (
    <Pick
      label="What is laid"
      value={style?.id ?? ""}
      onChange={(next) => carry.change(desk, { style: next || null })}
      options={[
        { value: "", word: taken ? "The light that was taken" : "Click a lit pocket" },
        ...ranked(styles).map(({ id, name }) => ({ value: id, word: name })),
      ]}
    />
  );
}

function Doing() {
  const style = useDesk(chosenStyle);
  return style ? <StyleButtons key={style.id} /> : <TakenButtons />;
}

function Fit() {
  const { fit } = useDesk(carry.settings);
  const desk = useDeskStore();
  return (
    <Choice
      label="How large it is laid"
      value={fit}
      onChange={(next) => carry.change(desk, { fit: next })}
      options={[
        { value: "fitted", word: "Fitted" },
        { value: "same", word: "Same size" },
      ]}
    />
  );
}

function Mirrored() {
  const { mirror } = useDesk(carry.settings);
  const desk = useDeskStore();
  return (
    <Toggle label="Mirrored" checked={mirror} onChange={(next) => carry.change(desk, { mirror: next })} />
  );
}

function Varied() {
  const { vary } = useDesk(carry.settings);
  const desk = useDeskStore();
  return <Toggle label="Varied" checked={vary} onChange={(next) => carry.change(desk, { vary: next })} />;
}

function TakenButtons() {
  const taken = useDesk((s) => carry.settings(s).taken !== null);
  const desk = useDeskStore();
  return taken ? (
    <div className="flex gap-1 touch:gap-apart">
      <Button size="small" onClick={() => keepAsStyle(desk)}>
        Keep as a style
      </Button>
      <Button size="small" onClick={() => carry.change(desk, { taken: null })}>
        Let go
      </Button>
    </div>
  ) : null;
}

/** What can be done to the chosen style. */
function StyleButtons() {
  const style = useDesk(chosenStyle);
  const taken = useDesk((s) => carry.settings(s).taken !== null);
  const desk = useDeskStore();
  if (!style) return null;
  return (
    <div className="flex items-center gap-1 touch:gap-apart">
      <NameField
        label="Name of the style"
        value={style.name}
        onChange={(name) => desk.getState().edit(renameStyle(style.id, name))}
        className="h-target w-24 rounded-md border border-edge bg-field px-1"
      />
      {taken ? (
        <Button
          size="small"
          title="All that follow the style change"
          onClick={() => giveToStyle(desk, style)}
        >
          Give it what was taken
        </Button>
      ) : null}
      <Button
        size="small"
        title="Pockets that follow it keep its light as their own"
        onClick={() => letUsersGo(desk, style)}
      >
        Let them go
      </Button>
      <IconButton small label="Remove the style" onClick={() => dropStyle(desk, style)}>
        <Trash2 size={15} aria-hidden />
      </IconButton>
    </div>
  );
}
