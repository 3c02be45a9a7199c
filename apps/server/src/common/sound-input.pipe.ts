import { BadRequestException, Injectable, type ArgumentMetadata, type PipeTransform } from '@nestjs/common';
import { sayUnsound, unsoundAt } from '@jokul/contracts';

/** Refuses what no reader should be given, before anything is made of it. */
@Injectable()
export class SoundInputPipe implements PipeTransform<unknown> {
  transform(value: unknown, { type }: ArgumentMetadata): unknown {
    const path = type === 'body' ? unsoundAt(value) : null;
    if (path !== null) throw new BadRequestException({ message: sayUnsound(path), path });
    return value;
  }
}
