import { evaluate, compareMargins, marginInWords } from '@zubric/core/judge';
import {
  compared,
  neededFor,
  takenPlaces,
  takeOver,
  type Compared,
  type Doubted,
  type Measured,
  type Predicted,
  type TrialConditions,
  type TrialResult,
} from '@zubric/core/protocols';
import { uncertainInWords, measuredBy } from '@zubric/core/say';
import { useCallback, useState } from 'react';
import { useUnits } from '../../common/units.tsx';
import type { ShownTrialSet } from '../../offline/use-outbox.ts';
import { useBuild } from '../../session/BuildSession.tsx';
import { useBeside, type Ask } from '../../workers/use-beside.ts';
import { sidedText } from './said.ts';

interface Props {
  readonly set: ShownTrialSet;
  readonly result: TrialResult;
}

type RunAsked = readonly [TrialConditions, readonly Pick<Measured, 'key' | 'value'>[]];

const keysAndValues = ({ measured }: TrialResult): RunAsked[1] =>
  measured.map(({ key, value }) => ({ key, value }));

/** What the build foretells beside what was measured, whether the two agree, and taking the measured one over. */
export function Beside({ set, result }: Props) {
  const { build } = useBuild();
  const { protocol, conditions } = set;
  const asked = JSON.stringify([conditions, keysAndValues(result)]);
  const { answer, problem } = useBeside(
    useCallback<Ask<readonly Predicted[]>>(
      (work) => {
        const [of, measured] = JSON.parse(asked) as RunAsked;
        return work.predicted(build, { protocol, conditions: of }, measured);
      },
      [build, protocol, asked],
    ),
  );
  const rows = answer ? compared(result, answer) : [];
  const places = takenPlaces(protocol);
  const taken = result.measured.filter(({ key }) => key in places);
  return (
    <div className="sheet grid gap-2 p-3">
      <h3 className="font-semibold">Predicted beside measured</h3>
      {problem !== undefined && <p role="alert">{problem}</p>}
      {!answer && problem === undefined && <p className="text-soft">Being worked out.</p>}
      {answer && rows.length === 0 && (
        <p className="text-soft">
          {neededFor(protocol, conditions) ?? 'Nothing is predicted of this trial: it stands by itself.'}
        </p>
      )}
      {rows.map((row) => (
        <Row key={row.measured.key} {...{ row, set, result }} />
      ))}
      {result.verdict !== 'too-few' &&
        taken.map((measured) => (
          <TakeOver
            key={measured.key}
            {...{ set, result, measured }}
            title={places[measured.key]?.title ?? ''}
          />
        ))}
    </div>
  );
}

function Row({ row, set, result }: Props & { readonly row: Compared }) {
  const { system } = useUnits();
  const { measured, predicted, agrees } = row;
  const text = (value: number): string =>
    sidedText(value, measured, system, measured.dimension === 'share' ? 4 : undefined);
  return (
    <div>
      <p>
        <span className="text-soft">{measured.title}: predicted </span>
        <b className="font-semibold">{text(predicted.value)}</b>
        <span className="text-soft">
          {' '}
          ({text(predicted.low)} to {text(predicted.high)}), measured{' '}
        </span>
        <b className="font-semibold">{text(measured.value)}</b>.{' '}
        {agrees === null
          ? 'Too few runs to say whether they agree.'
          : agrees
            ? 'They agree within what both leave open.'
            : 'They do not agree.'}
      </p>
      {agrees === false && <Doubts {...{ set, result, measured }} />}
    </div>
  );
}

/** Which input of the build would have to be otherwise. */
function Doubts({ set, result, measured }: Props & { readonly measured: Measured }) {
  const { build } = useBuild();
  const { system } = useUnits();
  const { protocol, conditions } = set;
  const { key, value } = measured;
  const asked = JSON.stringify([conditions, keysAndValues(result)]);
  const { answer } = useBeside(
    useCallback<Ask<readonly Doubted[]>>(
      (work) => {
        const [of, all] = JSON.parse(asked) as RunAsked;
        return work.doubted(build, { protocol, conditions: of }, { key, value }, all);
      },
      [build, protocol, asked, key, value],
    ),
  );
  if (!answer) return null;
  const [first] = answer;
  if (!first)
    return (
      <p className="text-soft">
        No number with a ± explains it. Doubt what was typed without one, or how the trial was made: the
        floor, the load, the charge.
      </p>
    );
  const how = measuredBy(first.input)?.text;
  return (
    <p className="text-soft">
      Doubt first: {uncertainInWords(first.input, build, system)}. It alone would explain it.
      {how === undefined ? '' : ` ${how}`}
    </p>
  );
}

interface TakeProps extends Props {
  readonly measured: Measured;
  readonly title: string;
}

/** Puts a measured number into the build, and says what else moved. */
function TakeOver({ set, result, measured, title }: TakeProps) {
  const { build, edit } = useBuild();
  const { system } = useUnits();
  const [said, setSaid] = useState<{ readonly text: string; readonly refused: boolean }>();
  const take = (): void => {
    const next = takeOver(set.protocol, build, { measured, conditions: set.conditions, result });
    if (typeof next === 'string') return setSaid({ text: next, refused: true });
    const moved = compareMargins(evaluate(build), evaluate(next)).filter((each) => each.moved);
    edit(() => next);
    setSaid({
      refused: false,
      text:
        moved.length === 0
          ? 'Taken over. No margin moved by it.'
          : `Taken over. Moved: ${moved.slice(0, 4).map(marginInWords).join('; ')}${moved.length > 4 ? `, and ${moved.length - 4} more` : ''}.`,
    });
  };
  return (
    <div className="flex flex-wrap items-center gap-2">
      <button type="button" className="push min-h-10" onClick={take}>
        Take {sidedText(measured.value, measured, system)} over
      </button>
      <span className="text-soft">as {title}</span>
      {said && (
        <p
          role={said.refused ? 'alert' : 'status'}
          className={`basis-full ${said.refused ? 'text-short' : ''}`}
        >
          {said.text}
        </p>
      )}
    </div>
  );
}
