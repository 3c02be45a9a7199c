import { t } from '@lingui/core/macro';
import { useQuery } from '@tanstack/react-query';
import type { SharpnessQuestion } from '@jokul/core';
import { core } from '../workers/core';

/** How often a sample of this size and spread would pass as on target, by how light the batch truly is. */
export const HowSharp = ({ question }: { readonly question: SharpnessQuestion }) => {
  const { data } = useQuery({
    queryKey: ['sharpness', question],
    queryFn: () => core().sharpness(question),
    staleTime: Number.POSITIVE_INFINITY,
    retry: false,
    placeholderData: (before) => before,
  });
  if (!data) return null;
  const [right = 0, little = 0, light = 0] = data.map((share) => Math.round(100 * share));
  return (
    <p className="mt-2 text-[13.5px] text-ink-soft">{t`How sharp is that? With ${question.weighed} pieces as uneven as these, ${right} of 100 batches that are right would pass as on target, ${little} of 100 that are 3 % light, and ${light} of 100 that are 6 % light.`}</p>
  );
};
