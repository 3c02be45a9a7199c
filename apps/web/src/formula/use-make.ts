import { t } from '@lingui/core/macro';
import { useNavigate } from 'react-router';
import { toast } from 'sonner';
import { JokulError, type Formula } from '@jokul/core';
import { useNewFormula } from '../lib/queries';
import { useImport } from './import-store';

/** A short code from a name, such as SLD of Slipway Drop; empty where there are too few letters. */
export const codeFrom = (name: string, taken: readonly string[]): string => {
  const letters = name.toUpperCase().replace(/[^A-Z]/g, '');
  const consonants = letters.slice(0, 1) + letters.slice(1).replace(/[AEIOU]/g, '');
  const stem = (consonants.length >= 3 ? consonants : letters).slice(0, 3);
  if (stem.length < 2) return '';
  return taken.includes(stem) ? `${stem}2` : stem;
};

/** Saves what was read as a formula, and goes there. */
export const useMake = () => {
  const create = useNewFormula();
  const navigate = useNavigate();
  const clear = useImport((taken) => taken.clear);
  const make = async (code: string, name: string, read: () => Formula) => {
    try {
      const { version: _, ...body } = read();
      const made = await create.mutateAsync({ ...structuredClone(body), code, name } as Parameters<
        typeof create.mutateAsync
      >[0]);
      toast(t`${made.name} is saved as a formula. Check piece, rest and bake.`);
      clear();
      void navigate(`/formula/${made.code}`);
    } catch (error) {
      if (error instanceof JokulError) toast.error(error.message);
    }
  };
  return { create, make };
};
