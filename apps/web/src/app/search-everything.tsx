import { t } from '@lingui/core/macro';
import { Command } from 'cmdk';
import { useState } from 'react';
import { useLocation, useNavigate } from 'react-router';
import { useBakery, useDay, useLibrary } from '../lib/queries';
import { across, stations } from './line';
import { matching, type Found } from './matching';

const useFindable = (): readonly Found[] => {
  const bakery = useBakery();
  const day = useDay();
  const library = useLibrary();
  const formulas = bakery.data?.formulas ?? [];
  const batches = day.data?.plan?.plan.batches ?? [];
  return [
    ...[...stations, ...across].map(({ name, path }) => ({
      group: t`Stations`,
      label: name,
      path: `/${path}`,
    })),
    ...formulas.map(({ code, name }) => ({
      group: t`Formulas`,
      label: name,
      detail: code,
      path: `/formula/${code}`,
    })),
    ...batches.map(({ batchId, productCode }) => ({
      group: t`Batches`,
      label: batchId,
      detail: formulas.find((f) => f.code === productCode)?.name ?? '',
      path: `/mix/${batchId}`,
    })),
    ...batches.flatMap((batch) =>
      batch.loads.map((load) => ({
        group: t`Loads`,
        label: load.id,
        detail: load.ovenId,
        path: `/bake/${load.id}`,
      })),
    ),
    ...[...new Set((day.data?.orders ?? []).map((order) => order.customer))].map((customer) => ({
      group: t`Customers`,
      label: customer,
      path: '/orders',
    })),
    ...[...library.values()].flatMap(({ id, name }) =>
      formulas
        .filter((f) => f.stages.some((stage) => stage.lines.some((line) => line.ingredientId === id)))
        .map((f) => ({
          group: t`Ingredients`,
          label: name,
          detail: t`in ${f.name}`,
          path: `/formula/${f.code}`,
        })),
    ),
  ];
};

const keyOf = ({ group, label, path }: Found) => `${group}-${label}-${path}`;

/**
 * One box that finds stations, formulas, batches, loads, customers and ingredients. What is picked follows from what
 * is typed in the same render, so that letters and Enter in one breath go where the letters say.
 */
export const SearchEverything = ({ open, onClose }: { open: boolean; onClose: () => void }) => {
  const navigate = useNavigate();
  const { search } = useLocation();
  const found = useFindable();
  const [typed, setTyped] = useState('');
  const [moved, setMoved] = useState<string>();
  const matches = matching(found, typed);
  const picked = matches.find((match) => keyOf(match) === moved) ?? matches[0];
  const groups = [...new Set(matches.map((match) => match.group))];
  const close = () => {
    setTyped('');
    setMoved(undefined);
    onClose();
  };
  const go = ({ path }: Found) => {
    close();
    void navigate({ pathname: path, search });
  };
  return (
    <Command.Dialog
      open={open}
      onOpenChange={(next) => !next && close()}
      label={t`Search everything`}
      shouldFilter={false}
      value={picked ? keyOf(picked) : ''}
      onValueChange={setMoved}
      overlayClassName="fixed inset-0 z-40 bg-black/45"
      contentClassName="fixed top-[12vh] left-1/2 z-50 w-[min(38rem,94vw)] -translate-x-1/2 overflow-hidden rounded-lg border border-line-strong bg-surface shadow-2xl"
    >
      <Command.Input
        autoFocus
        value={typed}
        onValueChange={(text) => {
          setTyped(text);
          setMoved(undefined);
        }}
        onKeyDown={(event) => {
          if (event.key !== 'Enter' || event.nativeEvent.isComposing || !picked) return;
          event.preventDefault();
          go(picked);
        }}
        placeholder={t`A station, formula, batch, customer, ingredient …`}
        className="w-full border-b bg-transparent px-4 py-3 text-lg outline-none"
      />
      <Command.List className="max-h-[56vh] overflow-y-auto p-2">
        <Command.Empty className="p-6 text-center text-ink-soft">{t`Nothing here goes by that name.`}</Command.Empty>
        {groups.map((group) => (
          <Command.Group
            key={group}
            heading={group}
            className="text-[12.5px] text-ink-faint [&_[cmdk-group-heading]]:px-2 [&_[cmdk-group-heading]]:py-1"
          >
            {matches
              .filter((match) => match.group === group)
              .map((match) => (
                <Command.Item
                  key={keyOf(match)}
                  value={keyOf(match)}
                  onSelect={() => go(match)}
                  className="flex cursor-pointer justify-between gap-4 rounded px-2 py-1.5 text-[14.5px] text-ink data-[selected=true]:bg-ground"
                >
                  <span>{match.label}</span>
                  <span className="text-ink-faint">{match.detail}</span>
                </Command.Item>
              ))}
          </Command.Group>
        ))}
      </Command.List>
    </Command.Dialog>
  );
};
