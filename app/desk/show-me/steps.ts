/** The guided spot: eight steps on the seedling, each of which is done in whatever way it is done. */
import type { FlatShape, Pour, Shade } from "#core/drawing/drawing.ts";
import { startingTin } from "#core/drawing/start.ts";
import type { Point } from "#core/geometry/point.ts";
import { pocketAt } from "#core/scene/scene.ts";
import { colouredAt } from "../shapes/coloured-at.ts";
import { toolOf } from "../stages/index.ts";
import type { Desk, StageName } from "../store/desk-state.ts";
import { isPanelShown } from "../store/frame-slice.ts";

/** What is to be pressed next: something of the frame, or a place on the page. */
type Pointed = { readonly control: string } | { readonly at: Point };

export interface ShowMeStep {
  readonly name: string;
  readonly word: string;
  /** What to do and why, in one sentence. */
  readonly says: string;
  readonly isDone: (desk: Desk) => boolean;
  readonly pointed: (desk: Desk) => Pointed;
}

/** Places on the seedling, in page units. */
const RIM: Point = [480, 588];
const BODY: Point = [480, 740];
const LEAVES: readonly Point[] = [
  [350, 200],
  [640, 190],
];

const isColoured = (desk: Desk, at: Point): boolean =>
  colouredAt(desk, at, 1, Object.values(desk.drawing.flatShapes)) !== undefined;

const control = (label: string): Pointed => ({ control: `[aria-label="${label}"]` });

/** The stage or tool to take up first, where it is another that is in the hand. */
function toTool(desk: Desk, stage: StageName, tool: string): Pointed | undefined {
  if (desk.stage !== stage) return { control: `[data-stage="${stage}"]` };
  if (toolOf(desk).name !== tool) return { control: `[data-tool="${tool}"], [data-tool-menu]` };
  return undefined;
}

/** What stands in the tin, or what calls the tin. */
const inTin = (desk: Desk, selector: string): Pointed =>
  isPanelShown(desk, "tin") ? { control: selector } : control("Tin panel");

const hasStep = ({ paint }: Pick<Pour | Shade | FlatShape, "paint">): boolean => (paint?.step ?? 0) !== 0;

const TERRACOTTA = '[data-colour="terracotta"] [data-well-button="name"]';
const STARTING_TIN = startingTin();

export const SHOW_ME_STEPS: readonly ShowMeStep[] = [
  {
    name: "pour",
    word: "Pour",
    says: "Choose Terracotta in the tin and touch the rim of the pot: the pocket between its lines fills with colour.",
    isDone: ({ drawing }) => Object.values(drawing.pours).some(({ paint }) => paint !== null),
    pointed: (desk) =>
      toTool(desk, "Flats", "pour") ??
      (desk.paint.colour === "frond" ? inTin(desk, TERRACOTTA) : { at: RIM }),
  },
  {
    name: "close",
    word: "Close a gap",
    says: "Touch the body of the pot: colour would run out at its foot, and the card that opens can bridge that.",
    isDone: (desk) => pocketAt(desk.derived.pockets, BODY) !== undefined || isColoured(desk, BODY),
    pointed: (desk) =>
      desk.leak
        ? { control: '[aria-label="Why colour would run out"] button' }
        : (toTool(desk, "Flats", "pour") ?? { at: BODY }),
  },
  {
    name: "fill",
    word: "Fill what you closed",
    says: "Pour the body as well: it is a pocket now, and colour stays in it.",
    isDone: (desk) => isColoured(desk, BODY),
    pointed: (desk) => toTool(desk, "Flats", "pour") ?? { at: BODY },
  },
  {
    name: "dab",
    word: "Dab what is loose",
    says: "Take Frond and Dab, touch each large leaf, then press Take it: a dab finds the edge by itself where lines stop short.",
    isDone: (desk) => LEAVES.every((at) => isColoured(desk, at)),
    pointed: (desk) => {
      const bare = LEAVES.filter((at) => !isColoured(desk, at));
      const dabs = Object.keys(desk.drawing.dabs).length;
      if (dabs > 0 && dabs >= bare.length)
        return (
          toTool(desk, "Flats", "dab") ?? {
            control: '[data-setting="Take what dabs claim, or give up"] button',
          }
        );
      if (desk.paint.colour === "terracotta")
        return inTin(desk, '[data-colour="frond"] [data-well-button="name"]');
      return toTool(desk, "Flats", "dab") ?? { at: bare[Math.min(dabs, bare.length - 1)] ?? LEAVES[0] };
    },
  },
  {
    name: "ladder",
    word: "Take a darker step",
    says: "Choose Terracotta, then a darker step of its ladder below the tin, and pour that on the rim: steps always follow their colour.",
    isDone: ({ drawing: { pours, shades, flatShapes } }) =>
      [...Object.values(pours), ...Object.values(shades), ...Object.values(flatShapes)].some(hasStep),
    pointed: (desk) => {
      if (desk.paint.colour !== "terracotta") return inTin(desk, TERRACOTTA);
      if (desk.paint.step === 0) return inTin(desk, '[aria-label="Terracotta 1 darker"]');
      return toTool(desk, "Flats", "pour") ?? { at: RIM };
    },
  },
  {
    name: "lamp",
    word: "Light it",
    says: "On Light, take Lamp and touch the body: it is shaded from where the lamp stands, and follows when you drag the lamp.",
    isDone: ({ drawing: { pours } }) =>
      Object.values(pours).some(({ form, rim, cast, style }) => form ?? rim ?? cast ?? style),
    pointed: (desk) => toTool(desk, "Light", "lamp") ?? { at: BODY },
  },
  {
    name: "change",
    word: "Change a colour everywhere",
    says: "Press the round well of Terracotta and make it another colour: all that was poured or shaded with it follows.",
    isDone: ({ drawing: { tin } }) =>
      Object.values(STARTING_TIN).some(({ id, value }) => tin[id] && tin[id].value !== value),
    pointed: (desk) => inTin(desk, '[data-colour="terracotta"] [data-well-button="swatch"]'),
  },
  {
    name: "save",
    word: "Take it home",
    says: "On Deliver, save a PNG: a picture as large as the page asks for, ready to send.",
    isDone: ({ lastExport }) => /png/i.test(lastExport ?? ""),
    pointed: ({ stage }) =>
      stage === "Deliver" ? control("Save PNG") : { control: '[data-stage="Deliver"]' },
  },
];

/** The first step that is neither done nor passed over. */
export function dueStep(desk: Desk, passed: readonly string[]): ShowMeStep | undefined {
  return SHOW_ME_STEPS.find((step) => !passed.includes(step.name) && !step.isDone(desk));
}
