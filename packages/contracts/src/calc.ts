import 'reflect-metadata';
import { Type } from 'class-transformer';
import {
  IsObject,
  ArrayMaxSize,
  ArrayMinSize,
  IsArray,
  IsBoolean,
  IsIn,
  IsInt,
  IsNumber,
  IsString,
  Length,
  Matches,
  Max,
  Min,
  ValidateBy,
  ValidateNested,
} from 'class-validator';
import { Optional } from './optional.js';
import {
  traySides,
  type Body,
  type Composition,
  type Doneness,
  type Liner,
  type PieceShape,
  type TrayMaterial,
  type TraySide,
} from '@jokul/core';

/* Requests of /api/calc/* and of `npm run calc`. Ranges are judged by the core, which names what is wrong. */

export class ConvertRequest {
  @IsNumber() amount: number;
  @IsString() @Length(1, 20) unit: string;
  @IsString() @Length(1, 60) ingredient: string;
  @Optional() @IsString() packing?: string;
}

export class ScaleIngredient {
  @IsString() id: string;
  @IsNumber() bakersPercent: number;
  @IsString() stage: string;
}
export class ScaleFormula {
  @IsArray()
  @ArrayMinSize(1)
  @ArrayMaxSize(80)
  @IsObject({ each: true })
  @ValidateNested({ each: true })
  @Type(() => ScaleIngredient)
  ingredients: ScaleIngredient[];
}
export class ScaleLine {
  @IsNumber() pieces: number;
  @IsNumber() pieceMassG: number;
}
export class LossesRequest {
  @IsNumber() bowlShare: number;
  @IsNumber() portionShare: number;
  @IsNumber() testPieces: number;
}
export class MixerRequest {
  @IsString() id: string;
  @IsNumber() minMassG: number;
  @IsNumber() maxMassG: number;
}
export class ScaleDevice {
  @IsString() id: string;
  @IsNumber() maxMassG: number;
  @IsNumber() resolutionG: number;
}
export class ScaleRequest {
  @IsObject() @ValidateNested() @Type(() => ScaleFormula) formula: ScaleFormula;
  @IsArray()
  @ArrayMaxSize(200)
  @IsObject({ each: true })
  @ValidateNested({ each: true })
  @Type(() => ScaleLine)
  lines: ScaleLine[];
  @IsObject() @ValidateNested() @Type(() => LossesRequest) losses: LossesRequest;
  @IsArray()
  @ArrayMaxSize(20)
  @IsObject({ each: true })
  @ValidateNested({ each: true })
  @Type(() => MixerRequest)
  mixers: MixerRequest[];
  @IsArray()
  @ArrayMinSize(1)
  @ArrayMaxSize(20)
  @IsObject({ each: true })
  @ValidateNested({ each: true })
  @Type(() => ScaleDevice)
  scales: ScaleDevice[];
}

export class CompositionRequest implements Composition {
  @IsNumber() water: number;
  @IsNumber() fat: number;
  @IsNumber() protein: number;
  @IsNumber() carbohydrate: number;
  @IsNumber() fibre: number;
  @IsNumber() ash: number;
}
export class BodyRequest {
  @IsIn(['sphere', 'slab', 'cylinder', 'block', 'disc']) kind: Body['kind'];
  @Optional() @IsNumber() massG?: number;
  @Optional() @IsNumber() thicknessMm?: number;
  @Optional() @IsIn([1, 2]) exposedFaces?: 1 | 2;
  @Optional() @IsNumber() diameterMm?: number;
  @Optional() @IsNumber() lengthMm?: number;
  @Optional() @IsNumber() widthMm?: number;
  @Optional() @IsNumber() heightMm?: number;
}
export class PropertiesRequest {
  @IsNumber() conductivityWPerMK: number;
  @IsNumber() specificHeatJPerKgK: number;
  @IsNumber() densityKgPerM3: number;
}
export class StayRequest {
  @IsNumber() airC: number;
  @IsNumber() hWPerM2K: number;
  @IsNumber() durationS: number;
}
export class UntilRequest {
  @IsIn(['core', 'surface', 'mean']) where: 'core' | 'surface' | 'mean';
  @IsNumber() temperatureC: number;
}
export class ColdRequest {
  @IsObject() @ValidateNested() @Type(() => BodyRequest) body: BodyRequest;
  @Optional()
  @IsObject()
  @ValidateNested()
  @Type(() => CompositionRequest)
  composition?: CompositionRequest;
  @Optional() @IsObject() @ValidateNested() @Type(() => PropertiesRequest) properties?: PropertiesRequest;
  @IsNumber() startC: number;
  @IsArray()
  @ArrayMinSize(1)
  @ArrayMaxSize(50)
  @IsObject({ each: true })
  @ValidateNested({ each: true })
  @Type(() => StayRequest)
  steps: StayRequest[];
  @Optional() @IsObject() @ValidateNested() @Type(() => UntilRequest) until?: UntilRequest;
}

export class BakePieceRequest {
  @IsNumber() massG: number;
  @IsIn(['ball', 'mound', 'puck', 'slice']) shape: PieceShape;
  /** Pressed flat to this diameter before it bakes, mm. */
  @Optional() @IsNumber() pressedMm?: number;
  @Optional() @IsNumber() startC?: number;
  @Optional()
  @IsArray()
  @ArrayMinSize(2)
  @ArrayMaxSize(60)
  @IsNumber({}, { each: true })
  profile?: number[];
}
export class BakeTrayRequest {
  @IsString() material: TrayMaterial;
  @IsString() liner: Liner;
}
/** What is known of an oven and a dough, as calibration finds it; left out, a figure changes nothing. */
export class BakeCalibrationRequest {
  @Optional() @IsNumber() offsetK?: number;
  @Optional() @IsNumber() hFactor?: number;
  @Optional() @IsNumber() stiffness?: number;
  @Optional() @IsNumber() colourFactor?: number;
}
export class BakeOvenRequest {
  @IsNumber() setC: number;
  @IsBoolean() fan: boolean;
  @Optional() @IsInt() position?: number;
  @Optional()
  @IsObject()
  @ValidateNested()
  @Type(() => BakeCalibrationRequest)
  calibration?: BakeCalibrationRequest;
}
export class BakeRestRequest {
  @IsNumber() trayS: number;
  @IsNumber() airC: number;
}
/** The house's own limits, where they are not the usual ones. */
export class BakeRulesRequest {
  /** What even the coldest point must reach, carryover included, °C. */
  @Optional() @IsNumber() centreC?: number;
}
export class BakeRequestInput {
  @IsObject() @ValidateNested() @Type(() => BakePieceRequest) piece: BakePieceRequest;
  @Optional() @IsObject() @ValidateNested() @Type(() => ScaleFormula) formula?: ScaleFormula;
  @Optional()
  @IsObject()
  @ValidateNested()
  @Type(() => CompositionRequest)
  composition?: CompositionRequest;
  @IsObject() @ValidateNested() @Type(() => BakeTrayRequest) tray: BakeTrayRequest;
  @IsObject() @ValidateNested() @Type(() => BakeOvenRequest) oven: BakeOvenRequest;
  @IsObject() @ValidateNested() @Type(() => BakeRestRequest) rest: BakeRestRequest;
  @Optional() @IsNumber() pullS?: number;
  @Optional() @IsIn(['soft-centre', 'chewy', 'crisp-edge', 'crisp-through']) target?: Doneness;
  @Optional() @IsObject() @ValidateNested() @Type(() => BakeRulesRequest) rules?: BakeRulesRequest;
}

/** Rim colour as a score of 0 to 100, alone or beside the others that the bake answers with. */
const Colour = () =>
  ValidateBy({
    name: 'colour',
    validator: {
      validate: (value: unknown) => {
        const score = typeof value === 'object' && value !== null && 'edge' in value ? value.edge : value;
        return typeof score === 'number' && score >= 0 && score <= 100;
      },
      defaultMessage: () => 'A colour is a score of 0 to 100, or { edge } with it.',
    },
  });
export class MeasuredRequest {
  @Optional() @IsNumber() @Min(20) @Max(140) coreC?: number;
  @Optional() @IsNumber() @Min(10) @Max(500) diameterMm?: number;
  @Optional() @IsNumber() @Min(1) @Max(150) heightMm?: number;
  @Optional() @IsNumber() @Min(0) @Max(0.5) lossShare?: number;
  @Optional() @Colour() colour?: number | { readonly edge: number };
}
export class CalibrateOvenRequest {
  @IsString() @Length(1, 60) id: string;
  @IsNumber() setC: number;
  @IsBoolean() fan: boolean;
  @Optional() @IsInt() @Min(1) @Max(60) position?: number;
}
class BakeSomewhere {
  @Optional() @IsObject() @ValidateNested() @Type(() => ScaleFormula) formula?: ScaleFormula;
  @Optional()
  @IsObject()
  @ValidateNested()
  @Type(() => CompositionRequest)
  composition?: CompositionRequest;
  @IsObject() @ValidateNested() @Type(() => BakePieceRequest) piece: BakePieceRequest;
  @IsObject() @ValidateNested() @Type(() => BakeTrayRequest) tray: BakeTrayRequest;
  @IsObject() @ValidateNested() @Type(() => CalibrateOvenRequest) oven: CalibrateOvenRequest;
}
export class MeasuredBakeRequest extends BakeSomewhere {
  @IsNumber() @Min(60) @Max(7200) pullS: number;
  @IsObject() @ValidateNested() @Type(() => MeasuredRequest) measured: MeasuredRequest;
}
export class AskedBakeRequest extends BakeSomewhere {
  @IsIn(['soft-centre', 'chewy', 'crisp-edge', 'crisp-through']) target: Doneness;
}
/** Measured bakes, and what is to be baked by what they teach. */
export class CalibrateRequest {
  @IsArray()
  @ArrayMinSize(1)
  @ArrayMaxSize(200)
  @IsObject({ each: true })
  @ValidateNested({ each: true })
  @Type(() => MeasuredBakeRequest)
  bakes: MeasuredBakeRequest[];
  @IsArray()
  @ArrayMaxSize(100)
  @IsObject({ each: true })
  @ValidateNested({ each: true })
  @Type(() => AskedBakeRequest)
  ask: AskedBakeRequest[];
}

export class TraySizeRequest {
  @IsNumber() lengthMm: number;
  @IsNumber() widthMm: number;
  /** Sides without a rail, where pieces may come to the edge. */
  @Optional() @IsArray() @ArrayMaxSize(4) @IsIn(traySides, { each: true }) openSides?: TraySide[];
}
export class PieceSizeRequest {
  @IsNumber() diameterMm: number;
  @Optional() @IsInt() @Min(0) @Max(10_000) pieces?: number;
}
export class BarRequest {
  @IsNumber() lengthMm: number;
  @IsNumber() widthMm: number;
}
/** One size by its diameter, several by `sizes`, or bars; one of the three. */
export class TrayRequest {
  @IsObject() @ValidateNested() @Type(() => TraySizeRequest) tray: TraySizeRequest;
  @Optional() @IsNumber() diameterMm?: number;
  @Optional()
  @IsArray()
  @ArrayMinSize(1)
  @ArrayMaxSize(8)
  @ValidateNested({ each: true })
  @Type(() => PieceSizeRequest)
  sizes?: PieceSizeRequest[];
  @Optional() @IsObject() @ValidateNested() @Type(() => BarRequest) bar?: BarRequest;
  /** Pieces or bars may touch: no gap, whatever `gapMm` says. */
  @Optional() @IsBoolean() touching?: boolean;
  @Optional() @IsNumber() gapMm?: number;
  @IsNumber() marginMm: number;
  @Optional() @IsIn(['rows', 'staggered', 'best']) pattern?: 'rows' | 'staggered' | 'best';
}

export class WeighCheckRequest {
  @IsNumber() nominalG: number;
  @IsNumber() toleranceG: number;
  @IsArray() @ArrayMinSize(1) @ArrayMaxSize(10_000) @IsNumber({}, { each: true }) readingsG: number[];
  @IsNumber() batchPieces: number;
}

/** A school by its name, or the grams of one cup. */
const School = (...names: readonly string[]) =>
  ValidateBy({
    name: 'school',
    constraints: [...names],
    validator: {
      validate: (value: unknown) =>
        (typeof value === 'string' && names.includes(value)) ||
        (typeof value === 'number' && value >= 20 && value <= 400),
      defaultMessage: () => `It must be one of ${names.join(', ')}, or the grams of a cup (20 to 400).`,
    },
  });

export class ReadRequest {
  @IsString() @Length(1, 200_000) text: string;
  @Optional() @IsIn(['us', 'metric', 'imperial']) cups?: 'us' | 'metric' | 'imperial';
  @Optional() @School('spooned', 'dipped', 'sifted') flourCup?: 'spooned' | 'dipped' | 'sifted' | number;
  @Optional() @School('packed', 'loose') brownSugarCup?: 'packed' | 'loose' | number;
  @Optional() @School('spooned', 'dipped') cocoaCup?: 'spooned' | 'dipped' | number;
  @Optional() @IsString() @Length(1, 20) eggSize?: string;
  @Optional() @IsIn(['g', 'kg', 'oz']) bareUnit?: 'g' | 'kg' | 'oz';
  @Optional() @IsIn(['point', 'comma']) decimal?: 'point' | 'comma';
}

const wallClock = /^\d{4}-\d{2}-\d{2}T([01]\d|2[0-3]):[0-5]\d(:[0-5]\d)?$/;
const wallClockWanted = { message: '$property is no date and time: write 2026-11-28T06:30' };

export class DayOrderRequest {
  @IsString() @Length(1, 20) productCode: string;
  @IsInt() @Min(0) @Max(1e9) pieces: number;
  /** Wall clock of the bakery. */
  @IsString() @Matches(wallClock, wallClockWanted) readyBy: string;
  @Optional() @IsString() @Length(0, 80) customer?: string;
}
export class DayStockRequest {
  @IsString() @Length(1, 20) productCode: string;
  @IsInt() @Min(0) @Max(1e9) pieces: number;
  @IsIn(['pieces', 'tub', 'bag']) form: 'pieces' | 'tub' | 'bag';
  @IsString() @Length(1, 60) placeId: string;
  @IsString() @Matches(wallClock, wallClockWanted) madeAt: string;
}
export class DayRequest {
  @IsArray()
  @ArrayMaxSize(2000)
  @IsObject({ each: true })
  @ValidateNested({ each: true })
  @Type(() => DayOrderRequest)
  orders: DayOrderRequest[];
  /** The moment to plan from, as seconds since 1970 or as the bakery's wall clock; that of the demo where left out. */
  @Optional() @IsNumber() nowS?: number;
  @Optional() @IsString() @Matches(wallClock, wallClockWanted) now?: string;
  @Optional()
  @IsArray()
  @ArrayMaxSize(500)
  @IsObject({ each: true })
  @ValidateNested({ each: true })
  @Type(() => DayStockRequest)
  stock?: DayStockRequest[];
  /** How long a better plan is sought; a quick one where left out. */
  @Optional() @IsNumber() @Min(0) @Max(60) seconds?: number;
  /** How sure each ready-by shall be, as a share. */
  @Optional() @IsNumber() @Min(0) @Max(0.99) chance?: number;
}

export const calcRequests = {
  convert: ConvertRequest,
  scale: ScaleRequest,
  cold: ColdRequest,
  bake: BakeRequestInput,
  tray: TrayRequest,
  'weigh-check': WeighCheckRequest,
  read: ReadRequest,
  calibrate: CalibrateRequest,
  day: DayRequest,
} as const;
/** `plan` takes the schedule problem itself; it is checked against planSchema. */
export type CalcName = keyof typeof calcRequests | 'plan';
