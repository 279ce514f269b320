import { describe, expect, it } from "vitest";
import { type Packed, pack, unpack } from "#core/drawing/packed.ts";
import { ringsWithin } from "#core/lines/booleans.ts";
import { ellipse } from "#core/lines/figures.ts";
import type { Rings } from "#core/scene/flat-of.ts";
import { RingLink, type RingRequest } from "./ring-link.ts";

const region = { outline: [ellipse([50, 50], 30, 20)], evenOdd: false };

function linked() {
  const asked: number[] = [];
  let told = 0;
  const rings = async (request: Packed<RingRequest>): Promise<Packed<Rings>> => {
    const { region, deep, count } = unpack(structuredClone(request));
    asked.push(deep);
    if (deep < 0) throw new Error("no such depth");
    return pack<Rings>(ringsWithin(region, deep, count));
  };
  const link = new RingLink({ rings }, () => {
    told++;
  });
  return { link, asked, told: () => told };
}

describe("rings worked out elsewhere", () => {
  it("are those that are worked out here, once they are there, and then the same list", async () => {
    const { link, told } = linked();
    expect(link.ringsOf(region, 10, 5)).toEqual([]);
    await link.settled();
    expect(link.ringsOf(region, 10, 5)).toEqual(ringsWithin(region, 10, 5));
    expect(link.ringsOf(region, 10, 5)).toBe(link.ringsOf(region, 10, 5));
    expect(told()).toBe(1);
  });

  it("stay as they were while the hand goes on, and of many requests for an outline the last is asked for", async () => {
    const { link, asked } = linked();
    link.ringsOf(region, 10, 5);
    await link.settled();
    const before = link.ringsOf(region, 10, 5);
    for (const deep of [11, 12, 13]) expect(link.ringsOf(region, deep, 5)).toBe(before);
    await link.settled();
    expect(asked).toEqual([10, 13]);
  });

  it("are none where nothing can be worked out, and are not asked for again", async () => {
    const { link, asked } = linked();
    link.ringsOf(region, -1, 5);
    await link.settled();
    expect(link.ringsOf(region, -1, 5)).toEqual([]);
    await link.settled();
    expect(asked).toEqual([-1]);
  });
});
