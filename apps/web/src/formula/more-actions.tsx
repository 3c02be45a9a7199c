import { t } from '@lingui/core/macro';
import { Ellipsis } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import { useState } from 'react';
import { Link } from 'react-router';
import { formulaToCsv, formulaToJson, formulaToJsonLd, type Formula } from '@jokul/core';
import { saveFile } from '../lib/save-file';
import { buttonClass } from '../ui/button';
import { Duplicate } from './duplicate';

const item =
  'block w-full cursor-pointer rounded px-3 py-1.5 text-left text-[14px] outline-none data-[highlighted]:bg-ground';

/** What else can be done with a formula: a trial of it, a file of it, a new one from a recipe. */
export const MoreActions = ({
  formula,
  taken,
  doughG,
}: {
  formula: Formula;
  taken: readonly string[];
  doughG: number;
}) => {
  const [duplicating, setDuplicating] = useState(false);
  return (
    <>
      <DropdownMenu.Root>
        <DropdownMenu.Trigger className={buttonClass()} aria-label={t`More with this formula`}>
          <Ellipsis size={16} aria-hidden />
        </DropdownMenu.Trigger>
        <DropdownMenu.Portal>
          <DropdownMenu.Content
            align="end"
            sideOffset={4}
            className="z-50 w-60 rounded-lg border border-line-strong bg-surface p-1 shadow-2xl"
          >
            <DropdownMenu.Item
              className={item}
              onSelect={() => setDuplicating(true)}
            >{t`Duplicate as a trial`}</DropdownMenu.Item>
            <DropdownMenu.Item className={item} asChild>
              <Link to="/formula/new">{t`Import recipe`}</Link>
            </DropdownMenu.Item>
            <DropdownMenu.Item className={item} asChild>
              <Link to={`/formula/${formula.code}/cups`}>{t`In cups, for a customer`}</Link>
            </DropdownMenu.Item>
            <DropdownMenu.Separator className="my-1 h-px bg-line" />
            <DropdownMenu.Item
              className={item}
              onSelect={() => saveFile(`${formula.code}.json`, 'application/json', formulaToJson(formula))}
            >{t`Save as Jokul JSON`}</DropdownMenu.Item>
            <DropdownMenu.Item
              className={item}
              onSelect={() => saveFile(`${formula.code}.csv`, 'text/csv', formulaToCsv(formula, doughG))}
            >{t`Save as CSV`}</DropdownMenu.Item>
            <DropdownMenu.Item
              className={item}
              onSelect={() =>
                saveFile(`${formula.code}.jsonld`, 'application/ld+json', formulaToJsonLd(formula, doughG))
              }
            >{t`Save as schema.org Recipe`}</DropdownMenu.Item>
          </DropdownMenu.Content>
        </DropdownMenu.Portal>
      </DropdownMenu.Root>
      {duplicating && <Duplicate formula={formula} taken={taken} onClose={() => setDuplicating(false)} />}
    </>
  );
};
