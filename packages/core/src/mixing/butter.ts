import { doughOf } from '../formula/index.js';
import { conduct, doughMaterial, type Body, type ConductResult } from '../thermal/index.js';
import { formatNumber, modelled, requireNumber, type Figure, say } from '../shown/index.js';

/** How butter lies on the bench. Sizes are usual blocks, mm. */
export const butterForms = {
  'block-250': { name: say`250 g block`, body: { kind: 'block', lengthMm: 100, widthMm: 65, heightMm: 40 } },
  'block-500': { name: say`500 g block`, body: { kind: 'block', lengthMm: 120, widthMm: 75, heightMm: 58 } },
  'block-5000': {
    name: say`5 kg block`,
    body: { kind: 'block', lengthMm: 250, widthMm: 200, heightMm: 104 },
  },
  slabs: { name: say`slices of 2 cm`, body: { kind: 'slab', thicknessMm: 20, exposedFaces: 2 } },
  cubes: { name: say`cubes of 2.5 cm`, body: { kind: 'block', lengthMm: 25, widthMm: 25, heightMm: 25 } },
} as const satisfies Readonly<Record<string, { readonly name: string; readonly body: Body }>>;
export type ButterForm = keyof typeof butterForms;

export interface ButterQuestion {
  readonly form: ButterForm;
  readonly wrapped: boolean;
  readonly roomC: number;
  readonly startC: number;
  readonly targetC: number;
}

const butterMaterial = () =>
  doughMaterial(
    doughOf({ stages: [{ id: '', name: '', cue: '', lines: [{ ingredientId: 'butter', percent: 100 }] }] }),
    0,
  );

/** Total heat transfer to butter in still air, W/m²K: bare, and in its wrapper. Typical. */
const still = { bare: 8, wrapped: 6 } as const;

/**
 * How long butter takes from `startC` to a mean of `targetC` in the room, as a figure with its curve; null when the
 * room never brings it there. Heavy for blocks: a tenth of a second.
 */
export const softenButter = (
  q: ButterQuestion,
): { readonly time: Figure | null; readonly curve: ConductResult } => {
  requireNumber(q.roomC, say`The room`, -25, 45, '°C');
  requireNumber(q.startC, say`The butter now`, -25, 40, '°C');
  requireNumber(q.targetC, say`The wanted butter`, -20, 35, '°C');
  const { body, name } = butterForms[q.form];
  const h = q.wrapped ? still.wrapped : still.bare;
  const material = butterMaterial();
  const problem = {
    body,
    material,
    startC: q.startC,
    steps: [{ airC: q.roomC, hWPerM2K: h, durationS: 48 * 3600 }],
    cells: 18,
  };
  const curve = conduct({ ...problem, until: { where: 'mean', temperatureC: q.targetC } });
  const time =
    curve.reachedS === null
      ? null
      : modelled({
          name: say`Until the butter is at ${formatNumber(q.targetC)} °C in the mean`,
          symbol: 't',
          value: curve.reachedS,
          unit: 's',
          relation: say`${'ρ ∂h/∂t = ∇·(k ∇T)'}, at the surface ${'−k ∂T/∂n = h (T − T_room)'}`,
          terms: [
            {
              symbol: 'body',
              name: q.wrapped ? say`${name}, wrapped` : say`${name}, bare`,
              value: h,
              unit: 'W/m²K',
              source: say`typical in still air`,
            },
            { symbol: 'T₀', name: say`butter now`, value: q.startC, unit: '°C', source: say`entered` },
            { symbol: 'T_room', name: say`room`, value: q.roomC, unit: '°C', source: say`entered` },
            {
              symbol: 'Δh',
              name: say`heat that it takes up`,
              value: material.enthalpyJPerKg(q.targetC) - material.enthalpyJPerKg(q.startC),
              unit: 'J/kg',
              source: say`Choi-Okos with the melting of milk fat`,
            },
          ],
          source: say`transient conduction by the enthalpy method (Choi and Okos, 1986; finite volumes)`,
          note: say`The outside is softer than the middle: knead or cube it. Within ±20 % without a probe.`,
        });
  return { time, curve };
};
