/** Reads back what svg-facts.ts wrote; every part of it is checked. */
import "reflect-metadata";
import { plainToInstance, Type } from "class-transformer";
import {
  Equals,
  IsArray,
  IsBoolean,
  IsDefined,
  IsObject,
  Max,
  Min,
  ValidateNested,
  validateSync,
} from "class-validator";
import type { Drawing } from "../drawing/drawing.ts";
import { LARGEST } from "./bounds.ts";
import {
  BridgeRecord,
  ColourRecord,
  DeclinedRecord,
  NibRecord,
  PageRecord,
  PaintRecord,
  SheetRecord,
} from "./drawing-records.ts";
import { FACTS_VERSION, type Facts } from "./svg-facts.ts";

class FactsRecord {
  @Equals(FACTS_VERSION) version!: typeof FACTS_VERSION;
  @IsDefined() @IsObject() @ValidateNested() @Type(() => PageRecord) page!: PageRecord;
  @IsArray() @ValidateNested({ each: true }) @Type(() => ColourRecord) tin!: ColourRecord[];
  @IsDefined() @IsObject() @ValidateNested() @Type(() => PaintRecord) ink!: PaintRecord;
  @IsArray() @ValidateNested({ each: true }) @Type(() => NibRecord) nibs!: NibRecord[];
  @IsArray() @ValidateNested({ each: true }) @Type(() => BridgeRecord) bridges!: BridgeRecord[];
  @Min(0) @Max(LARGEST) reach!: number;
  @IsArray() @ValidateNested({ each: true }) @Type(() => DeclinedRecord) declined!: DeclinedRecord[];
  @IsArray() @ValidateNested({ each: true }) @Type(() => SheetRecord) sheets!: SheetRecord[];
  @IsBoolean() strict!: boolean;
}

/** Undefined when the text is not what we wrote: then the picture alone is read. */
export function readFacts(text: string): Facts | undefined {
  const record = checked(parsed(text));
  if (!record) return undefined;
  const { version: _, sheets, ...plain } = JSON.parse(JSON.stringify(record)) as FactsRecord;
  const byId = <T extends { id: string }>(items: readonly T[]) =>
    Object.fromEntries(items.map((item) => [item.id, item]));
  return {
    ...plain,
    tin: byId(plain.tin),
    nibs: byId(plain.nibs),
    bridges: byId(plain.bridges),
    declined: byId(plain.declined),
    sheets: Object.fromEntries(sheets.map(({ name, ...sheet }) => [name, sheet])) as Drawing["sheets"],
  };
}

function checked(plain: object | undefined): FactsRecord | undefined {
  try {
    const record = plainToInstance(FactsRecord, plain);
    const errors = record && validateSync(record, { whitelist: true, forbidUnknownValues: true });
    return errors?.length === 0 ? record : undefined;
  } catch {
    return undefined;
  }
}

function parsed(text: string): object | undefined {
  try {
    const value: unknown = JSON.parse(text);
    return typeof value === "object" && value !== null && !Array.isArray(value) ? value : undefined;
  } catch {
    return undefined;
  }
}
