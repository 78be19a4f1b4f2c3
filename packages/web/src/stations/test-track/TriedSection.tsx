import { NotWorkedOut } from '../../common/NotWorkedOut.tsx';
import type { Beside } from '../../workers/use-beside.ts';

interface Props {
  readonly id: string;
  readonly title: string;
  /** What is worked out, as the beginning of a sentence. */
  readonly what: string;
  readonly beside: Beside<unknown>;
  /** The answer in words; without one it is still tried, or it lacks something. */
  readonly answer: React.ReactNode;
  /** What is lacking where there is no answer. */
  readonly lacks: string;
  /** Of the page, or of a part of it. */
  readonly heading?: 'h1' | 'h2';
  readonly children: React.ReactNode;
}

/** A question of the Test track that is worked out beside the page: its answer first, then what it is tried by. */
export function TriedSection({
  id,
  title,
  what,
  beside,
  answer,
  lacks,
  heading: Heading = 'h1',
  children,
}: Props) {
  const { answer: found, isOfNow, problem } = beside;
  const isHere = isOfNow && problem === undefined;
  return (
    <section className="grid gap-3" aria-labelledby={id} aria-busy={!isOfNow && problem === undefined}>
      <div>
        <Heading id={id}>{title}</Heading>
        <p className="mt-0.5 text-[16px] text-soft">
          {found === undefined ? (isHere ? lacks : 'It is being tried …') : answer}
        </p>
      </div>
      {problem !== undefined && <NotWorkedOut what={what} why={problem} />}
      {children}
    </section>
  );
}
