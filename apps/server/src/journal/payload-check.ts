import { BadRequestException } from '@nestjs/common';
import { plainToInstance } from 'class-transformer';
import { validateSync, type ValidationError } from 'class-validator';
import type { DraftEntry } from '@jokul/core';
import { payloadClasses, type JournalEntryInput } from '@jokul/contracts';

const sentences = (errors: readonly ValidationError[]): string[] =>
  errors.flatMap((error) => [...Object.values(error.constraints ?? {}), ...sentences(error.children ?? [])]);

/** The entry with its payload checked by the class of its kind. @throws BadRequestException with the sentences */
export const checkedEntry = (input: JournalEntryInput): DraftEntry => {
  const payload = plainToInstance(payloadClasses[input.kind], input.payload);
  const errors = validateSync(payload, { whitelist: true, forbidNonWhitelisted: true });
  if (errors.length > 0) throw new BadRequestException(sentences(errors));
  const missing = 'missing' in payload && Array.isArray(payload.missing) ? payload.missing : [];
  if (input.kind === 'mixed' && missing.length > 0 && !('reason' in payload && payload.reason)) {
    throw new BadRequestException(
      `Not weighed: ${missing.join(', ')}. A batch is finished without them only with a reason.`,
    );
  }
  // The same entry in capitals is the same entry.
  return { ...input, id: input.id.toLowerCase(), payload: { ...payload } } as unknown as DraftEntry;
};
