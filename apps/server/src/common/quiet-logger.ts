import { ConsoleLogger } from '@nestjs/common';

/** What the framework says of itself at every start is left out. */
const chatter = new Set([
  'NestFactory',
  'InstanceLoader',
  'RoutesResolver',
  'RouterExplorer',
  'NestApplication',
]);

/** Structured logs, one JSON object a line, of what a person running Jokul may want to know. */
export class QuietLogger extends ConsoleLogger {
  constructor() {
    super({ json: true, colors: false });
  }

  override log(message: unknown, ...rest: unknown[]): void {
    const context = rest.at(-1);
    if (typeof context === 'string' && chatter.has(context)) return;
    super.log(message, ...(rest as [string]));
  }
}
