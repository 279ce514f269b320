import { IsNumber } from "class-validator";
import { rules } from "../checked.ts";
import { FINITE, IsId } from "./rule.ts";

/** What is in a table and has its place among the others of it. */
export class Ranked {
  readonly id!: string;
  /** From the lowest up. */
  readonly rank!: number;
}
export const RANKED_RULES = { id: [IsId()], rank: [IsNumber(FINITE)] };
rules(Ranked, Object, RANKED_RULES);
