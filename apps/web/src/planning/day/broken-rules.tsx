import type { Violation } from '@jokul/core';
import { Said } from '../../ui/said';

/** The rules of the floor that a change breaks, one a line, under what that means for it. */
export const BrokenRules = ({
  says,
  faults,
}: {
  readonly says: string;
  readonly faults: readonly Violation[];
}) => (
  <>
    <p className="font-semibold text-hand">{says}</p>
    <ul className="mb-2 max-h-[24vh] list-disc overflow-y-auto pl-5">
      {faults.map(({ code, where, message }) => (
        <li key={code + where + message}>
          <Said>{message}</Said>
        </li>
      ))}
    </ul>
  </>
);
