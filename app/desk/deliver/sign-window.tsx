import { useEffect, useState } from "react";
import { pathData } from "#core/formats/svg-path.ts";
import { boundsOf } from "#core/geometry/point.ts";
import { keepValue, keptValue } from "../../keep/kept.ts";
import { Button } from "../../ui/button.tsx";
import { Choice } from "../../ui/choice.tsx";
import { useNotice } from "../../ui/notices.tsx";
import { SliderRow } from "../../ui/slider-row.tsx";
import { Window } from "../../ui/window.tsx";
import { useDesk, useDeskStore } from "../store/use-desk.ts";
import { HANDS, type Hand, letteringIn } from "./lettering.ts";
import { SignaturePad } from "./signature-pad.tsx";
import { type Signature, signed } from "./signing.ts";

const KEY = "signature";
const LONGEST = 60;
const HAND_WORDS: Readonly<Record<Hand, string>> = { hand: "By hand", print: "In print" };

/** A signature is lettered or drawn, laid above the ink, and kept for the next drawing. */
export function SignWindow({ onClose }: { onClose: () => void }) {
  const desk = useDeskStore();
  const tell = useNotice();
  const hand = useDesk((s) => s.drawing.tin[s.paint.colour]?.name ?? "colour");
  const [way, setWay] = useState<"lettered" | "drawn">("lettered");
  const [words, setWords] = useState("");
  const [font, setFont] = useState<Hand>("hand");
  const [strength, setStrength] = useState(0.8);
  const [drawn, setDrawn] = useState<Signature>({ chains: [] });
  const lettered = useLettered(words, font);
  useEffect(() => {
    void keptValue(KEY).then((value) => {
      const kept = value as Signature | undefined;
      if (!kept) return;
      if (kept.words !== undefined) {
        setWords(kept.words);
        setFont(HANDS.find((one) => one === kept.hand) ?? "hand");
      } else {
        setWay("drawn");
        setDrawn(kept);
      }
    });
  }, []);
  const signature: Signature = way === "drawn" ? drawn : { chains: lettered.chains, words, hand: font };
  /** Chosen in the shapes of the light, where it is moved, turned and made larger by its frame. */
  const move = (id: string) => {
    const { choose, say, chooseStage, chooseTool } = desk.getState();
    chooseStage("Light");
    chooseTool("shapes");
    choose([id]);
    say("Move, turn and size it by its frame.");
  };
  const sign = () => {
    const { drawing, paint, edit } = desk.getState();
    const made = signed(drawing, signature, paint, strength);
    if (!made) {
      tell("There is nothing to sign with yet: type a name, or draw one.");
      return;
    }
    void keepValue(KEY, signature);
    onClose();
    edit(made.edit);
    tell("Signed, in the lower right corner.", { action: { label: "Move it", run: () => move(made.id) } });
  };
  return (
    <Window
      open
      onClose={onClose}
      title="Sign"
      hint="It lies above the ink as outlines, and is here again for the next drawing."
    >
      <div className="grid gap-4 p-5">
        <div className="flex">
          <Choice
            label="How it is signed"
            value={way}
            onChange={setWay}
            options={[
              { value: "lettered", word: "Lettered" },
              { value: "drawn", word: "Drawn" },
            ]}
          />
        </div>
        {way === "lettered" ? (
          <div className="grid gap-3">
            <div className="flex items-center gap-2">
              <input
                aria-label="Name to sign with"
                placeholder="Name or initials"
                value={words}
                maxLength={LONGEST}
                onChange={({ target }) => setWords(target.value)}
                className="h-large min-w-0 flex-1 rounded-md border border-edge bg-field px-3"
              />
              <Choice
                label="Letters"
                value={font}
                onChange={setFont}
                options={HANDS.map((value) => ({ value, word: HAND_WORDS[value] }))}
              />
            </div>
            <SignaturePicture chains={lettered.chains} />
            {lettered.missing.length > 0 ? (
              <p className="text-xs text-ember">
                These letters have no {lettered.missing.join(" ")}: they are left out. Draw them instead.
              </p>
            ) : null}
          </div>
        ) : (
          <SignaturePad signature={drawn} onChange={setDrawn} />
        )}
        <div className="grid grid-cols-[auto_1fr] gap-x-3">
          <SliderRow
            label="How strongly the signature shows"
            word="Shows"
            value={strength}
            onChange={(next) => setStrength(Math.max(0.05, next))}
          />
        </div>
        <div className="flex justify-end">
          <Button main size="large" onClick={sign}>
            Sign in {hand}
          </Button>
        </div>
      </div>
    </Window>
  );
}

const NOTHING = { chains: [], missing: [] } as const;

function useLettered(
  words: string,
  hand: Hand,
): Pick<Signature, "chains"> & { readonly missing: readonly string[] } {
  const [made, setMade] = useState<ReturnType<typeof useLettered>>(NOTHING);
  useEffect(() => {
    let open = true;
    void letteringIn(hand)
      .then((lettering) => open && setMade(words.trim() ? lettering.words(words.trim()) : NOTHING))
      .catch(() => open && setMade(NOTHING));
    return () => {
      open = false;
    };
  }, [words, hand]);
  return made;
}

function SignaturePicture({ chains }: Pick<Signature, "chains">) {
  const box = boundsOf(chains);
  return (
    <div className="h-28 rounded-md border border-edge bg-paper p-3">
      {box ? (
        <svg
          role="img"
          aria-label="The signature"
          viewBox={`${box.x} ${box.y} ${box.width || 1} ${box.height || 1}`}
          className="h-full w-full"
        >
          <path d={chains.map((chain) => pathData(chain, true, 4)).join("")} className="fill-text" />
        </svg>
      ) : (
        <p className="grid h-full place-items-center text-quiet">The name shows here as it will be drawn</p>
      )}
    </div>
  );
}
