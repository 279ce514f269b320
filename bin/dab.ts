/** `fern dab`: colours a drawing from dabs and says what each claimed. */
import { ArrayMinSize, IsArray, IsBoolean, IsOptional, IsPositive, Matches, Max } from "class-validator";
import { DabReader } from "#core/dabs/dab-reader.ts";
import type { DabClaims } from "#core/dabs/dab-reading.ts";
import type { Spreading } from "#core/dabs/labels.ts";
import { takenFrom } from "#core/dabs/take-dabs.ts";
import { touchChain } from "#core/dabs/touches.ts";
import { LARGEST } from "#core/drawing/bounds.ts";
import { checked, isLoose, rules } from "#core/drawing/checked.ts";
import { addColours } from "#core/drawing/colour-edits.ts";
import { takeDabs } from "#core/drawing/dab-edits.ts";
import type { Dab, Drawing } from "#core/drawing/drawing.ts";
import { applyEdit, beginHistory, type History } from "#core/drawing/history.ts";
import { MAIN } from "#core/drawing/parts.ts";
import { FileProblem } from "#core/formats/file-problem.ts";
import { deliveredSvg } from "#core/formats/svg-write.ts";
import type { Point } from "#core/geometry/point.ts";
import { DrawingReader } from "#core/pockets/drawing-reader.ts";
import type { Pocket } from "#core/pockets/pockets.ts";
import { derive } from "#core/scene/scene.ts";
import { IsPoint } from "./is-point.ts";

/** A dab as a file gives it: `#rrggbb`, or null to keep bare; page units. */
class GivenDab {
  readonly colour!: string | null;
  readonly width!: number;
  readonly points!: readonly Point[];
  readonly firm?: boolean;
}
rules(GivenDab, Object, {
  // Null passes for missing, so a colour left out keeps bare as well.
  colour: [IsOptional(), Matches(/^#[0-9a-f]{6}$/i)],
  width: [IsPositive(), Max(LARGEST)],
  points: [IsArray(), ArrayMinSize(1), IsPoint({ each: true })],
  firm: [IsOptional(), IsBoolean()],
});

export interface DabReport {
  readonly dabs: readonly {
    readonly colour: string | null;
    /** Page units squared. */
    readonly area: number;
    readonly pockets: number;
    readonly bridges: readonly { readonly width: number }[];
  }[];
  readonly pockets: number;
  readonly bridges: number;
  readonly ms: number;
}

/** Dabs from the text of a file. Throws a FileProblem that says which of them makes no sense. */
export function readDabs(text: string): GivenDab[] {
  const given = parsed(text);
  if (!Array.isArray(given)) throw new FileProblem("broken", "The dabs are no list of dabs.");
  return given.map((dab, i) => {
    const found = isLoose(dab) ? checked(GivenDab, dab) : { wrong: ["it"] };
    if ("wrong" in found)
      throw new FileProblem(
        "broken",
        `Dab ${i + 1} makes no sense: ${found.wrong[0]} is not as it should be.`,
      );
    return found.value as unknown as GivenDab;
  });
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    throw new FileProblem("broken", "The file of dabs is no JSON.");
  }
}

export function dabReport(
  bare: Drawing,
  given: readonly GivenDab[],
  spreading: Spreading,
): { report: DabReport; svg: string } {
  const { history, dabs } = withDabs(bare, given);
  const begun = performance.now();
  const claims = new DabReader().claims(history.drawing, MAIN, dabs, spreading);
  const taken = takenFrom(history.drawing, MAIN, claims, [...claims.regions.keys()]);
  const ms = performance.now() - begun;
  const edit = takeDabs([], taken.bridges, taken.pours);
  const { drawing } = applyEdit(history, edit)?.history ?? history;
  const { pockets } = new DrawingReader().read(drawing);
  const poured = new Set(taken.pours.map(({ target }) => String(target.anchor.seed)));
  const coloured = pockets.filter(({ seed }) => poured.has(String(seed)));
  return {
    report: {
      dabs: dabs.map((dab, i) => ({ colour: given[i].colour, ...claimOf(claims, dab, coloured) })),
      pockets: coloured.length,
      bridges: taken.bridges.length,
      ms,
    },
    svg: deliveredSvg(
      drawing,
      derive(
        drawing,
        pockets.filter(({ hidden }) => !hidden),
      ),
    ),
  };
}

/** The drawing with a colour in its tin for each dab, and the dabs in these colours. */
function withDabs(bare: Drawing, given: readonly GivenDab[]): { history: History; dabs: Dab[] } {
  const idOf = new Map(Object.values(bare.tin).map(({ id, value }) => [value.toLowerCase(), id]));
  const values = new Set(given.flatMap(({ colour }) => colour?.toLowerCase() ?? []));
  const fresh = [...values].filter((value) => !idOf.has(value));
  const added = fresh.map((value, i) => ({ id: `dab-colour-${i + 1}`, name: value, value }));
  for (const { id, value } of added) idOf.set(value, id);
  const history = beginHistory(bare);
  const dabs = given.map(
    ({ colour, width, points, firm }, i): Dab => ({
      id: `dab-${i + 1}`,
      paint: colour === null ? null : { colour: idOf.get(colour.toLowerCase())!, step: 0 },
      points: touchChain(points),
      width,
      ...(firm ? { firm } : {}),
    }),
  );
  const coloured = added.length > 0 ? applyEdit(history, addColours(added))?.history : undefined;
  return { history: coloured ?? history, dabs };
}

function claimOf(claims: DabClaims, { id }: Dab, coloured: readonly Pocket[]) {
  const own = claims.regions.flatMap(({ dabs }, i) => (dabs.includes(id) ? [i] : []));
  const edges = new Set(own.flatMap((region) => claims.regions[region].edges));
  const inOwn = ({ seed }: Pocket) => own.includes(claims.regionAt(seed));
  return {
    area: own.reduce((sum, region) => sum + claims.regions[region].area, 0),
    pockets: coloured.filter(inOwn).length,
    bridges: [...edges].map((edge) => ({ width: claims.edges[edge].width })),
  };
}
