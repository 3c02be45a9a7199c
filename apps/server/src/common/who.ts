import { createParamDecorator, type ExecutionContext } from '@nestjs/common';
import type { Request } from 'express';

const most = 80;

/** Who works at the device, as its header says; "" where it says nothing that can be read. */
export const whoOf = (header: string | readonly string[] | undefined): string => {
  if (typeof header !== 'string') return '';
  try {
    return decodeURIComponent(header)
      .replaceAll(/\p{Cc}/gu, '')
      .trim()
      .slice(0, most);
  } catch {
    return '';
  }
};

export const Who = createParamDecorator((_: unknown, context: ExecutionContext): string =>
  whoOf(context.switchToHttp().getRequest<Request>().headers['x-jokul-who']),
);
