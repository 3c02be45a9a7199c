import { t } from '@lingui/core/macro';
import { checkSoundness, type Formula } from '@jokul/core';
import { useBakery } from '../lib/queries';
import { Shown } from '../ui/shown';
import { Said } from '../ui/said';

/** What looks wrong or unusual in a formula; nothing is shown in colour but a likely mistake. */
export const Soundness = ({ formula }: { formula: Formula }) => {
  const { data } = useBakery();
  const findings = checkSoundness(formula, data?.rules.limits);
  const usual = findings.every(({ level }) => level === 'note');
  return (
    <ul className="space-y-2 text-[13.5px]">
      {usual && (
        <li className="text-ink-soft">{t`Ratios, leavening, salt and liquid are within the usual.`}</li>
      )}
      {findings.map(({ code, level, sentence, figure }) => (
        <li
          key={code + sentence}
          className={`border-l-2 pl-2 ${level === 'wrong' ? 'border-hand font-medium text-ink' : 'border-line-strong text-ink-soft'}`}
        >
          {level === 'wrong' && <span className="text-hand">{t`Check:`} </span>}
          {level === 'note' && <span>{t`Good to know:`} </span>}
          <Said>{sentence}</Said> {figure && <Shown figure={figure}>{t`arithmetic`}</Shown>}
        </li>
      ))}
    </ul>
  );
};
