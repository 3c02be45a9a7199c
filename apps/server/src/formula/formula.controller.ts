import { Body, Controller, Get, Param, Post } from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import type { Formula } from '@jokul/core';
import { FormulaInput, NewFormulaInput, type FormulaVersionView } from '@jokul/contracts';
import { FormulaService } from './formula.service.js';

@ApiTags('formula')
@Controller('formulas')
export class FormulaController {
  constructor(private readonly formulas: FormulaService) {}

  @Get(':code/versions')
  history(@Param('code') code: string): Promise<readonly FormulaVersionView[]> {
    return this.formulas.history(code);
  }

  @Post()
  create(@Body() input: NewFormulaInput): Promise<Formula> {
    return this.formulas.create(input);
  }

  @Post(':code/versions')
  save(@Param('code') code: string, @Body() input: FormulaInput): Promise<Formula> {
    return this.formulas.save(code, input);
  }
}
