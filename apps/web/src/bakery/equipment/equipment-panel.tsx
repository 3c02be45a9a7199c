import type { BakeryView } from '@jokul/contracts';
import { EquipmentTable } from './equipment-table';
import { KindList } from './kind-list';
import { kinds } from './kinds';

/** Everything that the bakery works on, each with the figures that computation takes from it. */
export const EquipmentPanel = ({ bakery }: { readonly bakery: BakeryView }) => (
  <>
    <EquipmentTable bakery={bakery} />
    <div className="grid grid-cols-2 gap-x-8 gap-y-6 max-[1100px]:grid-cols-1">
      {kinds.map((kind) => (
        <KindList key={kind.kind} kind={kind} bakery={bakery} />
      ))}
    </div>
  </>
);
