import { describe, expect, it } from "vitest";
import { Hands } from "./hands.ts";

const pen = (timeStamp: number) => ({ pointerId: 1, pointerType: "pen", timeStamp });
const finger = (timeStamp: number, pointerId = 2) => ({ pointerId, pointerType: "touch", timeStamp });

describe("whose press it is", () => {
  it("a finger is a hand as long as no pen was seen", () => {
    const hands = new Hands(() => "nothing");
    expect(hands.isPalm(finger(0), true)).toBe(false);
    expect(hands.movesPaper(finger(0))).toBe(false);
  });
  it("a touch beside a pen that is on the paper is a palm, however long that takes, and stays one", () => {
    const hands = new Hands(() => "move");
    hands.isPalm(pen(0), true);
    hands.take(pen(0));
    expect(hands.isPalm(finger(60_000), true)).toBe(true);
    hands.letGo(pen(60_001));
    expect(hands.isPalm(finger(70_000))).toBe(true);
    hands.letGo(finger(70_001));
    expect(hands.isPalm(finger(70_002), true)).toBe(false);
  });
  it("once a pen was seen fingers move the paper, or do nothing by choice", () => {
    const moving = new Hands(() => "move");
    moving.isPalm(pen(0));
    expect(moving.isPalm(finger(5000), true)).toBe(false);
    expect(moving.movesPaper(finger(5000))).toBe(true);
    const still = new Hands(() => "nothing");
    still.isPalm(pen(0));
    expect(still.isPalm(finger(5000), true)).toBe(true);
  });
  it("a gesture is its own pointer's alone", () => {
    const hands = new Hands(() => "move");
    hands.take(finger(0, 5));
    expect(hands.owns(finger(1, 5))).toBe(true);
    expect(hands.owns(finger(1, 6))).toBe(false);
  });
});
