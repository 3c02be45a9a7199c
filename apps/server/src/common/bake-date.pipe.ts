import { Injectable, type PipeTransform } from '@nestjs/common';
import { atWallClock } from '@jokul/core';

/** A calendar date in a URL, such as 2026-11-27. @throws JokulError `bad-time` */
@Injectable()
export class BakeDatePipe implements PipeTransform<string, string> {
  transform(value: string): string {
    atWallClock(value, '12:00', 'UTC');
    return value;
  }
}
