import { t } from '@lingui/core/macro';
import type { Notice, TrayState } from '@jokul/core';
import { useNames } from '../line/actions';
import { sayNotice } from '../journal/notice-words';
import { useWallClock } from '../lib/clock';
import { Cautions, Fact, Facts, WhySection } from '../line/station';
import { ChainCheck } from './chain-check';

/** A tray that is pulled later than its time by more than this is counted late, ms. */
const lateMs = 60_000;

interface LogWhyProps {
  /** How many lots the day has. */
  readonly lots: number;
  readonly trays: readonly TrayState[];
  readonly plannedPieces: number;
  readonly notices: readonly Notice[];
}

/** The day in figures, whether its log is whole, and what to look at. */
export const LogWhy = ({ lots, trays, plannedPieces, notices }: LogWhyProps) => {
  const names = useNames();
  const wall = useWallClock();
  const baked = trays.filter((tray) => tray.pulled);
  const late = baked.filter(
    ({ pulled, loaded, pullS }) => pulled && pulled.atMs - loaded.atMs - pullS * 1000 > lateMs,
  );
  return (
    <>
      <WhySection title={t`The day in figures`}>
        <Facts>
          <Fact name={t`Lots`}>{lots}</Fact>
          {plannedPieces > 0 && <Fact name={t`Pieces planned`}>{plannedPieces}</Fact>}
          <Fact name={t`Pieces baked`}>{baked.reduce((n, tray) => n + tray.pieces, 0)}</Fact>
          <Fact name={t`Trays baked`}>{baked.length}</Fact>
          <Fact name={t`Pulled more than 1 min late`}>{late.length}</Fact>
          <Fact name={t`Measured trays`}>{trays.filter((tray) => tray.inspected).length}</Fact>
        </Facts>
      </WhySection>
      <WhySection title={t`The log`}>
        <ChainCheck />
      </WhySection>
      {notices.length > 0 && (
        <WhySection title={t`To look at`}>
          <ul className="space-y-1 text-[13.5px]">
            {notices.slice(-6).map((notice) => (
              <li key={`${notice.entryId}/${notice.subject}`} className="border-l-2 border-line-strong pl-2">
                {sayNotice(notice, wall, names.place)}
              </li>
            ))}
          </ul>
        </WhySection>
      )}
      <Cautions
        items={[
          t`Nothing is deleted: a mistake is struck out by a new entry.`,
          t`A log is no clearance: Jokul never declares a product safe.`,
        ]}
      />
    </>
  );
};
