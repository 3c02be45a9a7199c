import { Body, Controller, HttpCode, Param, Post } from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import { calculate } from './calculate.js';

@ApiTags('calc')
@Controller('calc')
export class CalcController {
  /** The same computations as `npm run calc`; unknown keys are refused. */
  @Post(':name')
  @HttpCode(200)
  calculate(@Param('name') name: string, @Body() json: object): object {
    return calculate(name, json);
  }
}
