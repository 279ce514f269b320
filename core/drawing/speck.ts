/** What is too small to see at printed size. */
import { diagonal } from "../geometry/point.ts";
import type { Page } from "./drawing.ts";

/** Part of the page's diagonal squared. */
const SPECK = 4e-6;

/** Areas smaller than this are specks, in page units squared. */
export const speckArea = ({ box }: Page): number => SPECK * diagonal(box) ** 2;
