/**
 * The same calls, which fail all at once when told to: a worker that breaks never answers, and whoever waits for it
 * would wait for ever.
 */
export const failing = <Api extends object>(
  api: Api,
): { readonly api: Api; readonly fail: (error: Error) => void } => {
  const waiting = new Set<(error: Error) => void>();
  let failed: Error | null = null;
  const call =
    (method: (...args: unknown[]) => unknown) =>
    (...args: unknown[]): Promise<unknown> =>
      failed
        ? Promise.reject(failed)
        : new Promise((resolve, reject) => {
            waiting.add(reject);
            Promise.resolve(method(...args))
              .then(resolve, reject)
              .finally(() => waiting.delete(reject));
          });
  return {
    api: new Proxy(api, {
      get: (target, name) =>
        typeof name === 'string' && name !== 'then'
          ? call((...args) => (target[name as keyof Api] as (...given: unknown[]) => unknown)(...args))
          : undefined,
    }),
    fail: (error) => {
      failed = error;
      for (const reject of waiting) reject(error);
      waiting.clear();
    },
  };
};
