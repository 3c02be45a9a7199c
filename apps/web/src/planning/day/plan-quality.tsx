import { plural, t } from '@lingui/core/macro';
import { sayDuration, usualSpreads, type PlanQuality, type WayOut } from '@jokul/core';
import { useNames } from '../../line/actions';
import { PlanButton } from '../../line/plan-bar';
import { useWallClock } from '../../lib/clock';
import { Fact, Facts, WhySection } from '../../line/station';

const minutes = (value: number) => t`${Math.round(value)} min`;

/** How many pieces are in time, and how far the plan is from the best that any plan can be. */
const verdict = ({ undonePieces, orderedPieces, leastUndone, cost, leastCost }: PlanQuality): string => {
  if (undonePieces > leastUndone)
    return t`${undonePieces} of ${orderedPieces} pieces are not ready in time; ${leastUndone === 0 ? t`it is not proved that they could not be` : t`at least ${leastUndone} cannot be`}.`;
  const inTime =
    undonePieces === 0
      ? t`All ${orderedPieces} pieces in time`
      : t`${undonePieces} of ${orderedPieces} pieces are not ready in time, and no plan could have more`;
  const above = leastCost > 0 ? 100 * (cost.minutes / leastCost - 1) : 0;
  return t`${inTime}; the work is at most ${above.toFixed(1)} % above the best possible.`;
};

const costNames = {
  hands: t`mixing and portioning`,
  'oven-hands': t`loading, pulling and packing`,
  heat: t`hot ovens`,
  age: t`pieces past their freshest`,
} as const;

/** The plan beside the best that any could be, with the arithmetic of its cost. */
export const HowGood = ({ quality }: { quality: PlanQuality }) => (
  <WhySection title={t`How good is it?`}>
    <p>{verdict(quality)}</p>
    <details className="mt-1">
      <summary className="cursor-pointer text-[13px] text-ink-soft">{t`What it costs, in minutes of one person`}</summary>
      <Facts>
        {quality.cost.terms.map(({ of, name, minutes: value }) => (
          <Fact key={name} name={of ? costNames[of] : name}>
            {minutes(value)}
          </Fact>
        ))}
        <Fact name={t`Together`} help="planCost">
          {minutes(quality.cost.minutes)}
        </Fact>
        <Fact name={t`No plan costs less than`} help="planBound">
          {minutes(quality.leastCost)}
        </Fact>
      </Facts>
      <p className="mt-1 text-[13px] text-ink-soft">{t`A minute that a chamber is hot counts a quarter of a minute of work, a piece that waits an hour past its freshest about a second. What has begun is not counted again.`}</p>
    </details>
  </WhySection>
);

/** A way out, by what it takes: pieces, seconds or trays. `readyAt`: the ready-by, later by so much. */
const wayOut: Readonly<Record<WayOut['kind'], (amount: number, ordered: number, readyAt: string) => string>> =
  {
    fewer: (pieces, ordered) => t`Take ${pieces} instead of ${ordered}: so many are ready in time.`,
    'earlier-start': (seconds) => t`Begin the shifts ${sayDuration(seconds)} earlier.`,
    later: (seconds, _, readyAt) => t`Have it ready at ${readyAt}, ${sayDuration(seconds)} later.`,
    'more-trays': (trays) => plural(trays, { one: 'Find # more tray.', other: 'Find # more trays.' }),
  };

/** What would get the short orders done, each tried by planning everything again. */
export const WaysOut = ({ quality }: { quality: PlanQuality }) => {
  const names = useNames();
  const wall = useWallClock();
  const helped = quality.short.filter(({ ways }) => ways.length > 0);
  if (helped.length === 0) return null;
  return (
    <>
      <h3 className="mt-3 font-semibold">{t`What would help`}</h3>
      <ul className="mt-1 space-y-2">
        {helped.map(({ productCode, customer, readyByS, ordered, ways }) => (
          <li key={`${productCode} ${customer} ${readyByS}`}>
            <strong>{t`${names.product(productCode)} for ${customer}, ${wall.time(readyByS * 1000)}`}</strong>
            <ul className="list-disc pl-5 text-[13.5px]">
              {ways.map(({ kind, amount }) => (
                <li key={kind}>
                  {wayOut[kind](amount, ordered, wall.near((readyByS + amount) * 1000, readyByS * 1000))}
                </li>
              ))}
            </ul>
          </li>
        ))}
      </ul>
      <p className="mt-1 text-[13px] text-ink-soft">{t`Each was tried by planning the whole day again; nobody else gets less by it.`}</p>
    </>
  );
};

const percent = (share: number) => `${Math.round(100 * share)} %`;
/** Fewer records than this leave the usual figures nearly as they are. */
const fewRecords = 15;

/** What the simulated days were spread by: estimates, or what the bakery's own log shows. */
export const spreadWords = (spreads: PlanQuality['spreads']): string => {
  const { loads = 0, works = 0 } = spreads ?? {};
  const { workShare, pullShare, lateS } = spreads ?? usualSpreads;
  const figures = t`work ${percent(workShare)}, pulls ${percent(pullShare)}, ${sayDuration(Math.round(lateS))} late on average`;
  if (loads < fewRecords)
    return t`Durations are spread by estimates (${figures}), not yet by your log${loads > 0 ? t`: it has only ${plural(loads, { one: '1 load', other: '# loads' })} of the last six weeks` : ''}.`;
  return t`Durations are spread as in your log of the last six weeks (${figures}): ${plural(loads, { one: '1 load', other: '# loads' })}${works > 0 ? t`, ${plural(works, { one: '1 mixing', other: '# mixings' })}` : ''}.`;
};

/** What is called sure, as a share of days. */
const sureEnough = 0.95;
const shown = 5;

/** On how many days each ready-by would hold, the least sure first. */
export const HowSure = ({ quality: { sure, wanted, spreads } }: { quality: PlanQuality }) => {
  const names = useNames();
  const wall = useWallClock();
  const doubtful = sure
    .filter(({ probability }) => probability < sureEnough)
    .sort((a, b) => a.probability - b.probability);
  return (
    <WhySection title={t`How sure is it?`}>
      {doubtful.length === 0 ? (
        <p>{t`Each ready-by holds on at least 95 of 100 simulated days.`}</p>
      ) : (
        <>
          <p>{t`On 100 days like this, with people and ovens a little early or late, these would be ready in time on:`}</p>
          <ul className="mt-1 space-y-1">
            {doubtful.slice(0, shown).map(({ productCode, customer, readyByS, probability }) => (
              <li
                key={`${productCode} ${customer} ${readyByS}`}
                className="flex justify-between gap-3 border-l-2 border-hand pl-2"
              >
                <span>{t`${names.product(productCode)} for ${customer}, ${wall.time(readyByS * 1000)}`}</span>
                <span className="figures whitespace-nowrap">{t`${Math.round(100 * probability)} days`}</span>
              </li>
            ))}
          </ul>
          {doubtful.length > shown && (
            <p className="text-[13px] text-ink-soft">{t`and ${doubtful.length - shown} more below 95.`}</p>
          )}
        </>
      )}
      <div className="mt-2">
        {wanted === null ? (
          <PlanButton look="plain" label={t`Plan it safer: 90 days of 100`} chance={0.9} />
        ) : (
          <>
            <p className="mb-1 text-[13px] text-ink-soft">{t`Planned so that each holds on ${Math.round(100 * wanted)} of 100 days where that can be done: it begins earlier for that. Dough that is mixed keeps its loads: move one by hand to have it earlier.`}</p>
            <PlanButton look="plain" label={t`Plan as late as possible`} chance={0} />
          </>
        )}
      </div>
      <p className="mt-2 text-[13px] text-ink-soft">
        {t`${spreadWords(spreads)} Trays, racks and room are taken to be there.`}
      </p>
    </WhySection>
  );
};
