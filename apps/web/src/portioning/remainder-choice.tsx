import { t } from '@lingui/core/macro';
import { remainderOptions, type RemainderUse } from '@jokul/core';
import { Shown } from '../ui/shown';
import { Said } from '../ui/said';

const names: Readonly<Record<RemainderUse, string>> = {
  spread: t`Spread it`,
  'test-pieces': t`Small test pieces`,
  cold: t`Back to the cold`,
};

/** What becomes of the dough that is left over, each with its figure. */
export const RemainderChoice = ({
  remainderG,
  pieces,
  pieceMassG,
  toleranceShare,
  chosen,
  onChoose,
}: {
  remainderG: number;
  pieces: number;
  pieceMassG: number;
  toleranceShare: number;
  chosen: RemainderUse | null;
  onChoose: (use: RemainderUse) => void;
}) => {
  if (!(remainderG > 0) || !(pieces >= 1)) return null;
  return (
    <fieldset className="mt-4">
      <legend className="mb-1 text-[13px] text-ink-soft">{t`Leftover dough`}</legend>
      <div className="grid grid-cols-3 gap-3 max-sm:grid-cols-1">
        {remainderOptions(remainderG, pieces, pieceMassG, toleranceShare).map(
          ({ use, sentence, possible, figure }) => (
            <div
              key={use}
              className={`rounded-md border px-3 py-2 ${chosen === use ? 'border-ink bg-raised' : 'bg-surface'} ${possible ? '' : 'text-ink-faint'}`}
            >
              <label className="flex min-h-14 gap-2">
                <input
                  type="radio"
                  name="remainder"
                  checked={chosen === use}
                  disabled={!possible}
                  onChange={() => onChoose(use)}
                  className="mt-1 self-start"
                />
                <span>
                  <span className="font-medium">{names[use]}</span>
                  <span className="block text-[13px]">
                    <Said>{sentence}</Said>
                  </span>
                </span>
              </label>
              <span className="text-[13px]">
                <Shown figure={figure}>{t`arithmetic`}</Shown>
              </span>
            </div>
          ),
        )}
      </div>
    </fieldset>
  );
};
