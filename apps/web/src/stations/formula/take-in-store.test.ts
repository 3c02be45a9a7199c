import { beforeEach, expect, test } from '@jest/globals';
import { freeCode } from './free-code';
import { useTakeIn } from './take-in-store';

beforeEach(() => useTakeIn.getState().clear());
const answers = () => useTakeIn.getState().answers;

test('an answer follows its line when lines are put in above, and goes when the line changes', () => {
  useTakeIn.getState().setText('2 eggs\n1 cup flour');
  useTakeIn.getState().answer(1, { packing: 'dipped' });
  useTakeIn.getState().setText('100 g butter\n2 eggs\n1 cup flour');
  expect(answers()).toEqual({ 2: { packing: 'dipped' } });
  useTakeIn.getState().setText('100 g butter\n2 eggs\n2 cups flour');
  expect(answers()).toEqual({});
});

test('answers to one line add up, and are taken back together', () => {
  useTakeIn.getState().setText('2-3 lemons');
  useTakeIn.getState().answer(0, { ingredientId: 'lemon-juice' });
  useTakeIn.getState().answer(0, { amount: 2 });
  expect(answers()[0]).toEqual({ ingredientId: 'lemon-juice', amount: 2 });
  useTakeIn.getState().answer(0, null);
  expect(answers()).toEqual({});
});

test('the unit of figures that have none is answered for the sheet, and goes with the recipe', () => {
  useTakeIn.getState().setText('Butter 500\nSugar 400');
  useTakeIn.getState().answer(0, { bareUnit: 'g' });
  expect([answers(), useTakeIn.getState().bareUnit]).toEqual([{}, 'g']);
  useTakeIn.getState().clear();
  expect(useTakeIn.getState().bareUnit).toBe('');
});

test('a trial gets a code that is free', () => {
  expect(freeCode('GNG', ['GNG'])).toBe('GNGT1');
  expect(freeCode('GNG', ['GNG', 'GNGT1'])).toBe('GNGT2');
});
