import { plural, t } from '@lingui/core/macro';
import { useNavigate } from 'react-router';
import { compareVersions } from '@jokul/core';
import type { FormulaVersionView } from '@jokul/contracts';
import { WhySection } from '../line/station';

interface VersionsListProps {
  readonly code: string;
  readonly versions: readonly FormulaVersionView[];
  /** The version that is looked at. */
  readonly shown: number;
}

/** All versions of a formula, the newest first, with what each changed. */
export const VersionsList = ({ code, versions, shown }: VersionsListProps) => {
  const navigate = useNavigate();
  const latest = versions[0]?.formula.version;
  return (
    <WhySection title={t`Versions`}>
      <ol className="space-y-1">
        {versions.map(({ formula: f, usedBy }, i) => {
          const before = versions[i + 1]?.formula;
          return (
            <li key={f.version}>
              <button
                type="button"
                className={`text-left ${f.version === shown ? 'font-semibold' : 'underline decoration-dotted underline-offset-4'}`}
                onClick={() =>
                  void navigate({
                    pathname: `/formula/${code}`,
                    search: f.version === latest ? '' : `?version=${f.version}`,
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
  );
};
