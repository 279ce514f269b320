/** Reads back what svg-facts.ts wrote; every part of it is checked. */
import "reflect-metadata";
import { plainToInstance, Type } from "class-transformer";
import {
  IsBoolean,
  IsDefined,
  IsIn,
  IsObject,
  IsOptional,
  Max,
  Min,
  ValidateNested,
  validateSync,
} from "class-validator";
import type { Drawing, Pour, Shade } from "../drawing/drawing.ts";
import { withOpenInk } from "../drawing/upgrade.ts";
import { LARGEST } from "./bounds.ts";
import {
  BridgeRecord,
  DeclinedRecord,
  IsRecords,
  NamedColourRecord,
  NibRecord,
  PageRecord,
  PaintRecord,
  PourRecord,
  ShadeRecord,
  SheetRecord,
} from "./drawing-records.ts";
import { FACTS_VERSION, type Facts } from "./svg-facts.ts";

class FactsRecord {
  @IsIn([1, FACTS_VERSION]) version!: number;
  @IsDefined() @IsObject() @ValidateNested() @Type(() => PageRecord) page!: PageRecord;
  @IsRecords() @ValidateNested({ each: true }) @Type(() => NamedColourRecord) tin!: NamedColourRecord[];
  @IsDefined() @IsObject() @ValidateNested() @Type(() => PaintRecord) ink!: PaintRecord;
  @IsRecords() @ValidateNested({ each: true }) @Type(() => NibRecord) nibs!: NibRecord[];
  @IsRecords() @ValidateNested({ each: true }) @Type(() => BridgeRecord) bridges!: BridgeRecord[];
  @Min(0) @Max(LARGEST) reach!: number;
  @IsRecords() @ValidateNested({ each: true }) @Type(() => DeclinedRecord) declined!: DeclinedRecord[];
  @IsRecords() @ValidateNested({ each: true }) @Type(() => SheetRecord) sheets!: SheetRecord[];
  @IsBoolean() strict!: boolean;
  /** Missing in files of earlier versions. */
  @IsOptional()
  @IsRecords()
  @ValidateNested({ each: true })
  @Type(() => PourRecord)
  waitingPours?: PourRecord[];
  @IsOptional()
  @IsRecords()
  @ValidateNested({ each: true })
  @Type(() => ShadeRecord)
  waitingShades?: ShadeRecord[];
}

export interface ReadFacts {
  readonly facts: Facts;
  /** Ids of the tin's colours by the names they go by in the file's classes. */
  readonly colours: ReadonlyMap<string, string>;
  /** Colour and shade that the picture does not show. */
  readonly waitingPours: readonly Pour[];
  readonly waitingShades: readonly Shade[];
}

/** Undefined when the text is not what we wrote: then the picture alone is read. */
export function readFacts(text: string): ReadFacts | undefined {
  const record = checked(parsed(text));
  if (!record) return undefined;
  const {
    version,
    sheets,
    waitingPours = [],
    waitingShades = [],
    ...plain
  } = JSON.parse(JSON.stringify(record)) as FactsRecord;
  const byId = <T extends { id: string }>(items: readonly T[]) =>
    Object.fromEntries(items.map((item) => [item.id, item]));
  const tin = plain.tin.map(({ variable: _, ...colour }) => colour);
  const byName = Object.fromEntries(sheets.map(({ name, ...sheet }) => [name, sheet])) as Drawing["sheets"];
  const facts = {
    ...plain,
    tin: byId(tin),
    nibs: byId(plain.nibs),
    bridges: byId(plain.bridges),
    declined: byId(plain.declined),
    sheets: version < FACTS_VERSION ? withOpenInk(byName) : byName,
  };
  return { facts, colours: coloursByName(plain.tin), waitingPours, waitingShades };
}

function coloursByName(tin: readonly NamedColourRecord[]): Map<string, string> {
  const names = namesOfEarlierFiles(tin);
  return new Map(tin.map(({ id, variable }) => [variable ?? names.get(id)!, id]));
}

/** How colours were named before files said it: from Latin letters and digits alone. */
function namesOfEarlierFiles(tin: readonly NamedColourRecord[]): Map<string, string> {
  const taken = new Set<string>();
  return new Map(
    [...tin]
      .sort((a, b) => a.rank - b.rank)
      .map(({ id, name }) => {
        const letters = name.toLowerCase().normalize("NFKD");
        const plain = letters.replace(/[^a-z0-9]+/g, "-").replace(/^-+|-+$/g, "") || "colour";
        let free = plain;
        for (let n = 2; taken.has(free); n++) free = `${plain}-${n}`;
        taken.add(free);
        return [id, free];
      }),
  );
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
