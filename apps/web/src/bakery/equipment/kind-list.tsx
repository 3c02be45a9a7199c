import { plural, t } from '@lingui/core/macro';
import { Plus } from 'lucide-react';
import { useState } from 'react';
import { toast } from 'sonner';
import {
  freeId,
  inTheCold,
  resourceIds,
  type BatchPlan,
  type Equipment,
  type EquipmentKind,
} from '@jokul/core';
import type { BakeryView } from '@jokul/contracts';
import { useJournal } from '../../journal/store';
import { useDay } from '../../lib/queries';
import { Button } from '../../ui/button';
import { forTrays, withFigures, withList } from './oven-places';
import { nameOf, thingsOf, type Kind, type Preset, type Thing } from './kinds';
import { ThingForm } from './thing-form';
import { ThingRow } from './thing-row';
import { useChangeEquipment } from './use-equipment';

const withThings = (equipment: Equipment, { kind }: Kind, things: readonly Thing[]): Equipment => ({
  ...equipment,
  [kind]: things,
});

/** How many doughs lie in a place by now. */
const useLying = () => {
  const floor = useJournal((s) => s.floor);
  return ({ kind }: Kind, id: string): number =>
    kind === 'places' ? inTheCold(floor).filter(({ placeId }) => placeId === id).length : 0;
};

/** The loads that are planned in an oven, or laid out with a liner of which so many are there. */
const loadsOn = (kind: EquipmentKind, id: string, batches: readonly BatchPlan[]): readonly string[] => {
  if (kind === 'ovens')
    return batches.flatMap(({ loads }) => loads.filter(({ ovenId }) => ovenId === id).map((load) => load.id));
  const liner = kind === 'liners' ? resourceIds.liner(id) : null;
  return batches
    .flatMap(({ tasks }) => tasks)
    .filter((task) => task.kind === 'bake' && task.uses.some(({ resourceId }) => resourceId === liner))
    .map((task) => task.id);
};

/** What a change of a thing touches: doughs that lie in it, or loads or batches of the day that is looked at. */
const useTouched = () => {
  const plan = useDay().data?.plan?.plan;
  const lying = useLying();
  return (of: Kind, id: string): string | null => {
    const doughs = lying(of, id);
    if (doughs > 0)
      return t`${plural(doughs, { one: '# dough lies', other: '# doughs lie' })} in it: their forecasts change with it.`;
    const { kind } = of;
    const batches = plan?.batches ?? [];
    const n =
      kind === 'mixers'
        ? batches.filter(({ mixerId }) => mixerId === id).length
        : loadsOn(kind, id, batches).length;
    if (n === 0) return null;
    const what =
      kind === 'mixers'
        ? t`${plural(n, { one: 'batch', other: 'batches' })}`
        : t`${plural(n, { one: 'load', other: 'loads' })}`;
    return t`The plan of this day has ${n} ${what} on it: plan again after a change.`;
  };
};

const isThing = (from: Thing | Preset): from is Thing => typeof from.id === 'string';

/** The things of a kind, and how they are changed; each change answers with why it was refused. */
const useThings = (kind: Kind, bakery: BakeryView) => {
  const { change, busy } = useChangeEquipment(bakery);
  const lying = useLying();
  const { equipment } = bakery;
  const things = thingsOf(equipment, kind.kind);
  const replace = (id: string, values: Readonly<Record<string, unknown>>, says: string) =>
    change(
      withThings(
        equipment,
        kind,
        things.map((t) => (t.id === id ? { ...t, ...values } : t)),
      ),
      says,
    );
  /** Behind the one that it is like. */
  const add = (values: Readonly<Record<string, unknown>>, likeId: unknown): Promise<string | null> => {
    const name = String(values.name);
    const { retired: _, ...rest } = values;
    const fresh: Thing = { ...rest, id: freeId(name, equipment) };
    const at = things.findIndex(({ id }) => id === likeId) + 1 || things.length;
    return change(
      withThings(equipment, kind, [...things.slice(0, at), fresh, ...things.slice(at)]),
      t`${name} is added.`,
    );
  };
  const retire = async (thing: Thing, retired: boolean) => {
    const doughs = lying(kind, thing.id);
    const isRetired =
      doughs > 0
        ? t`${nameOf(thing)} is retired. ${plural(doughs, { one: '# dough lies', other: '# doughs lie' })} in it still: move them.`
        : t`${nameOf(thing)} is retired.`;
    const problem = await replace(
      thing.id,
      { retired },
      retired ? isRetired : t`${nameOf(thing)} is in use again.`,
    );
    if (problem) toast.error(problem, { duration: 12_000 });
  };
  /** One place up: the floor, the day and every list show things in this order. */
  const moveUp = async (thing: Thing) => {
    const i = things.indexOf(thing);
    const next = [...things.slice(0, i - 1), thing, ...things.slice(i - 1, i), ...things.slice(i + 1)];
    const problem = await change(withThings(equipment, kind, next), t`${nameOf(thing)} moved up.`);
    if (problem) toast.error(problem, { duration: 12_000 });
  };
  return { things, busy, replace, add, retire, moveUp };
};

/** Ready-made things to begin from. */
const ReadyMade = ({
  presets,
  busy,
  onTake,
}: {
  readonly presets: readonly Preset[];
  readonly busy: boolean;
  readonly onTake: (preset: Preset) => void;
}) => (
  <p className="flex flex-wrap items-center gap-1.5 border-t pt-2 text-[13.5px] text-ink-soft">
    {t`Ready-made:`}
    {presets.map((preset) => (
      <Button
        key={preset.name}
        size="small"
        disabled={busy}
        aria-label={t`Add ${preset.name}`}
        onClick={() => onTake(preset)}
      >
        {preset.name}
      </Button>
    ))}
  </p>
);

/** The things of one kind: added, copied, changed, ordered, retired; `presets` are ready-made ones to begin from. */
export const KindList = ({
  kind: plain,
  bakery,
  presets = [],
}: {
  readonly kind: Kind;
  readonly bakery: BakeryView;
  readonly presets?: readonly Preset[];
}) => {
  const kind = forTrays(plain, bakery.equipment);
  const touched = useTouched();
  const { things, busy, replace, add, retire, moveUp } = useThings(kind, bakery);
  const [open, setOpen] = useState<Thing | 'new' | null>(null);
  /** What the new one begins as: the figures of another one, ready-made ones, or the usual ones. */
  const [like, setLike] = useState<Thing | Preset | null>(null);
  const take = (values: Readonly<Record<string, unknown>>): Promise<string | null> =>
    open !== 'new' && open
      ? replace(open.id, withList(kind, values, bakery.equipment), t`${String(values.name)} is changed.`)
      : add(withList(kind, values, bakery.equipment), like?.id);
  const begin = (from: Thing | Preset | null) => {
    setLike(from);
    setOpen('new');
  };
  const begunAs = (from: Thing | Preset): Kind => ({
    ...kind,
    example: isThing(from)
      ? { ...withFigures(kind, from), retired: false, name: t`${nameOf(from)}, another` }
      : from,
  });
  return (
    <section aria-label={kind.title}>
      <div className="mb-1 flex items-center justify-between gap-3">
        <h3 className="font-semibold">{kind.title}</h3>
        <Button size="small" icon={<Plus size={14} aria-hidden />} onClick={() => begin(null)}>
          {t`Add ${/^[aeiou]/.test(kind.one) ? t`an` : 'a'} ${kind.one}`}
        </Button>
      </div>
      <ul>
        {things.map((thing, i) => (
          <ThingRow
            key={thing.id}
            kind={kind}
            thing={withFigures(kind, thing)}
            busy={busy}
            onUp={i > 0 ? () => void moveUp(thing) : undefined}
            onCopy={() => begin(thing)}
            onRetire={() => void retire(thing, !thing.retired)}
            onChange={() => setOpen(thing)}
          />
        ))}
      </ul>
      {things.length === 0 && kind.none && <p className="text-[13.5px] text-ink-soft">{kind.none}</p>}
      {presets.length > 0 && <ReadyMade presets={presets} busy={busy} onTake={begin} />}
      {open && (
        <ThingForm
          key={open === 'new' ? 'new' : open.id}
          kind={open === 'new' && like ? begunAs(like) : kind}
          thing={open === 'new' ? null : withFigures(kind, open)}
          touches={open === 'new' ? null : touched(kind, open.id)}
          onTake={take}
          onClose={() => setOpen(null)}
        />
      )}
    </section>
  );
};
