import { Injectable, ServiceUnavailableException, type OnModuleDestroy } from '@nestjs/common';
import { fileURLToPath } from 'node:url';
import { Piscina } from 'piscina';
import { JokulError, say } from '@jokul/core';
import { Together } from '../common/together.js';
import type { Outcome } from '../computation/outcome.js';

const timeLimitS = 20;
const mostWaiting = 16;

/** Runs calculations in a thread of their own, with limits on time, memory and how many may wait. */
@Injectable()
export class CalcService implements OnModuleDestroy {
  private readonly pool = new Piscina({
    // Worker threads run compiled code, also when this file is read as source by a test.
    filename: fileURLToPath(new URL('../../dist/bundle/calc.worker.js', import.meta.url)),
    minThreads: 0,
    maxThreads: 1,
    idleTimeout: 30_000,
    maxQueue: mostWaiting,
    resourceLimits: { maxOldGenerationSizeMb: 512 },
  });

  async onModuleDestroy(): Promise<void> {
    await this.pool.destroy();
  }

  private readonly asked = new Together<object>();

  /**
   * The same question asked by several at once is computed once.
   * @param left given up when all who asked have left
   * @throws JokulError of the calculation, `takes-too-long`; ServiceUnavailableException when too many wait
   */
  calculate(name: string, json: unknown, left: AbortSignal): Promise<object> {
    const question = JSON.stringify([name, json]);
    return this.asked.ask(question, (nobodyWaits) => this.compute(name, json, nobodyWaits), left);
  }

  private async compute(name: string, json: unknown, left: AbortSignal): Promise<object> {
    const limit = AbortSignal.timeout(timeLimitS * 1000);
    if (this.pool.queueSize >= mostWaiting)
      throw new ServiceUnavailableException(
        say`Too many calculations are waiting. Nothing was lost: ask again in a few seconds.`,
      );
    const answer = await this.pool
      .run({ name, json }, { signal: AbortSignal.any([limit, left]) })
      .then((value: unknown) => value as Outcome<object>)
      .catch((error: unknown) => {
        // Out of time, or out of the memory that a calculation may take.
        const overrun =
          limit.aborted ||
          (error instanceof Error && 'code' in error && error.code === 'ERR_WORKER_OUT_OF_MEMORY');
        if (!overrun) throw error;
        const message = say`The calculation was stopped: it takes more than ${timeLimitS} s or too much memory. Ask for less at once.`;
        return { refused: { code: 'takes-too-long', message, path: '' } };
      });
    if ('result' in answer) return answer.result;
    const { code, message, path } = answer.refused;
    throw new JokulError(code, message, path);
  }
}
