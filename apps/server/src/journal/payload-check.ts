import { say } from '@jokul/core';
import { BadRequestException } from '@nestjs/common';
import { plainToInstance } from 'class-transformer';
import { validateSync } from 'class-validator';
import type { DraftEntry } from '@jokul/core';
import { payloadClasses, type JournalEntryInput } from '@jokul/contracts';
import { firstTrouble } from '../common/first-trouble.js';

/** The entry with its payload checked by the class of its kind. @throws BadRequestException with a sentence, and where the fault is */
export const checkedEntry = (input: JournalEntryInput): DraftEntry => {
  const payload = plainToInstance(payloadClasses[input.kind], input.payload);
  const errors = validateSync(payload, { whitelist: true, forbidNonWhitelisted: true });
  const trouble = firstTrouble(errors, 'payload');
  if (trouble) throw new BadRequestException(trouble);
  return draftOf({ ...input, payload: { ...payload } });
};

/** The entry as it is stored, once its payload is known to be sound. @throws BadRequestException for what no class can see */
export const draftOf = (input: JournalEntryInput): DraftEntry => {
  const { kind, payload } = input;
  const missing = 'missing' in payload && Array.isArray(payload.missing) ? payload.missing : [];
  if (kind === 'mixed' && missing.length > 0 && !('reason' in payload && payload.reason)) {
    throw new BadRequestException(
      say`Not weighed: ${missing.join(', ')}. A batch is finished without them only with a reason.`,
    );
  }
  // The same entry in capitals is the same entry.
  return { ...input, id: input.id.toLowerCase() } as unknown as DraftEntry;
};
