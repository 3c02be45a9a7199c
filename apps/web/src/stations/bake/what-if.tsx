import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import {
  liners,
  trayMaterials,
  type BakeResult,
  type Formula,
  type Liner,
  type TrayMaterial,
} from '@jokul/core';
import { useUnits } from '../../lib/units';
import { Button } from '../../ui/button';
import { Field, SelectField } from '../../ui/field';
import { Shown } from '../../ui/shown';
import { Fact, Facts, WhySection } from '../../ui/station';
import type { WhatIf as Question } from '../../workers/core.worker';
import { core } from '../../workers/core';

interface WhatIfProps {
  readonly formula: Formula;
  readonly base: Question & { readonly start: number };
  readonly bake: BakeResult;
}

const signed = (value: number, digits: number, unit: string) =>
  `${value >= 0 ? '+' : '−'}${Math.abs(value).toFixed(digits)} ${unit}`;

/** The same piece under other conditions, computed on this device. */
export const WhatIf = ({ formula, base, bake }: WhatIfProps) => {
  const [text, setText] = useState({ start: String(base.start), setC: String(base.setC) });
  const [tray, setTray] = useState<TrayMaterial>(base.tray);
  const [liner, setLiner] = useState<Liner>(base.liner);
  const [asked, setAsked] = useState<Question | null>(null);
  const { duration } = useUnits();
  const result = useQuery({
    queryKey: ['what-if', formula.code, formula.version, asked],
    queryFn: () => core().bake(formula, asked as Question),
    enabled: asked !== null,
    staleTime: Number.POSITIVE_INFINITY,
    retry: false,
  });
  const ask = () =>
    setAsked({ start: Number(text.start), setC: Number(text.setC), tray, liner, fan: base.fan });
  const { pull, cooled } = result.data ?? {};
  return (
    <WhySection title="What if">
      <form
        className="grid grid-cols-2 gap-2"
        aria-label="What if"
        onSubmit={(event) => {
          event.preventDefault();
          ask();
        }}
      >
        <Field
          label="Dough, °C"
          type="number"
          value={text.start}
          onChange={(event) => setText({ ...text, start: event.target.value })}
        />
        <Field
          label="Oven, °C"
          type="number"
          value={text.setC}
          onChange={(event) => setText({ ...text, setC: event.target.value })}
        />
        <SelectField
          label="Tray"
          value={tray}
          onChange={(event) => setTray(event.target.value as TrayMaterial)}
        >
          {Object.keys(trayMaterials).map((name) => (
            <option key={name} value={name}>
              {name.replace('-', ' ')}
            </option>
          ))}
        </SelectField>
        <SelectField label="Liner" value={liner} onChange={(event) => setLiner(event.target.value as Liner)}>
          {Object.keys(liners).map((name) => (
            <option key={name} value={name}>
              {name.replace('-', ' ')}
            </option>
          ))}
        </SelectField>
        <Button type="submit" className="col-span-2" disabled={result.isFetching}>
          {result.isFetching ? 'Computing …' : 'Compute'}
        </Button>
      </form>
      {result.isError && (
        <p role="alert" className="mt-2 text-[13px] font-medium text-hand">
          {result.error.message}
        </p>
      )}
      {result.data && !pull && <p className="mt-2 text-[13px]">{result.data.warnings[0]?.message}</p>}
      {pull && cooled && bake.pull && bake.cooled && (
        <div className="mt-2">
          <Facts>
            <Fact name="Pull after">
              <Shown figure={pull}>{duration(Math.round(pull.value / 5) * 5)}</Shown>{' '}
              <span className="text-ink-faint">{signed((pull.value - bake.pull.value) / 60, 1, 'min')}</span>
            </Fact>
            <Fact name="Diameter">
              {cooled.diameterMm.toFixed(0)} mm{' '}
              <span className="text-ink-faint">
                {signed(cooled.diameterMm - bake.cooled.diameterMm, 0, 'mm')}
              </span>
            </Fact>
            <Fact name="Colour below">
              {cooled.colour.bottom.toFixed(0)}{' '}
              <span className="text-ink-faint">
                {signed(cooled.colour.bottom - bake.cooled.colour.bottom, 0, '')}
              </span>
            </Fact>
          </Facts>
        </div>
      )}
    </WhySection>
  );
};
