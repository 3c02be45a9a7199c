import 'reflect-metadata';
import { Type } from 'class-transformer';
import {
  ArrayMaxSize,
  ArrayMinSize,
  ArrayUnique,
  IsArray,
  IsBoolean,
  IsIn,
  IsInt,
  IsNumber,
  IsObject,
  IsString,
  Length,
  Matches,
  Max,
  Min,
  ValidateNested,
} from 'class-validator';
import { Optional } from './optional.js';
import { IsBakeDate } from './orders.js';
import {
  linerKinds,
  railWays,
  skills,
  type Liner,
  trayMaterials,
  type Rails,
  type Skill,
  type TrayMaterial,
  say,
} from '@jokul/core';

const Id = () => (target: object, key: string) => {
  Matches(/^(?!constructor$)[a-z0-9][a-z0-9-]{0,39}$/, {
    message: say`An id is made of small letters, digits and hyphens.`,
  })(target, key);
};
const Name = () => (target: object, key: string) => {
  IsString()(target, key);
  Length(1, 60, { message: say`A name has 1 to 60 letters.` })(target, key);
};
const Between = (min: number, max: number, what: string) => (target: object, key: string) => {
  const options = { message: say`${what} is between ${min} and ${max}.` };
  IsNumber({}, options)(target, key);
  Min(min, options)(target, key);
  Max(max, options)(target, key);
};
const Whole = (min: number, max: number, what: string) => (target: object, key: string) => {
  const options = { message: say`${what} is a whole number from ${min} to ${max}.` };
  IsInt(options)(target, key);
  Min(min, options)(target, key);
  Max(max, options)(target, key);
};
const TimeOfDay = () => (target: object, key: string) => {
  Matches(/^([01]\d|2[0-3]):[0-5]\d$/, { message: say`A time of day is written 03:30.` })(target, key);
};
const ListOf =
  (type: () => new () => object, most: number) =>
  (target: object, key: string): void => {
    IsArray()(target, key);
    ArrayMaxSize(most)(target, key);
    IsObject({ each: true })(target, key);
    ValidateNested({ each: true })(target, key);
    Type(type)(target, key);
  };

class Thing {
  @Id() id: string;
  @Optional() @IsBoolean() retired?: boolean;
}
class NamedThing extends Thing {
  @Name() name: string;
}
export class MixerInput extends NamedThing {
  @Between(1, 400, say`The bowl, L,`) bowlL: number;
  @Between(0.01, 0.9, say`The least fill, as a share,`) minFill: number;
  @Between(0.05, 1, say`The most fill, as a share,`) maxFill: number;
  @Between(200, 400_000, say`The most dough, g,`) maxMassG: number;
  @Optional() @Between(20, 20_000, say`The power of the motor, W,`) powerW?: number;
  @Optional()
  @IsArray()
  @ArrayMinSize(3)
  @ArrayMaxSize(3)
  @IsString({ each: true })
  @Length(1, 20, { each: true, message: say`A speed has a name of 1 to 20 letters.` })
  speeds?: string[];
  @Optional() @Whole(1, 20, say`The number of bowls`) bowls?: number;
}
export class PlacesForInput {
  @Id() trayId: string;
  @Whole(1, 60, say`The number of places`) places: number;
}
export class OvenInput extends NamedThing {
  @IsBoolean() fan: boolean;
  @Whole(1, 60, say`The number of trays at once`) places: number;
  @Optional() @ListOf(() => PlacesForInput, 60) placesFor?: PlacesForInput[];
  @Between(0.1, 60, say`The heating rate, °C per min,`) degreesPerMin: number;
  @Optional() @Between(-60, 60, say`The heat over the dial, °C,`) offsetK?: number;
  @Optional() @Between(0.1, 60, say`The cooling rate, °C per min,`) coolsPerMin?: number;
  @Optional() @Between(0, 120, say`How far the air falls at loading, °C,`) doorFallK?: number;
  @Optional() @Between(10, 3600, say`The time until the air is back, s,`) doorBackS?: number;
  @Optional() @Between(0, 60, say`What the hottest place is over the coolest, °C,`) unevenK?: number;
  @Optional() @Between(0, 60, say`What one side is over the other, °C,`) acrossK?: number;
  @Optional() @Between(200, 200_000, say`The power of the heaters, W,`) powerW?: number;
}
export class TrayInput extends NamedThing {
  @IsIn(Object.keys(trayMaterials), { message: say`Choose what the tray is made of.` })
  material: TrayMaterial;
  @Between(100, 2000, say`The length, mm,`) lengthMm: number;
  @Between(100, 2000, say`The width, mm,`) widthMm: number;
  @Whole(1, 5000, say`The number of trays`) count: number;
  @Optional() @IsIn(railWays, { message: say`Say which sides of the tray have a rail.` }) rails?: Rails;
}
export class LinerInput extends NamedThing {
  @IsIn(linerKinds, { message: say`Choose what lies on the tray.` }) kind: Liner;
  @Optional() @Whole(1, 5000, say`The number of liners`) count?: number;
  @Optional() @Between(10, 600, say`The heat that it lets through, W/m²K,`) contactWPerM2K?: number;
  @Optional() @Between(0.1, 3, say`How hard it holds the dough, paper being 1,`) drag?: number;
}
export class PlaceInput extends NamedThing {
  @IsIn(['walk-in', 'freezer', 'bench']) kind: 'walk-in' | 'freezer' | 'bench';
  @Between(-40, 45, say`The temperature, °C,`) airC: number;
  @Between(2, 60, say`The heat transfer, W/m²K,`) hWPerM2K: number;
  @Whole(0, 5000, say`The number of tray places`) trayPlaces: number;
  @Whole(0, 5000, say`The number of tub places`) tubPlaces: number;
  @Whole(0, 5000, say`The number of bag places`) bagPlaces: number;
  @Optional() @Between(50, 200_000, say`The power of its machine, W,`) powerW?: number;
  /** As it is where left out. */
  @Optional() @IsBoolean() probe?: boolean;
}
export class RackInput extends NamedThing {
  @Whole(1, 5000, say`The number of places`) places: number;
}
export class ScaleInput extends Thing {
  @Optional() @Name() name?: string;
  @Between(20, 500_000, say`What the scale carries, g,`) maxMassG: number;
  @Between(0.001, 100, say`The step of the scale, g,`) resolutionG: number;
  @Optional() @Between(0, 1000, say`How far the scale may be off, g,`) toleranceG?: number;
}
export class HoursInput {
  @TimeOfDay() from: string;
  @TimeOfDay() to: string;
}
export class ShiftInput {
  @Name() name: string;
  @TimeOfDay() from: string;
  @TimeOfDay() to: string;
  @Whole(1, 100, say`The number of hands`) hands: number;
  @Optional()
  @IsArray()
  @ArrayUnique()
  @IsIn(skills, { each: true, message: say`Hands can mix, portion, tend the ovens, and pack.` })
  can?: Skill[];
  @Optional() @ListOf(() => HoursInput, 6) breaks?: HoursInput[];
}

export class ClosedDayInput {
  @IsBakeDate({ message: say`A day is written 2026-11-27.` }) date: string;
  @IsString() @Length(1, 80, { message: say`Say why it is closed (1 to 80 letters).` }) why: string;
}
export class AwayInput {
  @IsBakeDate({ message: say`A day is written 2026-11-27.` }) date: string;
  @Name() shift: string;
  @Whole(1, 100, say`The number of hands that are away`) hands: number;
  @IsString() @Length(1, 80, { message: say`Say why (1 to 80 letters).` }) why: string;
}
export class CalendarInput {
  @IsArray()
  @ArrayMaxSize(7)
  @IsInt({ each: true })
  @Min(1, { each: true })
  @Max(7, { each: true })
  closedWeekdays: number[];
  @ListOf(() => ClosedDayInput, 400) closedDays: ClosedDayInput[];
  @Optional() @ListOf(() => AwayInput, 400) away?: AwayInput[];
}

/** All equipment of the bakery, whole; what was there before stays in it, retired at most. */
export class EquipmentBody {
  @ListOf(() => MixerInput, 60) mixers: MixerInput[];
  @ListOf(() => OvenInput, 60) ovens: OvenInput[];
  @ListOf(() => TrayInput, 60) trays: TrayInput[];
  /** Those that are there where left out. */
  @Optional() @ListOf(() => LinerInput, 60) liners?: LinerInput[];
  @ListOf(() => PlaceInput, 60) places: PlaceInput[];
  @ListOf(() => RackInput, 60) racks: RackInput[];
  @ListOf(() => ScaleInput, 60) scales: ScaleInput[];
  @IsArray() @ArrayMaxSize(40) @IsNumber({}, { each: true }) scoops: number[];
  @ListOf(() => ShiftInput, 30) shifts: ShiftInput[];
  @IsObject() @ValidateNested() @Type(() => HoursInput) ovenHours: HoursInput;
  @Optional() @Type(() => Number) @IsInt() @Min(0) @Max(20) ovenHands?: number;
  @IsArray() @ArrayMaxSize(80) @IsString({ each: true }) @Length(1, 60, { each: true }) crew: string[];
  @Optional() @IsObject() @ValidateNested() @Type(() => CalendarInput) calendar?: CalendarInput;
}
export class EquipmentInput extends EquipmentBody {
  @IsInt() version: number;
}
