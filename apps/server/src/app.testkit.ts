import type { NestExpressApplication } from '@nestjs/platform-express';
import type { ProblemView } from '@jokul/contracts';
import { testDatabase } from './database/test-database.testkit.js';
import type { Config } from './config/config.js';
import { makeApp } from './make-app.js';

export interface Answer<T> {
  readonly status: number;
  readonly type: string;
  readonly body: T;
  readonly headers: Headers;
}

/** The real application on a real database, listening on a port of its own: with the demo, a bakery of one's own, or empty. */
export class TestApp {
  private constructor(
    readonly app: NestExpressApplication,
    readonly url: string,
    private readonly drop: () => Promise<void>,
  ) {}

  static async start(what: 'demo' | 'own' | 'empty' = 'demo', more: Partial<Config> = {}): Promise<TestApp> {
    const seedDemo = what === 'demo';
    const { config, drop } = await testDatabase(seedDemo);
    const app = await makeApp({ ...config, seedDemo, seedOwn: what === 'own', ...more }, false);
    await app.listen(0, '127.0.0.1');
    return new TestApp(app, await app.getUrl(), drop);
  }

  async stop(): Promise<void> {
    await this.app.close();
    await this.drop();
  }

  async call<T = ProblemView>(
    method: string,
    path: string,
    body?: unknown,
    headers: Record<string, string> = {},
  ): Promise<Answer<T>> {
    const response = await fetch(`${this.url}/api/${path}`, {
      method,
      headers: { ...(body !== undefined && { 'content-type': 'application/json' }), ...headers },
      ...(body !== undefined && { body: typeof body === 'string' ? body : JSON.stringify(body) }),
    });
    const text = await response.text();
    const type = response.headers.get('content-type') ?? '';
    return {
      status: response.status,
      type,
      headers: response.headers,
      body: (text && type.includes('json') ? JSON.parse(text) : text) as T,
    };
  }

  get = <T>(path: string) => this.call<T>('GET', path);
  post = <T = ProblemView>(path: string, body: unknown) => this.call<T>('POST', path, body);
  put = <T = ProblemView>(path: string, body: unknown) => this.call<T>('PUT', path, body);
}
