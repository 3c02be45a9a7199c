import { beforeEach, expect, test } from '@jest/globals';
import { freeCode } from './free-code';
import { useImport } from './import-store';

beforeEach(() => useImport.getState().clear());
const answers = () => useImport.getState().answers;

test('an answer follows its line when lines are put in above, and goes when the line changes', () => {
  useImport.getState().setText('2 eggs\n1 cup flour');
  useImport.getState().answer(1, { packing: 'dipped' });
  useImport.getState().setText('100 g butter\n2 eggs\n1 cup flour');
  expect(answers()).toEqual({ 2: { packing: 'dipped' } });
  useImport.getState().setText('100 g butter\n2 eggs\n2 cups flour');
  expect(answers()).toEqual({});
});

test('answers to one line add up, and are taken back together', () => {
  useImport.getState().setText('2-3 lemons');
  useImport.getState().answer(0, { ingredientId: 'lemon-juice' });
  useImport.getState().answer(0, { amount: 2 });
  expect(answers()[0]).toEqual({ ingredientId: 'lemon-juice', amount: 2 });
  useImport.getState().answer(0, null);
  expect(answers()).toEqual({});
});

test('the unit of figures that have none is answered for the sheet, and goes with the recipe', () => {
  useImport.getState().setText('Butter 500\nSugar 400');
  useImport.getState().answer(0, { bareUnit: 'g' });
  expect([answers(), useImport.getState().bareUnit]).toEqual([{}, 'g']);
  useImport.getState().clear();
  expect(useImport.getState().bareUnit).toBe('');
});

test('a trial gets a code that is free', () => {
  expect(freeCode('GNG', ['GNG'])).toBe('GNGT1');
  expect(freeCode('GNG', ['GNG', 'GNGT1'])).toBe('GNGT2');
});
