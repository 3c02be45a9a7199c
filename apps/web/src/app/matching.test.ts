import { expect, test } from '@jest/globals';
import { matching, type Found } from './matching';

const found: readonly Found[] = [
  { group: 'Stations', label: 'Orders', path: '/orders' },
  { group: 'Formulas', label: 'Dark Rye', detail: 'RYE', path: '/formula/RYE' },
  { group: 'Formulas', label: 'Rye Salt', detail: 'RYS', path: '/formula/RYS' },
  { group: 'Batches', label: 'RYE-1127-A', detail: 'Dark Rye', path: '/mix/RYE-1127-A' },
  { group: 'Ingredients', label: 'Tahini', detail: 'in Sesame', path: '/formula/SES' },
];
const labels = (typed: string) => matching(found, typed).map(({ label }) => label);

test('groups keep their order; in a group what begins with the letters comes first', () => {
  expect(labels('rye')).toEqual(['Rye Salt', 'Dark Rye', 'RYE-1127-A']);
});

test('every word has to be there, in any order and case', () => {
  expect(labels('DARK 1127')).toEqual(['RYE-1127-A']);
  expect(labels('1127 tahini')).toEqual([]);
});

test('letters strewn over a name are no match, and nothing typed shows all', () => {
  expect(labels('ods')).toEqual([]);
  expect(labels('  ')).toHaveLength(5);
});

test('a long list is cut, from the end', () => {
  const many = Array.from({ length: 90 }, (_, i) => ({ group: 'Loads', label: `L${i}`, path: `/bake/${i}` }));
  expect(matching(many, 'l')).toHaveLength(40);
  expect(matching(many, 'l')[0]?.label).toBe('L0');
});
