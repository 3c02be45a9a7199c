import type { RequestHandler } from 'express';
import { promisify } from 'node:util';
import { brotliCompress, constants, gzip } from 'node:zlib';

type Encoding = 'br' | 'gzip';

interface Said {
  readonly text: string;
  /** By how it is packed; each made when it is first asked for. */
  readonly packed: Map<Encoding, Promise<Buffer>>;
}

/** Below this an answer is written anew for each who asks, characters. */
const worthKeeping = 20_000;

const pack: Readonly<Record<Encoding, (text: string) => Promise<Buffer>>> = {
  // As quick as gzip, and smaller.
  br: (text) =>
    promisify(brotliCompress)(text, {
      params: {
        [constants.BROTLI_PARAM_QUALITY]: 4,
        [constants.BROTLI_PARAM_MODE]: constants.BROTLI_MODE_TEXT,
        [constants.BROTLI_PARAM_SIZE_HINT]: text.length,
      },
    }),
  gzip: (text) => promisify(gzip)(text),
};

const isObject = (body: unknown): body is object => typeof body === 'object' && body !== null;

/**
 * An answer that several wait for, such as a plan that thirty screens asked for at once, is put into words and packed
 * once: the same object is the same text for as long as it lives. What answers must not change it afterwards.
 */
export const saidOnce = (): RequestHandler => {
  const known = new WeakMap<object, Said>();
  return (request, response, next) => {
    const usual = response.json.bind(response);
    response.json = (body: unknown) => {
      if (!isObject(body)) return usual(body);
      let said = known.get(body);
      if (!said) {
        const text = JSON.stringify(body);
        if (text.length >= worthKeeping) known.set(body, (said = { text, packed: new Map() }));
        else return response.type('json').send(text);
      }
      const { text, packed } = said;
      response.type('json').vary('Accept-Encoding');
      // Browsers name all with the same weight: the smaller one then.
      const encoding = (['br', 'gzip'] as const).find((one) => request.acceptsEncodings(one) === one);
      if (!encoding) return response.send(text);
      const ready = packed.get(encoding) ?? pack[encoding](text);
      packed.set(encoding, ready);
      ready.then(
        (bytes) => {
          // Whoever asked may have left.
          if (response.headersSent || response.destroyed) return;
          response.set('Content-Encoding', encoding).send(bytes);
        },
        () => response.headersSent || response.send(text),
      );
      return response;
    };
    next();
  };
};
