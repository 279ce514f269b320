/** What the parts of a drawing must look like when they come back from a file: classes that class-validator checks. */
import "reflect-metadata";
import { Type } from "class-transformer";
import {
  ArrayMaxSize,
  ArrayMinSize,
  IsArray,
  IsBoolean,
  IsHexColor,
  IsIn,
  IsInt,
  IsNumber,
  IsOptional,
  IsPositive,
  IsString,
  Max,
  MaxLength,
  Min,
  ValidateBy,
  ValidateNested,
} from "class-validator";
import { BLENDS, CAPS, JOINS, SHEETS, type SheetName, UNITS } from "../drawing/drawing.ts";

export const FINITE = { allowNaN: false, allowInfinity: false };

/** Every item of every list is a finite number. */
const IsNumbersInside = () =>
  ValidateBy({
    name: "isNumbersInside",
    validator: {
      validate: (lists) => Array.isArray(lists) && lists.every((list) => list.every(Number.isFinite)),
    },
  });

export class BoxRecord {
  @IsNumber(FINITE) x!: number;
  @IsNumber(FINITE) y!: number;
  @IsPositive() width!: number;
  @IsPositive() height!: number;
}

export class PageRecord {
  @ValidateNested() @Type(() => BoxRecord) box!: BoxRecord;
  @IsPositive() width!: number;
  @IsIn(UNITS) unit!: (typeof UNITS)[number];
  @IsInt() @Min(1) @Max(2400) ppi!: number;
}

class Ranked {
  @IsString() @MaxLength(80) id!: string;
  @IsNumber(FINITE) rank!: number;
}

export class PaintRecord {
  @IsString() colour!: string;
  @IsInt() @Min(-3) @Max(3) step!: number;
}

class InkedRecord extends Ranked {
  @IsOptional() @IsString() @MaxLength(200) name?: string;
  @IsOptional() @IsArray() @IsString({ each: true }) groups?: string[];
  @IsOptional() @ValidateNested() @Type(() => PaintRecord) paint?: PaintRecord;
}

export class StrokeRecord extends InkedRecord {
  @IsArray() @ArrayMinSize(2) @IsNumber(FINITE, { each: true }) points!: number[];
  @IsBoolean() closed!: boolean;
  @IsPositive() width!: number;
  @IsOptional() @IsArray() @ArrayMinSize(4) @IsNumber(FINITE, { each: true }) profile?: number[];
  @IsOptional() @IsString() nib?: string;
  @IsOptional() @IsIn(CAPS) cap?: (typeof CAPS)[number];
  @IsOptional() @IsIn(JOINS) join?: (typeof JOINS)[number];
  @IsOptional() @Min(1) miterLimit?: number;
  @IsOptional() @IsArray() @IsNumber(FINITE, { each: true }) dash?: number[];
  @IsOptional() @IsNumber(FINITE) dashOffset?: number;
}

export class InkShapeRecord extends InkedRecord {
  @IsArray() @ArrayMinSize(1) @IsArray({ each: true }) @IsNumbersInside() outline!: number[][];
  @IsBoolean() evenOdd!: boolean;
}

export class NibRecord extends Ranked {
  @IsString() @MaxLength(80) name!: string;
  @IsArray() @ArrayMinSize(4) @IsNumber(FINITE, { each: true }) profile!: number[];
  @IsInt() @Min(1) @Max(9) strands!: number;
}

export class BridgeRecord {
  @IsString() @MaxLength(80) id!: string;
  @IsArray() @ArrayMinSize(8) @IsNumber(FINITE, { each: true }) points!: number[];
}

export class DeclinedRecord {
  @IsString() @MaxLength(80) id!: string;
  @ArrayMinSize(2) @ArrayMaxSize(2) @IsNumber(FINITE, { each: true }) at!: [number, number];
}

export class ColourRecord extends Ranked {
  @IsString() @MaxLength(80) name!: string;
  @IsHexColor() value!: string;
}

export class PourRecord extends Ranked {
  @IsOptional() @ValidateNested() @Type(() => PaintRecord) paint!: PaintRecord | null;
  @ArrayMinSize(2) @ArrayMaxSize(2) @IsNumber(FINITE, { each: true }) seed!: [number, number];
  @IsPositive() area!: number;
  @IsArray() @IsString({ each: true }) lines!: string[];
  @IsArray() @ArrayMinSize(1) @IsArray({ each: true }) @IsNumbersInside() region!: number[][];
}

export class FlatShapeRecord extends Ranked {
  @IsArray() @ArrayMinSize(1) @IsArray({ each: true }) @IsNumbersInside() outline!: number[][];
  @IsBoolean() evenOdd!: boolean;
  @ValidateNested() @Type(() => PaintRecord) paint!: PaintRecord;
  @Min(0) @Max(1) opacity!: number;
  @IsOptional() @IsString() @MaxLength(200) name?: string;
}

export class ShadeRecord extends Ranked {
  @IsArray() @ArrayMinSize(8) @IsNumber(FINITE, { each: true }) points!: number[];
  @ArrayMinSize(2) @ArrayMaxSize(2) @IsNumber(FINITE, { each: true }) seed!: [number, number];
  @ValidateNested() @Type(() => PaintRecord) paint!: PaintRecord;
  @IsIn(BLENDS) blend!: (typeof BLENDS)[number];
  @Min(0) @Max(1) opacity!: number;
}

export class SheetRecord {
  @IsIn(SHEETS) name!: SheetName;
  @IsBoolean() visible!: boolean;
  @IsBoolean() locked!: boolean;
  @Min(0) @Max(1) opacity!: number;
}
