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
import { linerKinds, type Liner, say } from '@jokul/core';
import { FormulaStageInput, ToppingInput } from './formula-lines.js';
import { Optional } from './optional.js';

export class PieceInput {
  @IsNumber({}, { message: say`The piece weight must be a number of grams.` })
  @Min(8, { message: say`A piece weighs at least 8 g: the bake model knows no smaller ones.` })
  @Max(200, { message: say`A piece weighs at most 200 g: the bake model knows no larger ones.` })
  massG: number;

  @IsIn(['ball', 'mound', 'puck', 'slice'])
  shape: 'ball' | 'mound' | 'puck' | 'slice';

  /** Pressed flat to this diameter, mm; left out: as its shape has it. */
  @Optional()
  @IsNumber({}, { message: say`The diameter that a piece is pressed to must be a number of millimetres.` })
  pressedMm?: number;
}

export class RestInput {
  @IsIn(['pieces', 'tub', 'bag', 'none'])
  form: 'pieces' | 'tub' | 'bag' | 'none';

  @IsIn(['walk-in', 'freezer', 'bench'])
  placeKind: 'walk-in' | 'freezer' | 'bench';

  @IsNumber()
  @Min(0)
  minS: number;

  @IsNumber()
  @Min(0)
  bestS: number;

  @IsNumber()
  @Min(0)
  @Max(90 * 86_400)
  maxS: number;

  @IsNumber()
  @Min(0)
  @Max(86_400)
  temperS: number;

  /** Open or covered in the cold; pieces open, tubs and bags covered where left out. */
  @Optional()
  @IsIn(['open', 'covered'], { message: say`In the cold it lies open or covered.` })
  cover?: 'open' | 'covered';
}

export class BakeRuleInput {
  @IsIn(['soft-centre', 'chewy', 'crisp-edge', 'crisp-through'])
  target: 'soft-centre' | 'chewy' | 'crisp-edge' | 'crisp-through';

  @IsNumber()
  @Min(120, { message: say`The oven must be set to 120 °C or more.` })
  @Max(260, { message: say`The oven must be set to 260 °C or less.` })
  setC: number;

  @IsBoolean()
  fan: boolean;

  @IsNumber()
  @Min(0)
  @Max(7200)
  trayRestS: number;

  @IsNumber()
  @Min(0)
  @Max(150, { message: say`The gap must be at most 150 mm.` })
  gapMm: number;

  /** What it bakes on; the liner of the house where left out. */
  @Optional()
  @IsIn(linerKinds, { message: say`Choose what lies on the tray.` })
  liner?: Liner;

  /** The only ovens that it bakes in; any where left out. */
  @Optional()
  @IsArray()
  @ArrayMinSize(1, { message: say`Choose an oven at least, or leave it open.` })
  @ArrayMaxSize(60)
  @ArrayUnique({ message: say`Name each oven once.` })
  @Matches(/^(?!constructor$)[a-z0-9][a-z0-9-]{0,39}$/, {
    each: true,
    message: say`An id is made of small letters, digits and hyphens.`,
  })
  ovens?: string[];
}

/** How the dough is worked. */
export class MethodInput {
  @IsIn(['short', 'standard', 'long', 'melted']) cream: 'short' | 'standard' | 'long' | 'melted';
  @IsIn(['barely', 'fully']) egg: 'barely' | 'fully';
  @IsIn(['machine', 'hand']) finish: 'machine' | 'hand';
  @Optional()
  @IsNumber({}, { message: say`The dough temperature must be a number.` })
  @Min(5, { message: say`The dough temperature must be 5 °C or more.` })
  @Max(35, { message: say`The dough temperature must be 35 °C or less.` })
  doughC?: number;
}

/** What is done to the pieces after the oven. */
export class AfterBakeInput {
  @Optional()
  @IsNumber()
  @Min(0)
  @Max(60, { message: say`Pressing a piece flat takes at most 60 s.` })
  flattenPieceS?: number;

  @Optional()
  @IsNumber()
  @Min(0)
  @Max(600, { message: say`Icing a piece takes at most 600 s.` })
  icePieceS?: number;

  @Optional()
  @IsNumber()
  @Min(0)
  @Max(86_400, { message: say`Drying takes at most a day.` })
  dryS?: number;
}

/** What a formula consists of, without its code and version. */
export class FormulaBody {
  @IsString()
  @Length(1, 80, { message: say`The formula needs a name.` })
  name: string;

  @IsArray()
  @ArrayMinSize(1, { message: say`The formula has no stages.` })
  @ArrayMaxSize(12)
  @IsObject({ each: true })
  @ValidateNested({ each: true })
  @Type(() => FormulaStageInput)
  stages: FormulaStageInput[];

  @IsArray()
  @ArrayMaxSize(12)
  @IsObject({ each: true })
  @ValidateNested({ each: true })
  @Type(() => ToppingInput)
  toppings: ToppingInput[];

  @IsObject()
  @ValidateNested()
  @Type(() => PieceInput)
  piece: PieceInput;

  @IsObject()
  @ValidateNested()
  @Type(() => RestInput)
  rest: RestInput;

  @IsObject()
  @ValidateNested()
  @Type(() => BakeRuleInput)
  bake: BakeRuleInput;

  @Optional()
  @IsObject()
  @ValidateNested()
  @Type(() => MethodInput)
  method?: MethodInput;

  @Optional()
  @IsObject()
  @ValidateNested()
  @Type(() => AfterBakeInput)
  afterBake?: AfterBakeInput;
}

/** A formula as edited; saving it makes the next version. */
export class FormulaInput extends FormulaBody {
  /** The version that was edited; refused when another one was saved since. */
  @IsInt()
  @Min(1)
  baseVersion: number;
}

/** A new formula: its code is the short name on labels and lots. */
export class NewFormulaInput extends FormulaBody {
  @Matches(/^[A-Z][A-Z0-9]{1,5}$/, {
    message: say`The code is 2 to 6 capital letters or digits, beginning with a letter: GNG.`,
  })
  code: string;
}
