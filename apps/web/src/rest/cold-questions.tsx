import { AtOnce } from './at-once';
import { MustComeOut, type MustComeOutProps } from './must-come-out';
import { OnTheBench } from './on-the-bench';

interface ColdQuestionsProps extends MustComeOutProps {
  readonly pieces: number;
  /** The core at which a dough counts as cold, °C. */
  readonly readyC: number;
}

/** How long on the bench, when it must come out, and all of it at once: questions with a plain answer each. */
export const ColdQuestions = ({ pieces, readyC, wantedMs, say, ...of }: ColdQuestionsProps) => (
  <div className="mt-4 grid max-w-4xl grid-cols-2 gap-6 max-[1100px]:grid-cols-1">
    <OnTheBench
      formula={of.formula}
      form={of.form}
      massG={of.massG}
      bench={of.places.find(({ kind }) => kind === 'bench')}
    />
    <MustComeOut {...of} wantedMs={wantedMs} say={say} />
    <AtOnce {...of} pieces={pieces} readyC={readyC} />
  </div>
);
