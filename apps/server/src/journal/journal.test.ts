import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import 'reflect-metadata';
import { DataSource } from 'typeorm';
import { reduceLedger, type DraftEntry } from '@jokul/core';
import type { AppendView, JournalView, NewsView, ProblemView } from '@jokul/contracts';
import { TestApp } from '../app.testkit.js';
import { JournalFeed, mostScreens } from './journal-feed.js';

let app: TestApp;
beforeAll(async () => {
  app = await TestApp.start();
}, 60_000);
afterAll(() => app.stop());

const note = (text: string, lot = 'TEST-A', id: string = randomUUID()) => ({
  id,
  atMs: 1_795_752_600_000,
  who: 'Oven hand',
  device: 'test',
  lot,
  kind: 'note',
  payload: { text },
});
const append = (...entries: object[]) => app.post<AppendView>('journal', { entries });

/** Reads the event stream until `count` entries came, or for two seconds. */
const listen = async (
  after: number,
  count: number,
  during: () => Promise<unknown> = async () => undefined,
): Promise<DraftEntry[]> => {
  const stop = new AbortController();
  const timer = setTimeout(() => stop.abort(), 2000);
  const entries: DraftEntry[] = [];
  try {
    const response = await fetch(`${app.url}/api/journal/stream?after=${after}`, { signal: stop.signal });
    const reader = response.body?.getReader();
    const decoder = new TextDecoder();
    let text = '';
    const happening = during();
    while (reader && entries.length < count) {
      const { value, done } = await reader.read();
      if (done) break;
      text += decoder.decode(value, { stream: true });
      const messages = text.split('\n\n');
      text = messages.pop() ?? '';
      for (const message of messages) {
        const data = /^data: (.*)$/m.exec(message)?.[1];
        if (message.includes('event: entry') && data) entries.push(JSON.parse(data) as DraftEntry);
      }
    }
    await happening;
  } catch (error) {
    if (!stop.signal.aborted) throw error;
  } finally {
    clearTimeout(timer);
    stop.abort();
  }
  return entries;
};
const lastSeq = async () => (await app.get<JournalView>('journal?since=9000000000000')).body.lastSeq;

describe('the journal', () => {
  it('numbers entries one after the other and chains them', async () => {
    const before = await lastSeq();
    const { body } = await append(note('one'), note('two'), note('three'));
    expect(body.stored.map((s) => s.seq)).toEqual([before + 1, before + 2, before + 3]);
    expect((await app.get('journal/verify')).body).toMatchObject({ firstBrokenSeq: null });
  });

  it('sent twice, an entry is stored once and keeps its number', async () => {
    const entry = note('again');
    const first = await append(entry);
    const second = await append(entry, note('new'));
    expect(second.body.stored[0]?.seq).toBe(first.body.stored[0]?.seq);
    expect(second.body.stored[1]?.seq).toBe((first.body.stored[0]?.seq ?? 0) + 1);
  });

  it('many writers at once leave no gap and no broken link', async () => {
    const before = await lastSeq();
    await Promise.all(
      Array.from({ length: 24 }, (_, i) => append(note(`writer ${i}`), note(`writer ${i} again`))),
    );
    expect(await lastSeq()).toBe(before + 48);
    expect((await app.get('journal/verify')).body).toMatchObject({ firstBrokenSeq: null });
  });

  it('of sixty who send at once each has its own numbers, the same entry one, and who sends what is wrong hears it alone', async () => {
    const twice = note('sent by two tablets');
    const asked = [
      ...Array.from({ length: 56 }, (_, i) => [note(`tablet ${i}`, `TEST-${i % 7}`), note(`again ${i}`)]),
      [twice],
      [twice],
      [note('wrong', 'GNG-26-1-0')],
      [{ ...note('from nowhere'), kind: 'eaten' }],
    ];
    const answers = await Promise.all(asked.map((entries) => append(...entries)));
    const statuses = answers.map(({ status }) => status);
    expect(statuses.slice(0, 58).every((status) => status === 201)).toBe(true);
    expect(statuses.slice(58)).toEqual([422, 400]);
    const numbers = answers.slice(0, 57).flatMap(({ body }) => body.stored.map(({ seq }) => seq));
    expect(new Set(numbers).size).toBe(113);
    expect(answers[57]?.body.stored).toEqual(answers[56]?.body.stored);
    // What was sent together stands together, in its order.
    for (const { body } of answers.slice(0, 56))
      expect((body.stored[1]?.seq ?? 0) - (body.stored[0]?.seq ?? 0)).toBe(1);
    const { body } = await app.get<{ firstBrokenSeq: number | null }>('journal/verify');
    expect(body.firstBrokenSeq).toBeNull();
  });

  it('shows entries that are gone from the end, where no gap is left behind', async () => {
    const { body } = await append(note('stays'), note('goes'));
    const seq = body.stored[1]?.seq ?? 0;
    const db = app.app.get(DataSource);
    await db.query('CREATE TABLE gone AS SELECT * FROM journal_entry WHERE seq = ?', [seq]);
    await db.query('DELETE FROM journal_entry WHERE seq = ?', [seq]);
    expect((await app.get('journal/verify')).body).toMatchObject({ firstBrokenSeq: seq });
    await db.query('INSERT INTO journal_entry SELECT * FROM gone');
    await db.query('DROP TABLE gone');
    expect((await app.get('journal/verify')).body).toMatchObject({ firstBrokenSeq: null });
  });

  it('shows a row that was changed behind its back', async () => {
    const { body } = await append(note('true'), note('after'));
    const seq = body.stored[0]?.seq ?? 0;
    const db = app.app.get(DataSource);
    await db.query('UPDATE journal_entry SET who = ? WHERE seq = ?', ['Nobody', seq]);
    expect((await app.get('journal/verify')).body).toMatchObject({ firstBrokenSeq: seq });
    await db.query('UPDATE journal_entry SET who = ? WHERE seq = ?', ['Oven hand', seq]);
    expect((await app.get('journal/verify')).body).toMatchObject({ firstBrokenSeq: null });
  });

  it('streams what came after a number, then what comes', async () => {
    const before = await lastSeq();
    await append(note('missed'));
    const entries = await listen(before, 2, () => append(note('live')));
    expect(entries.map((e) => (e.payload as { text: string }).text)).toEqual(['missed', 'live']);
  });

  it('has room for so many screens; who comes then is told so, and asks for what is new', async () => {
    const before = await lastSeq();
    const feed = app.app.get(JournalFeed);
    const screens = Array.from({ length: mostScreens }, () => feed.stream(before).subscribe(() => undefined));
    const { status, headers, body } = await app.get<ProblemView>(`journal/stream?after=${before}`);
    expect([status, headers.get('retry-after'), body.code]).toEqual([503, '3', 'busy']);
    expect(body.message).toContain('As many screens follow already as Jokul can serve');
    // The floor goes on, and nothing is missed.
    await append(note('one more'));
    const { body: news } = await app.get<NewsView>(`journal/news?after=${before}`);
    expect(news.entries.map(({ seq, payload }) => [seq, payload])).toEqual([
      [before + 1, { text: 'one more' }],
    ]);
    expect(news.entries[0]).not.toHaveProperty('hash');
    expect(news.lastSeq).toBe(before + 1);
    expect((await app.get<NewsView>(`journal/news?after=${before + 1}`)).body).toEqual({
      ...news,
      entries: [],
    });
    for (const screen of screens) screen.unsubscribe();
    expect((await listen(before, 1)).length).toBe(1);
  });

  it('tells the screens when other rows change', async () => {
    const response = await fetch(`${app.url}/api/journal/stream?after=${await lastSeq()}`);
    const reader = response.body?.getReader();
    const decoder = new TextDecoder();
    let text = '';
    while (reader && !text.includes('event: rows'))
      text += decoder.decode((await reader.read()).value, { stream: true });
    expect(text).toContain('event: rows');
    await reader?.cancel();
  });

  it('gives the whole life of every lot that lies in the cold, however old', async () => {
    const { body } = await app.get<JournalView>('journal?since=1795752600000');
    const bags = body.entries.filter((e) => e.kind === 'rest-in' && e.payload.placeId === 'freezer');
    const frozen = body.entries.filter((e) => e.lot === bags[0]?.lot);
    expect(frozen.map((e) => e.kind)).toEqual(['begun', 'mixed', 'portioned', 'rest-in', 'split']);
    expect(frozen[0]?.atMs).toBeLessThan(Date.parse('2026-10-08T00:00Z'));
    // A lot of a week before, which is baked and gone, is not in it.
    const { lots } = reduceLedger(body.entries);
    for (const { begun } of lots.values()) if (begun?.day) expect(begun.day >= '2026-11-22').toBe(true);
  });

  it('gives the lots of a past day from their first entry on', async () => {
    const from = Date.parse('2026-11-24T00:00Z');
    const { body } = await app.get<JournalView>(`journal/between?from=${from}&to=${from + 86_400_000}`);
    const state = reduceLedger(body.entries);
    expect(state.notices).toEqual([]);
    const rye = [...state.lots.values()].find(
      ({ begun }) => begun?.productCode === 'RYE' && begun.day === '2026-11-24',
    );
    expect(rye?.mixed).not.toBeNull();
  });
});

describe('the journal refuses, and stores nothing of it', () => {
  const good = note('fine');
  it.each([
    ['an unknown kind', { ...good, kind: 'eaten' }, 'kind must be one of'],
    ['an id that is no UUID', { ...good, id: '7' }, 'id must be a UUID'],
    ['an empty note', { ...good, payload: { text: '' } }, 'A note has 1 to 1000 letters'],
    [
      'a weight below zero',
      { ...good, kind: 'weighed', payload: { key: 'a/b', massG: -1, targetG: 3, scaleId: 's' } },
      'cannot be below 0 g',
    ],
    [
      'an absurd temperature',
      { ...good, kind: 'mixed', payload: { doughC: 900, massG: 1, missing: [] } },
      'above 300 °C makes no sense',
    ],
    [
      'something missing without a reason',
      { ...good, kind: 'mixed', payload: { doughC: 22, massG: 1, missing: ['Fine salt'] } },
      'Not weighed: Fine salt. A batch is finished without them only with a reason.',
    ],
    [
      'a field that nobody knows',
      { ...good, payload: { text: 'x', html: '<b>' } },
      '"payload.html" is not known here.',
    ],
  ])('%s', async (_, bad, sentence) => {
    const before = await lastSeq();
    const { status, body } = await app.post('journal', { entries: [note('beside it'), bad] });
    expect(status).toBe(400);
    expect(body.message).toContain(sentence);
    expect(await lastSeq()).toBe(before);
  });
  it('text with half a letter, which no chain could be followed through', async () => {
    for (const entry of [note('half \ud800'), { ...note('x'), who: '\udc00' }, note('x', 'TEST-\ud83d')])
      expect([(await append(entry)).status]).toEqual([400]);
    expect((await append(note('whole 🥐'))).status).toBe(201);
    expect((await app.get('journal/verify')).body).toMatchObject({ firstBrokenSeq: null });
  });

  it('nothing at all, and more than 200 at once', async () => {
    expect((await app.post('journal', { entries: [] })).status).toBe(400);
    const { body } = await app.post('journal', { entries: Array.from({ length: 201 }, () => note('x')) });
    expect(body.message).toContain('At most 200 entries at once');
  });
});
