import { plural, t } from '@lingui/core/macro';
import { Pencil, Printer, Redo2, Undo2 } from 'lucide-react';
import { useEffect, useState } from 'react';
import { Link, useLocation, useNavigate, useParams, useSearchParams } from 'react-router';
import { toast } from 'sonner';
import { useStore } from 'zustand';
import {
  allergensOf,
  checkFormula,
  compareVersions,
  componentShare,
  doughOf,
  JokulError,
  outcomeOf,
  type Formula,
} from '@jokul/core';
import { useBakery, useDay, useFormulaVersions, useSaveFormula } from '../../lib/queries';
import { useUnits } from '../../lib/units';
import { Button, buttonClass } from '../../ui/button';
import { QueueItem } from '../../ui/queue-item';
import { Shown } from '../../ui/shown';
import { Cautions, Fact, Facts, Station, WhySection } from '../../ui/station';
import { Alarm, Empty, Failed, Loading } from '../../ui/states';
import { BakeRules } from './bake-rules';
import { MoreActions } from './more-actions';
import { Soundness } from './soundness';
import { Swaps } from './swaps';
import { Texture } from './texture';
import { redo, undo, useDraft } from './draft-store';
import { StageTable } from './stage-table';
import { shapeNames, stateNames } from '../../words/names-of-codes';

const sound = (formula: Formula): string | null => {
  try {
    checkFormula(formula);
    return null;
  } catch (error) {
    if (error instanceof JokulError) return error.message;
    throw error;
  }
};

const percent = (share: number) => `${(share * 100).toFixed(1)} %`;

const Forecast = ({ formula }: { formula: Formula }) => {
  const day = useDay();
  const { duration, temperature, size } = useUnits();
  const forecast = day.data?.plan?.forecasts[formula.code];
  const bake = forecast?.bakes[0];
  const outcome = bake && outcomeOf(bake.bake);
  if (!forecast || !outcome || !bake?.bake.pull || !bake.bake.cooled) {
    return <p className="text-ink-soft">{t`Appears when the formula is on the day’s plan.`}</p>;
  }
  const { pull, cooled } = bake.bake;
  return (
    <>
      <Facts>
        <Fact name={t`Pull at ${temperature(bake.setC)}`}>
          <Shown figure={pull}>{duration(Math.round(pull.value / 5) * 5)}</Shown>
        </Fact>
        <Fact name={t`Diameter, cold`} help="diameter">
          <Shown figure={outcome.diameter}>
            {size(cooled.diameterMm)} ± {(bake.bake.uncertainty.diameterShare * 100).toFixed(0)} %
          </Shown>
        </Fact>
        <Fact name={t`Height, cold`}>
          <Shown figure={outcome.height}>{size(cooled.heightMm, 1)}</Shown>
        </Fact>
        <Fact name={t`Bake loss`} help="loss">
          <Shown figure={outcome.loss}>{percent(cooled.lossShare)}</Shown>
        </Fact>
      </Facts>
      {forecast.formulaVersion !== formula.version && (
        <p className="mt-1 text-[13px] text-ink-faint">{t`For version ${forecast.formulaVersion}; plan again for this one.`}</p>
      )}
      <p className="mt-1 text-[12.5px] text-ink-faint">{t`A forecast${
        bake.bake.uncertainty.bakes > 0
          ? t`, calibrated by ${bake.bake.uncertainty.bakes} logged bakes`
          : t`, not calibrated on this oven yet`
      }.`}</p>
    </>
  );
};

export const FormulaPage = () => {
  const bakery = useBakery();
  const { code: codeInUrl } = useParams();
  const { search } = useLocation();
  const [params] = useSearchParams();
  const navigate = useNavigate();
  const { mass } = useUnits();
  const formulas = bakery.data?.formulas ?? [];
  const code = codeInUrl ?? formulas[0]?.code ?? '';
  const versions = useFormulaVersions(code);
  const { draft, open, change } = useDraft();
  const past = useStore(useDraft.temporal, (s) => s.pastStates.length);
  const future = useStore(useDraft.temporal, (s) => s.futureStates.length);
  const save = useSaveFormula(code);
  const [doughG, setDoughG] = useState(6000);
  const editing = draft?.code === code;

  useEffect(() => {
    if (!editing) return;
    const onKey = (event: KeyboardEvent) => {
      if (!(event.ctrlKey || event.metaKey) || event.key.toLowerCase() !== 'z') return;
      event.preventDefault();
      if (event.shiftKey) redo();
      else undo();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [editing]);

  if (bakery.data && formulas.length === 0 && !codeInUrl)
    return (
      <Empty
        title={t`No formula yet`}
        action={<Link to="/formula/new" className={buttonClass('primary')}>{t`Import recipe`}</Link>}
      >{t`Import a recipe as it is written, in grams or cups: it becomes your first formula.`}</Empty>
    );
  if (versions.isLoadingError)
    return <Failed error={versions.error} onRetry={() => void versions.refetch()} />;
  if (!versions.data) return <Loading what={t`the formula`} />;
  const wanted = Number(params.get('version'));
  const latest = versions.data[0]?.formula;
  const stored = versions.data.find((v) => v.formula.version === wanted)?.formula ?? latest;
  if (!stored || !latest) return <Failed error={new Error(t`This formula has no versions.`)} />;
  const formula = editing && draft ? draft : stored;
  const problem = sound(formula);
  const changes = editing ? compareVersions(latest, formula) : [];
  const dough = problem ? null : doughOf(formula);

  const begin = () => {
    open(latest);
    useDraft.temporal.getState().clear();
  };
  const close = () => {
    useDraft.setState({ draft: null });
    useDraft.temporal.getState().clear();
  };
  const store = () => {
    const { code: _code, version: _version, ...body } = formula;
    const mutable = structuredClone(body) as Parameters<typeof save.mutate>[0];
    save.mutate(
      { ...mutable, baseVersion: latest.version },
      {
        onSuccess: (saved) => {
          close();
          toast(t`${saved.name}, version ${saved.version}: ${changes.join(', ')}.`);
        },
        onError: (error) => toast.error(error.message, { duration: 12_000 }),
      },
    );
  };

  return (
    <Station
      title={formula.name}
      question={t`What goes in, does it balance, and what will it bake into?`}
      queueTitle={t`Formulas`}
      queue={
        <>
          {formulas.map((f) => (
            <QueueItem
              key={f.code}
              to={`/formula/${f.code}${search.replace(/version=\d+&?/, '')}`}
              active={f.code === code}
              title={f.name}
              side={f.code}
              detail={`${mass(f.piece.massG)} ${shapeNames[f.piece.shape]}, ${stateNames[f.bake.target]}`}
            />
          ))}
          <p className="px-3 pt-3">
            <Link to="/formula/new" className={buttonClass('plain', 'small')}>{t`Import recipe`}</Link>
          </p>
        </>
      }
      actions={
        editing ? (
          <>
            <Button
              icon={<Undo2 size={16} />}
              disabled={past === 0}
              onClick={() => undo()}
              title={t`Ctrl Z`}
            >{t`Undo`}</Button>
            <Button
              icon={<Redo2 size={16} />}
              disabled={future === 0}
              onClick={() => redo()}
              title={t`Ctrl Shift Z`}
            >{t`Redo`}</Button>
            <Button onClick={close}>{t`Discard changes`}</Button>
            <Button
              look="primary"
              disabled={problem !== null || changes.length === 0 || save.isPending}
              onClick={store}
            >
              {t`Save as version ${latest.version + 1}`}
            </Button>
          </>
        ) : (
          <>
            <Button icon={<Printer size={16} />} onClick={() => window.print()}>{t`Print`}</Button>
            <MoreActions formula={formula} taken={formulas.map((f) => f.code)} doughG={doughG} />
            <Button look="primary" icon={<Pencil size={16} />} onClick={begin}>{t`Edit`}</Button>
          </>
        )
      }
      why={
        <>
          {editing && (
            <WhySection title={t`Changes to version ${latest.version}`}>
              {changes.length === 0 ? (
                <p className="text-ink-soft">{t`None yet.`}</p>
              ) : (
                <ul className="space-y-0.5">
                  {changes.map((change) => (
                    <li key={change}>{change}</li>
                  ))}
                </ul>
              )}
            </WhySection>
          )}
          {dough && (
            <WhySection title={t`The dough`}>
              <Facts>
                <Fact name={t`Water`} help="water">
                  <Shown figure={componentShare(formula, 'water')}>{percent(dough.composition.water)}</Shown>
                </Fact>
                <Fact name={t`Fat`}>
                  <Shown figure={componentShare(formula, 'fat')}>{percent(dough.composition.fat)}</Shown>
                </Fact>
                <Fact name={t`of which butterfat`} help="butterfat">
                  <Shown figure={componentShare(formula, 'milk fat')}>
                    {percent(dough.fats['milk-fat'] ?? 0)}
                  </Shown>
                </Fact>
                <Fact name={t`Sugars`}>
                  <Shown figure={componentShare(formula, 'sugars')}>{percent(dough.sugar)}</Shown>
                </Fact>
                <Fact name={t`Flour`}>
                  <Shown figure={componentShare(formula, 'flour')}>{percent(dough.flour)}</Shown>
                </Fact>
                <Fact name={t`Contains`}>
                  {allergensOf(formula).join(', ') || t`none of the listed allergens`}
                </Fact>
              </Facts>
              <p className="mt-1 text-[12.5px] text-ink-faint">{t`Shares of the raw dough, from typical food-composition values.`}</p>
            </WhySection>
          )}
          {dough && (
            <WhySection title={t`Recipe check`}>
              <Soundness formula={formula} />
              <p className="mt-2">
                <Swaps
                  formula={formula}
                  onTake={(next) => {
                    if (!editing) begin();
                    change(next);
                  }}
                />
              </p>
            </WhySection>
          )}
          {dough && (
            <WhySection title={t`Texture, a forecast`}>
              <Texture formula={formula} formulas={formulas} />
            </WhySection>
          )}
          <WhySection title={t`What it will give`}>
            <Forecast formula={formula} />
          </WhySection>
          <WhySection title={t`Versions`}>
            <ol className="space-y-1">
              {versions.data.map(({ formula: f, usedBy }, i) => {
                const before = versions.data[i + 1]?.formula;
                return (
                  <li key={f.version}>
                    <button
                      type="button"
                      className={`text-left ${f.version === formula.version ? 'font-semibold' : 'underline decoration-dotted underline-offset-4'}`}
                      onClick={() =>
                        void navigate({
                          pathname: `/formula/${code}`,
                          search: f.version === latest.version ? '' : `?version=${f.version}`,
                        })
                      }
                    >
                      {t`Version ${f.version}`}
                    </button>
                    <span className="text-ink-faint">
                      {usedBy > 0 ? ` · ${plural(usedBy, { one: '# batch', other: '# batches' })}` : ''}
                    </span>
                    {before && (
                      <span className="block text-[13px] text-ink-soft">
                        {compareVersions(before, f).join(', ')}
                      </span>
                    )}
                  </li>
                );
              })}
            </ol>
          </WhySection>
          <Cautions
            items={[
              t`Raw flour and raw egg are not ready to eat: do not taste the dough.`,
              t`Mind what shares bench, trays and ovens with this formula’s allergens.`,
            ]}
          />
        </>
      }
    >
      {problem && <Alarm>{problem}</Alarm>}
      {!editing && formula.version !== latest.version && (
        <p className="mb-2 text-ink-soft">{t`This is version ${formula.version}. The newest is ${latest.version}; only the newest is edited.`}</p>
      )}
      <div className="mb-2 flex items-center gap-2 text-[13.5px]">
        <label htmlFor="dough-mass" className="text-ink-soft">{t`Grams for a dough of`}</label>
        <input
          id="dough-mass"
          type="number"
          min={100}
          step={100}
          value={doughG}
          onChange={(event) => {
            const next = event.target.valueAsNumber;
            if (next >= 1 && next <= 1e6) setDoughG(next);
          }}
          className="figures w-28 rounded-md border border-line-strong bg-raised px-2 py-1 text-right"
        />
        <span className="text-ink-soft">{t`g = ${mass(doughG)}`}</span>
      </div>
      {problem && !editing ? null : <StageTable formula={formula} doughG={doughG} editing={editing} />}
      <BakeRules formula={formula} editing={editing} />
    </Station>
  );
};
