import { useMutation, useQuery } from '@tanstack/react-query';
import type { FormulaInput, FormulaVersionView, NewFormulaInput } from '@jokul/contracts';
import { withoutFoods, type Formula } from '@jokul/core';
import { call, get } from '../api';
import { refreshRows } from './client';

export const useFormulaVersions = (code: string) =>
  useQuery({
    queryKey: ['formula', code],
    queryFn: () => get<readonly FormulaVersionView[]>(`formulas/${code}/versions`),
    // A bakery without a formula has none to ask for.
    enabled: code !== '',
  });

export const useSaveFormula = (code: string) =>
  useMutation({
    mutationFn: (input: FormulaInput) =>
      call<Formula>('POST', `formulas/${code}/versions`, withoutFoods(input)),
    onSettled: refreshRows,
  });

export const useNewFormula = () =>
  useMutation({
    mutationFn: (input: NewFormulaInput) => call<Formula>('POST', 'formulas', withoutFoods(input)),
    onSettled: refreshRows,
  });
