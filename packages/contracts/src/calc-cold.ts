import 'reflect-metadata';
import { Type } from 'class-transformer';
import {
  ArrayMaxSize,
  ArrayMinSize,
  IsArray,
  IsIn,
  IsNumber,
  IsObject,
  ValidateNested,
} from 'class-validator';
import type { Body } from '@jokul/core';
import { CompositionRequest } from './calc-scale.js';
import { Optional } from './optional.js';

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
