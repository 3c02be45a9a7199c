import { plural, t } from '@lingui/core/macro';
import { stageTools, type FormulaStage } from '@jokul/core';
import { SelectField } from '../ui/field';
import { stageToolNames } from '../words/names-of-codes';
import { useDraft } from './draft-store';
import { OptionalNumber } from './optional-number';

/** What a stage is worked with, in how many parts its ingredients go in, and for how long. */
export const StageWork = ({ stage, index }: { readonly stage: FormulaStage; readonly index: number }) => {
  const setStage = useDraft((s) => s.setStage);
  return (
    <fieldset className="mt-1 ml-7 flex flex-wrap items-start gap-2 text-[13px] text-ink-soft [&_input]:w-24 [&_input]:py-0.5 [&_select]:w-36 [&_select]:py-0.5">
      <legend className="sr-only">{t`How the stage ${stage.name} is worked`}</legend>
      <SelectField
        label={t`With`}
        hideLabel
        value={stage.tool ?? ''}
        onChange={(event) =>
          setStage(index, { tool: stageTools.find((tool) => tool === event.target.value) })
        }
      >
        <option value="">{t`usual tool`}</option>
        {stageTools.map((tool) => (
          <option key={tool} value={tool}>
            {stageToolNames[tool]}
          </option>
        ))}
      </SelectField>
      <OptionalNumber
        name={t`In parts`}
        value={stage.parts}
        kind="number"
        min={1}
        max={24}
        whole
        hideName
        usual={t`usual parts`}
        onCommit={(parts) => setStage(index, { parts })}
      />
      {stage.parts !== undefined && (
        <span className="py-0.5">{plural(stage.parts, { one: 'part', other: 'parts' })}</span>
      )}
      <OptionalNumber
        name={t`Worked, s`}
        value={stage.workS}
        kind="number"
        min={5}
        max={3600}
        hideName
        usual={t`usual time, s`}
        onCommit={(workS) => setStage(index, { workS })}
      />
      {stage.workS !== undefined && <span className="py-0.5">s</span>}
    </fieldset>
  );
};
