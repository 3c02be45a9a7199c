import { randomUUID } from 'node:crypto';
import { ValidationPipe } from '@nestjs/common';
import { describe, expect, it } from '@jest/globals';
import 'reflect-metadata';
import fc from 'fast-check';
import { AppendInput, payloadClasses } from '@jokul/contracts';
import { classSchemas } from '@jokul/contracts/schemas';
import { bySchema } from '../api/by-schema.testkit.js';
import { spoiltRequests, type Example } from '../fuzz.testkit.js';
import { checkedEntry, draftOf } from './payload-check.js';
import { plainlySound } from './plainly-sound.js';

/* The quick check and the classes: what it takes they take, and make the same entry of it. */

const isSound = plainlySound();
const soundText = (text: string): AppendInput | null => {
  try {
    const body: unknown = JSON.parse(text);
    return isSound(body, text) ? body : null;
  } catch {
    return null;
  }
};
const checks = new ValidationPipe({ whitelist: true, forbidNonWhitelisted: true, transform: true });
const byClasses = async (text: string) => {
  const body = await checks.transform(JSON.parse(text), { type: 'body', metatype: AppendInput });
  return JSON.stringify((body as AppendInput).entries.map(checkedEntry));
};

const all = classSchemas('#/$defs/');
const bodyOf = (kind: string, payload: unknown) => ({
  entries: [{ id: randomUUID(), atMs: 1.7e12, who: 'Oven hand', device: 'tablet', lot: 'A', kind, payload }],
  ledger: 'd1',
});
/** Some requests of a kind, with all its figures and words somewhere in what its schema allows. */
const examples = (kind: keyof typeof payloadClasses, count: number): readonly Example[] =>
  fc
    .sample(bySchema(all[payloadClasses[kind].name] ?? {}, all), { numRuns: count, seed: 5 })
    .map((payload) => ({ method: 'POST', path: 'journal', body: bodyOf(kind, payload) }));

const kinds = (Object.keys(payloadClasses) as (keyof typeof payloadClasses)[]).filter(
  (kind) => kind !== 'begun',
);

describe('what is plainly sound', () => {
  it.each(kinds)('is sound by the classes too, and the same entry: %s', async (kind) => {
    let taken = 0;
    for (const least of [0, 1]) {
      for (const { path, body = '' } of spoiltRequests(examples(kind, 60), 250, 7, least)) {
        const sound = path === 'journal' ? soundText(body) : null;
        if (!sound) continue;
        taken += 1;
        // What the journal has to say itself, such as what is missing, is said of either.
        const said = (entries: () => string | Promise<string>) =>
          Promise.resolve()
            .then(entries)
            .catch(({ message }: Error) => message);
        expect([body, await said(() => JSON.stringify(sound.entries.map(draftOf)))]).toEqual([
          body,
          await said(() => byClasses(body)),
        ]);
      }
    }
    expect(taken).toBeGreaterThan(20);
  });

  it('is what a device sends', () => {
    const texts = [
      bodyOf('note', { text: 'browns first' }),
      bodyOf('pulled', { loadId: 'L1', trayIds: ['T1', 'T2'] }),
      bodyOf('inspected', { trayId: 'T1', coreC: 97.5, note: 'Zweite Schiene, 5 °C kälter' }),
    ].map((body) => JSON.stringify(body));
    expect(texts.map((text) => soundText(text) !== null)).toEqual([true, true, true]);
  });

  it.each<[string, object]>([
    ['a lot is begun', bodyOf('begun', {})],
    ['a kind is none', bodyOf('nonsense', {})],
    ['a kind is a word of the language', bodyOf('constructor', {})],
    ['a figure is text', bodyOf('inspected', { trayId: 'T1', coreC: '97' })],
    ['a figure is nothing', bodyOf('inspected', { trayId: 'T1', coreC: null })],
    ['a name is long', bodyOf('inspected', { trayId: 'T'.repeat(81) })],
    ['a note holds what is counted otherwise', bodyOf('note', { text: '\uFE0F' })],
    [
      'a topping has no name',
      bodyOf('portioned', {
        pieces: 1,
        scoop: 40,
        samplesG: [],
        targetG: 1,
        remainderG: 0,
        toppingsG: { '': 1 },
      }),
    ],
    ['half a letter is in it', bodyOf('note', { text: 'a\ud800' })],
  ])('is nothing in which %s', (_, body) => expect(soundText(JSON.stringify(body))).toBeNull());
});
