/** Words as outlines, from a font that ships with the house: files need no fonts. */
/// <reference path="./opentype.d.ts" />
import { type Font, parse } from "opentype.js/dist/opentype.mjs";
import { polyline } from "../geometry/cubic.ts";
import type { Point } from "../geometry/point.ts";

export interface Lettered {
  /** Closed chains of cubics by the nonzero rule; the first letter stands on 0, with y down and a line 1 high. */
  readonly chains: readonly (readonly number[])[];
  /** How wide the words run. */
  readonly width: number;
  /** Characters that the font has not: they are left out. */
  readonly missing: readonly string[];
}

export class Lettering {
  private readonly font: Font;

  /** Throws an Error for what is no font (TrueType, OpenType or WOFF). */
  constructor(bytes: ArrayBuffer) {
    this.font = parse(bytes);
  }

  words(text: string): Lettered {
    const { font } = this;
    const all = [...text.normalize("NFC")];
    const missing = all.filter((c) => font.charToGlyphIndex(c) === 0);
    const known = all.filter((c) => font.charToGlyphIndex(c) !== 0).join("");
    const path = font.getPath(known, 0, 0, 1);
    return {
      chains: chainsOf(path.commands),
      width: font.getAdvanceWidth(known, 1),
      missing: [...new Set(missing)],
    };
  }
}

type Commands = ReturnType<Font["getPath"]>["commands"];

function chainsOf(commands: Commands): number[][] {
  const chains: number[][] = [];
  let chain: number[] = [];
  const lineTo = (to: Point) => {
    const from: Point = [chain[chain.length - 2], chain[chain.length - 1]];
    if (from[0] !== to[0] || from[1] !== to[1]) chain.push(...polyline([from, to]).slice(2));
  };
  const finish = () => {
    if (chain.length > 2) {
      lineTo([chain[0], chain[1]]);
      chains.push(chain);
    }
    chain = [];
  };
  for (const command of commands) {
    if (command.type === "M") {
      finish();
      chain = [command.x, command.y];
    } else if (command.type === "L") lineTo([command.x, command.y]);
    else if (command.type === "C")
      chain.push(command.x1, command.y1, command.x2, command.y2, command.x, command.y);
    else if (command.type === "Q") {
      const [x, y] = chain.slice(-2);
      chain.push(
        x + (2 / 3) * (command.x1 - x),
        y + (2 / 3) * (command.y1 - y),
        command.x + (2 / 3) * (command.x1 - command.x),
        command.y + (2 / 3) * (command.y1 - command.y),
        command.x,
        command.y,
      );
    } else finish();
  }
  finish();
  return chains;
}
