import { FRAMES, HELD_KEYS, SIDES, TARGETS, TEXT_SIZES } from "../../prefs/prefs.ts";
import { setPrefs, usePrefs } from "../../prefs/prefs-store.ts";
import { Choice } from "../../ui/choice.tsx";
import { Window } from "../../ui/window.tsx";
import { PenSettings } from "./pen-settings.tsx";
import { SettingRow as Row } from "./setting-row.tsx";

const FRAME_WORDS = { system: "As the system", light: "Light", dark: "Dark" };
const TARGET_WORDS = { device: "As the device", fine: "For a mouse or pen", touch: "For fingers" };
const SIDE_WORDS = { right: "Right", left: "Left" };

/** The choices of this device, for every drawing. */
export const SettingsWindow = ({ onClose }: { onClose: () => void }) => (
  <Window open onClose={onClose} title="Settings" hint="They are kept on this device, for every drawing.">
    <dl className="grid grid-cols-[auto_1fr] items-center gap-x-6 gap-y-3 p-6">
      <Frame />
      <TextSize />
      <Targets />
      <DrawingHand />
      <HeldKeysShown />
    </dl>
    <PenSettings />
  </Window>
);

function Frame() {
  const frame = usePrefs((now) => now.frame);
  return (
    <Row word="Around the paper">
      <Choice
        label="Around the paper"
        value={frame}
        onChange={(next) => setPrefs({ frame: next })}
        options={FRAMES.map((value) => ({ value, word: FRAME_WORDS[value] }))}
      />
    </Row>
  );
}

function TextSize() {
  const size = usePrefs((now) => now.textSize);
  return (
    <Row word="Text">
      <Choice
        label="Size of the text"
        value={String(size)}
        onChange={(next) => {
          const textSize = TEXT_SIZES.find((one) => String(one) === next);
          if (textSize) setPrefs({ textSize });
        }}
        options={TEXT_SIZES.map((one) => ({ value: String(one), word: `${Math.round(100 * one)} %` }))}
      />
    </Row>
  );
}

function Targets() {
  const targets = usePrefs((now) => now.targets);
  return (
    <Row word="Controls">
      <Choice
        label="Size of the controls"
        value={targets}
        onChange={(next) => setPrefs({ targets: next })}
        options={TARGETS.map((value) => ({ value, word: TARGET_WORDS[value] }))}
      />
    </Row>
  );
}

const HELD_WORDS = { device: "Where there are fingers", shown: "Always", hidden: "Never" };

function HeldKeysShown() {
  const heldKeys = usePrefs((now) => now.heldKeys);
  return (
    <Row word="Shift, Alt and Dip on the screen">
      <Choice
        label="Shift, Alt and Dip on the screen"
        value={heldKeys}
        onChange={(next) => setPrefs({ heldKeys: next })}
        options={HELD_KEYS.map((value) => ({ value, word: HELD_WORDS[value] }))}
      />
    </Row>
  );
}

function DrawingHand() {
  const hand = usePrefs((now) => now.hand);
  return (
    <Row word="The hand that draws">
      <Choice
        label="The hand that draws"
        value={hand}
        onChange={(next) => setPrefs({ hand: next })}
        options={SIDES.map((value) => ({ value, word: SIDE_WORDS[value] }))}
      />
    </Row>
  );
}
