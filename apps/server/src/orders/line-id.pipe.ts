import { BadRequestException, Injectable, type PipeTransform } from '@nestjs/common';
import { isUUID } from 'class-validator';
import { isCalendarDate, say } from '@jokul/core';

/** The name of a line: its own, or that of its standing order with the day, such as …~2026-11-27. */
@Injectable()
export class LineIdPipe implements PipeTransform<string, string> {
  transform(value: string): string {
    const [id, date, ...more] = value.split('~');
    if (!isUUID(id) || (date !== undefined && !isCalendarDate(date)) || more.length > 0)
      throw new BadRequestException(say`That is not the name of a line.`);
    return value;
  }
}
