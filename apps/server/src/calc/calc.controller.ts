import { Body, Controller, HttpCode, Param, Post, Req } from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import type { Request } from 'express';
import { untilLeft } from '../common/until-left.js';
import { CalcService } from './calc.service.js';

@ApiTags('calc')
@Controller('calc')
export class CalcController {
  constructor(private readonly calc: CalcService) {}

  /** The same computations as `npm run calc`; unknown keys are refused. Leaving gives a computation up. */
  @Post(':name')
  @HttpCode(200)
  calculate(@Param('name') name: string, @Body() json: object, @Req() request: Request): Promise<object> {
    return untilLeft(request, (left) => this.calc.calculate(name, json, left));
  }
}
