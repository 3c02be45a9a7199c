import type { Draft } from './own-ingredient-draft';

export interface PartProps {
  readonly draft: Draft;
  readonly onChange: (part: Partial<Draft>) => void;
}
