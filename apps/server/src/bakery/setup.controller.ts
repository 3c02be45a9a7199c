import { Body, Controller, Get, HttpCode, Param, ParseIntPipe, Post, Put } from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import { inUse, JokulError, wallClock, say } from '@jokul/core';
import {
  BakeryInput,
  EquipmentInput,
  OpenBakeryInput,
  OwnIngredientsInput,
  PricesInput,
  RulesInput,
  SetupFileInput,
  TakeSetupFileInput,
  type BakeryView,
  type SetupChanges,
  type SetupChangeView,
  type SetupFile,
} from '@jokul/contracts';
import { Who } from '../common/who.js';
import { ClockService } from '../clock/clock.service.js';
import { FormulaService } from '../formula/formula.service.js';
import { EquipmentService } from './equipment.service.js';
import { OwnBakery } from './own-bakery.service.js';
import { OwnIngredientsService } from '../ingredient/own-ingredients.service.js';
import { SetupFileService } from './setup-file.service.js';
import { SettingsService } from '../settings/settings.service.js';
import { WhichBakery } from '../settings/which-bakery.js';

@ApiTags('setup')
@Controller()
export class SetupController {
  constructor(
    private readonly settings: SettingsService,
    private readonly formulas: FormulaService,
    private readonly clock: ClockService,
    private readonly own: OwnIngredientsService,
    private readonly equipment: EquipmentService,
    private readonly ownBakery: OwnBakery,
    private readonly files: SetupFileService,
    private readonly which: WhichBakery,
  ) {}

  @Get('bakery')
  async bakery(): Promise<BakeryView> {
    const [equipment, rules, bakery, formulas, clock, own, prices, { inForce }] = await Promise.all([
      this.settings.read('equipment'),
      this.settings.read('rules'),
      this.settings.read('bakery'),
      this.formulas.latest(),
      this.clock.view(),
      this.own.read(),
      this.settings.prices(),
      this.settings.calibration(),
    ]);
    return {
      id: this.which.id,
      kind: this.which.kind,
      other: this.which.other,
      ownBakeries: this.which.own(bakery.body.name),
      name: bakery.body.name,
      equipment: equipment.body,
      equipmentVersion: equipment.version,
      rules: rules.body,
      rulesVersion: rules.version,
      formulas,
      ownIngredients: own.ingredients,
      ownIngredientsVersion: own.version,
      prices: prices.body,
      pricesVersion: prices.version,
      learned: inForce && { atMs: inForce.atMs, bakes: inForce.bakes, values: inForce.values },
      clock,
      today: wallClock(clock.nowMs / 1000, rules.body.timeZone).date,
    };
  }

  @Put('rules')
  async saveRules(@Body() { version, ...given }: RulesInput, @Who() who: string): Promise<BakeryView> {
    // What was not said stays as it is.
    const changes = Object.fromEntries(
      Object.entries(given).filter(([, value]) => value !== undefined),
    ) as Partial<typeof given>;
    const [{ body }, { body: equipment }] = await Promise.all([
      this.settings.read('rules'),
      this.settings.read('equipment'),
    ]);
    if (changes.trayId !== undefined && !inUse(equipment).trays.some(({ id }) => id === changes.trayId))
      throw new JokulError('bad-tray', say`The tray to plan with must be one that is in use.`, 'trayId');
    await this.settings.write('rules', { ...body, ...changes }, version, who);
    return this.bakery();
  }

  @Put('bakery')
  async nameBakery(@Body() input: BakeryInput, @Who() who: string): Promise<BakeryView> {
    await this.ownBakery.name(input, who);
    return this.bakery();
  }

  /** Opens the demo, or one of the house's own bakeries, in place of the one that is open. */
  @Post('bakery/open')
  @HttpCode(202)
  open(@Body() { kind, id }: OpenBakeryInput): { readonly kind: 'demo' | 'own'; readonly id: string } {
    return { kind, id: this.which.open(kind, id) };
  }

  @Put('equipment')
  async saveEquipment(@Body() input: EquipmentInput, @Who() who: string): Promise<BakeryView> {
    await this.equipment.write(input, who);
    return this.bakery();
  }

  /** All that is set up, as a file. */
  @Get('setup/file')
  giveFile(): Promise<SetupFile> {
    return this.files.give();
  }

  /** What was changed in Setup, by whom and when, the latest first. */
  @Get('setup/changes')
  history(): Promise<readonly SetupChangeView[]> {
    return this.files.history();
  }

  /** The setup with one part as it was before a change, as a file to be looked at and taken in. */
  @Get('setup/changes/:id/before')
  before(@Param('id', ParseIntPipe) id: number): Promise<SetupFile> {
    return this.files.before(id);
  }

  /** What a setup file would change; nothing is written. */
  @Post('setup/file/look')
  lookAtFile(@Body() input: SetupFileInput): Promise<SetupChanges> {
    return this.files.look(input);
  }

  @Put('setup/file')
  takeFile(@Body() input: TakeSetupFileInput, @Who() who: string): Promise<SetupChanges> {
    return this.files.take(input, who);
  }

  @Put('ingredients')
  async saveIngredients(@Body() input: OwnIngredientsInput, @Who() who: string): Promise<BakeryView> {
    await this.own.write(input, who);
    return this.bakery();
  }

  @Put('prices')
  async savePrices(@Body() { version, ...prices }: PricesInput, @Who() who: string): Promise<BakeryView> {
    const { body } = await this.settings.prices();
    // What an older page does not know of stays as it is.
    const { packG = body.packG, perKWh = body.perKWh, ...others } = prices;
    const kept = {
      ...others,
      ...(packG && { packG }),
      ...(perKWh !== undefined && { perKWh }),
    };
    await this.settings.write('prices', kept, version, who);
    return this.bakery();
  }
}
