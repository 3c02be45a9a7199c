import { t } from '@lingui/core/macro';
import { useState } from 'react';
import { Link, useLocation, useParams, useSearchParams } from 'react-router';
import { checkFormula, compareVersions, JokulError, type Formula } from '@jokul/core';
import { useBakery, useFormulaVersions } from '../lib/queries';
import { useUnits } from '../lib/units';
import { buttonClass } from '../ui/button';
import { QueueItem } from '../ui/queue-item';
import { Station } from '../line/station';
import { Alarm, Empty, Failed, Loading } from '../ui/states';
import { shapeNames, stateNames } from '../words/names-of-codes';
import { BakeRules } from './bake-rules';
import { DoughMass } from './dough-mass';
import { FormulaActions } from './formula-actions';
import { FormulaWhy } from './formula-why';
import { StageTable } from './stage-table';
import { useFormulaDraft } from './use-formula-draft';

/** What keeps a formula from being computed, as a sentence; null for a sound one. */
const faultOf = (formula: Formula): string | null => {
  try {
    checkFormula(formula);
    return null;
  } catch (error) {
    if (error instanceof JokulError) return error.message;
    throw error;
  }
};

const FormulaQueue = ({ formulas, code }: { formulas: readonly Formula[]; code: string }) => {
  const { search } = useLocation();
  const { mass } = useUnits();
  return (
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
  );
};

export const FormulaPage = () => {
  const { units } = useUnits();
  const bakery = useBakery();
  const { code: codeInUrl } = useParams();
  const [params] = useSearchParams();
  const formulas = bakery.data?.formulas ?? [];
  const code = codeInUrl ?? formulas[0]?.code ?? '';
  const versions = useFormulaVersions(code);
  const edit = useFormulaDraft(code);
  const [doughG, setDoughG] = useState(6000);

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
  const formula = edit.draft ?? stored;
  const editing = edit.draft !== null;
  const fault = faultOf(formula);
  const changes = editing ? compareVersions(latest, formula) : [];

  return (
    <Station
      title={formula.name}
      question={t`What goes in, does it balance, and what will it bake into?`}
      queueTitle={t`Formulas`}
      queue={<FormulaQueue formulas={formulas} code={code} />}
      actions={
        <FormulaActions
          formula={formula}
          latest={latest}
          edit={edit}
          sound={fault === null}
          changed={changes.length > 0}
          taken={formulas.map((f) => f.code)}
          doughG={doughG}
        />
      }
      why={
        <FormulaWhy
          formula={formula}
          latest={latest}
          formulas={formulas}
          versions={versions.data}
          edit={edit}
          changes={changes}
          sound={fault === null}
        />
      }
    >
      {fault && <Alarm>{fault}</Alarm>}
      {!editing && formula.version !== latest.version && (
        <p className="mb-2 text-ink-soft">{t`This is version ${formula.version}. The newest is ${latest.version}; only the newest is edited.`}</p>
      )}
      <DoughMass key={units} doughG={doughG} onChange={setDoughG} />
      {fault && !editing ? null : <StageTable formula={formula} doughG={doughG} editing={editing} />}
      <BakeRules formula={formula} editing={editing} />
    </Station>
  );
};
