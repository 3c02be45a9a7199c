import { expect, it } from '@jest/globals';
import { ownLedger, sameLedger } from './same-ledger.js';

const [demo, own, none] = ['d1', ownLedger('o1'), ownLedger('')];
const [second, secondNone] = [ownLedger('s1', 'own-2'), ownLedger('', 'own-2')];
it.each<[string, string, string, boolean]>([
  ['the same one', demo, demo, true],
  ['a device that followed none', '', demo, true],
  ['an own one that got its first entry', none, own, true],
  ['another demo', demo, 'd2', false],
  ['the demo, and then one’s own', demo, own, false],
  ['the demo, and then one’s own without an entry', demo, none, false],
  ['one’s own without an entry, and then the demo', none, demo, false],
  ['one’s own, and then the demo', own, demo, false],
  ['one’s own, set back to nothing', own, none, false],
  ['one’s own under the name that it had in an earlier Jokul', 'o1', own, true],
  ['a ledger that is empty again', demo, '', false],
  ['a second one that got its first entry', secondNone, second, true],
  ['the first one without an entry, and then the second', none, secondNone, false],
  ['the second one without an entry, and then the first', secondNone, none, false],
  ['the first one, and then the second', own, second, false],
])('%s', (_, before, now, same) => expect(sameLedger(before, now)).toBe(same));
