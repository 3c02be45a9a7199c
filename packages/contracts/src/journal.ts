import 'reflect-metadata';
import { Type } from 'class-transformer';
import {
  ArrayMaxSize,
  ArrayMinSize,
  IsArray,
  IsBoolean,
  IsIn,
  IsInt,
  IsNumber,
  IsObject,
  IsString,
  IsUUID,
  Length,
  Max,
  MaxLength,
  Min,
  ValidateNested,
} from 'class-validator';
import {
  allergenIds,
  allergenSourceIds,
  entryKinds,
  preparationKinds,
  type Allergen,
  type AllergenSource,
  type EntryKind,
  type PreparationKind,
  say,
} from '@jokul/core';
import { ByName, Degrees, Grams, Name, Names, Range, Reason } from './journal-fields.js';
import { AgePayload, BegunPayload } from './journal-pinned.js';
import { Optional } from './optional.js';

export class SplitPayload {
  @Name() into: string;
  @Grams() massG: number;
  @Range(0, 100_000) pieces: number;
}

export class MergedPayload {
  @Name() from: string;
  @Grams() massG: number;
  @Optional() @IsObject() @ValidateNested() @Type(() => AgePayload) age?: AgePayload;
  @Optional() @IsArray() @ArrayMaxSize(40) @IsIn(allergenIds, { each: true }) allergens?: Allergen[];
  @Optional() @IsArray() @ArrayMaxSize(40) @IsIn(allergenSourceIds, { each: true }) which?: AllergenSource[];
}

export class DiscardedPayload {
  @Grams() massG: number;
  @Range(0, 100_000) pieces: number;
  @Reason() reason: string;
}

export class PreparedPayload {
  @IsIn(preparationKinds) what: PreparationKind;
  /** Of an oven: which, for which load, and what it is set to. */
  @Optional() @Name() loadId?: string;
  @Optional() @Name() ovenId?: string;
  @Optional() @Type(() => Number) @IsNumber() @Min(50) @Max(320) setC?: number;
}

export class WeighedPayload {
  @Name() key: string;
  @Grams() massG: number;
  @Grams() targetG: number;
  @Name() scaleId: string;
  @Optional() @IsString() @Length(1, 40) lotCode?: string;
  @Optional() @IsIn(['accept', 'scale']) decision?: 'accept' | 'scale';
  @Optional() @Range(0.2, 2) factor?: number;
  @Optional() @IsBoolean() late?: boolean;
}

export class BrownedPayload {
  @Grams() inG: number;
  @Grams() outG: number;
}

export class MeasuredPayload {
  @IsIn([say`browned butter`, 'butter', 'room', 'egg', 'dough'])
  what: 'browned butter' | 'butter' | 'room' | 'egg' | 'dough';
  @Degrees() temperatureC: number;
  @Optional()
  @IsString()
  @Length(3, 400, { message: say`The reason needs 3 to 400 letters.` })
  reason?: string;
}

export class StageDonePayload {
  @Name() stageId: string;
  @Range(0, 7200) durationS: number;
}

export class AdjustedPayload {
  @IsIn(['crumbly', 'loose']) look: 'crumbly' | 'loose';
  @Optional() @IsString() @Length(1, 60) ingredientId?: string;
  @Grams() massG: number;
}

export class MixedPayload {
  @Degrees() doughC: number;
  @Grams() massG: number;
  @Names() missing: string[];
  @Optional()
  @IsString()
  @Length(3, 400, { message: say`The reason needs 3 to 400 letters.` })
  reason?: string;
  @Optional() @Range(0, 7200) workedS?: number;
  @Optional() @Degrees() roomC?: number;
  @Optional() @Degrees() butterC?: number;
}

export class PortionedPayload {
  @Range(0, 100_000) pieces: number;
  @Range(0, 200) scoop: number;
  @IsArray()
  @ArrayMaxSize(200)
  @IsNumber({}, { each: true })
  @Min(1, { each: true })
  @Max(1000, { each: true })
  samplesG: number[];
  @Grams() targetG: number;
  @Grams() remainderG: number;
  @Optional() @IsIn(['spread', 'test-pieces', 'cold']) remainder?: 'spread' | 'test-pieces' | 'cold';
  @Optional() @Range(1, 500) scoopG?: number;
  @Optional() @IsIn(['level', 'heaped']) filled?: 'level' | 'heaped';
  @Optional()
  @ByName(1e6, say`Each topping needs its grams: a number from 0 to a tonne.`)
  toppingsG?: Record<string, number>;
}

export class RestInPayload {
  @Name() placeId: string;
  @IsIn(['pieces', 'tub', 'bag']) form: 'pieces' | 'tub' | 'bag';
  @IsIn(['open', 'covered']) cover: 'open' | 'covered';
  @Degrees() startC: number;
  @Grams() massG: number;
  @Range(0, 100_000) pieces: number;
}

export class RestOutPayload {
  @Name() placeId: string;
  /** Where only a part leaves. */
  @Optional() @Range(0, 100_000) pieces?: number;
  @Optional() @Grams() massG?: number;
}

export class ReleasedPayload {
  @IsIn(['over-window']) why: 'over-window';
  @Optional() @IsIn(['chilled', 'frozen', 'out']) clock?: 'chilled' | 'frozen' | 'out';
  @Range(0, 4e8) ageS: number;
  @Range(0, 4e8) limitS: number;
  @IsString()
  @Length(3, 400, { message: say`The reason needs 3 to 400 letters.` })
  reason: string;
}

export class LoadedPayload {
  @Name() loadId: string;
  @Names() trayIds: string[];
  @Name() ovenId: string;
  @Degrees() setC: number;
  @Range(60, 7200) pullS: number;
  @Range(0, 7200) trayRestS: number;
  @IsArray() @ArrayMaxSize(60) @IsInt({ each: true }) @Min(0, { each: true }) pieces: number[];
  @Optional()
  @IsArray()
  @ArrayMaxSize(60)
  @IsInt({ each: true })
  @Min(1, { each: true })
  @Max(60, { each: true })
  positions?: number[];
  @Optional() @Degrees() startC?: number;
  @Optional() @IsBoolean() test?: boolean;
}

export class TrayStepPayload {
  @Name() loadId: string;
  @Names() trayIds: string[];
}

export class InspectedPayload {
  @Name() trayId: string;
  @Optional() @Range(30, 7200) bakeS?: number;
  @Optional() @Degrees() coreC?: number;
  @Optional() @Range(10, 400) diameterMm?: number;
  @Optional() @Range(1, 100) heightMm?: number;
  @Optional() @Range(0, 0.5) lossShare?: number;
  @Optional() @Range(0, 100) colourScore?: number;
  @Optional() @Range(-100, 100) rightLessLeft?: number;
  @Optional() @Range(-100, 100) backLessFront?: number;
  @Optional() @IsIn(['touched', 'fits', 'more']) room?: 'touched' | 'fits' | 'more';
  @Optional() @IsString() @MaxLength(1000) note?: string;
}

export class NotePayload {
  @IsString() @Length(1, 1000, { message: say`A note has 1 to 1000 letters.` }) text: string;
}

export class StruckPayload {
  @IsUUID() entryId: string;
  @IsString() @Length(3, 400, { message: say`Say why it is struck (3 to 400 letters).` }) reason: string;
}

/** The class that checks the payload of each kind. */
export const payloadClasses: Readonly<Record<EntryKind, new () => object>> = {
  begun: BegunPayload,
  prepared: PreparedPayload,
  weighed: WeighedPayload,
  browned: BrownedPayload,
  measured: MeasuredPayload,
  'stage-done': StageDonePayload,
  adjusted: AdjustedPayload,
  mixed: MixedPayload,
  portioned: PortionedPayload,
  split: SplitPayload,
  merged: MergedPayload,
  'rest-in': RestInPayload,
  'rest-out': RestOutPayload,
  released: ReleasedPayload,
  discarded: DiscardedPayload,
  loaded: LoadedPayload,
  turned: TrayStepPayload,
  pulled: TrayStepPayload,
  flattened: TrayStepPayload,
  racked: TrayStepPayload,
  iced: TrayStepPayload,
  packed: TrayStepPayload,
  inspected: InspectedPayload,
  note: NotePayload,
  struck: StruckPayload,
};

export class JournalEntryInput {
  @IsUUID() id: string;
  @IsInt() @Min(0) @Max(4e12) atMs: number;
  @Name() who: string;
  @Name() device: string;
  @Name() lot: string;
  @IsIn(entryKinds) kind: EntryKind;
  /** Checked by the class of its kind. */
  @IsObject() payload: object;
}

export class AppendInput {
  @IsArray()
  @ArrayMinSize(1)
  @ArrayMaxSize(200, { message: say`At most 200 entries at once.` })
  @IsObject({ each: true })
  @ValidateNested({ each: true })
  @Type(() => JournalEntryInput)
  entries: JournalEntryInput[];

  /** The ledger that the device followed when it wrote them. */
  @Optional() @IsString() @MaxLength(100) ledger?: string;
}
