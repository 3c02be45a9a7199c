import { t } from '@lingui/core/macro';
import { priorSigma } from '@jokul/core';
import type { CalibrationView, LearnedView } from '@jokul/contracts';
import { useNames } from '../line/actions';
import { useUnits } from '../lib/units';
import { Shown } from '../ui/shown';
import { SpreadPicture } from './spread-picture';
import { figureOf, learnedName, meaning, sayLearned, saySpread } from './words';

const groups = [
  { title: t`Ovens`, kinds: ['offset', 'transfer', 'place', 'sides', 'depth'] },
  { title: t`Doughs`, kinds: ['house-stiffness', 'house-colour', 'stiffness', 'colour'] },
] as const;

interface LearnedTableProps {
  readonly view: CalibrationView;
  readonly busy: boolean;
  readonly onHold: (key: string, hold: boolean) => void;
}

const LearnedRow = ({ row, view, busy, onHold }: LearnedTableProps & { readonly row: LearnedView }) => {
  const names = useNames();
  const { units } = useUnits();
  const bakes = view.bakes.filter(({ leftOut }) => !leftOut).length;
  const name = learnedName(row, names);
  return (
    <tr className="border-t align-middle">
      <td className="py-1 pr-3">
        {name}
        {!row.held && (
          <span className="block text-[12.5px] text-ink-faint">{meaning(row.kind, row.value)}</span>
        )}
      </td>
      <td className="figures py-1 pr-3 text-right whitespace-nowrap">
        {row.held ? (
          '–'
        ) : (
          <Shown figure={figureOf(row, names, bakes)}>{sayLearned(row.kind, row.value, units)}</Shown>
        )}
      </td>
      <td className="figures py-1 pr-3 text-right whitespace-nowrap text-ink-soft">
        {row.held ? '' : saySpread(row.kind, row.sigma, units)}
      </td>
      <td className="w-[22%] py-1 pr-3">
        {!row.held && (
          <SpreadPicture
            value={row.value}
            sigma={row.sigma}
            prior={priorSigma[row.kind]}
            inForce={row.inForce}
            label={`${name}: ${sayLearned(row.kind, row.value, units)} ${saySpread(row.kind, row.sigma, units)}`}
          />
        )}
      </td>
      <td className="figures py-1 pr-3 text-right whitespace-nowrap text-ink-soft">
        {view.inForce ? sayLearned(row.kind, row.inForce, units) : t`nothing`}
      </td>
      <td className="py-1 text-right">
        <label className="inline-flex items-center gap-1.5 text-[13px]">
          <input
            type="checkbox"
            checked={!row.held}
            disabled={busy}
            onChange={(event) => onHold(row.key, !event.target.checked)}
            aria-label={t`Learn ${name}`}
          />
          {t`learn`}
        </label>
      </td>
    </tr>
  );
};

/** Everything that was learned, how sure it is, what is in force; each can be left as the untouched model has it. */
export const LearnedTable = (props: LearnedTableProps) => {
  const { view } = props;
  return (
    <table className="w-full">
      <thead className="text-left text-[12.5px] text-ink-soft">
        <tr>
          <th className="pr-3 pb-1 font-normal">{t`What`}</th>
          <th className="pr-3 pb-1 text-right font-normal">{t`The log says`}</th>
          <th className="pr-3 pb-1 text-right font-normal">{t`9 times in 10`}</th>
          <th className="pr-3 pb-1 font-normal">{t`before (dashed) and now`}</th>
          <th className="pr-3 pb-1 text-right font-normal">{t`In use`}</th>
          <th className="pb-1" />
        </tr>
      </thead>
      {groups.map(({ title, kinds }) => {
        const rows = view.learned.filter(({ kind }) => (kinds as readonly string[]).includes(kind));
        return (
          rows.length > 0 && (
            <tbody key={title}>
              <tr>
                <th colSpan={6} scope="rowgroup" className="pt-3 pb-1 text-left font-semibold">
                  {title}
                </th>
              </tr>
              {rows.map((row) => (
                <LearnedRow key={row.key} {...props} row={row} />
              ))}
            </tbody>
          )
        );
      })}
    </table>
  );
};
