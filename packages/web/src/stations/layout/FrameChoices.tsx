import { withLayoutMove, type FrameChoice } from '@zubric/core/layout';
import { showNumber } from '@zubric/core/quantity';
import type { FrameMember } from '@zubric/core/vehicle';
import { useCallback, useState } from 'react';
import { NotWorkedOut } from '../../common/NotWorkedOut.tsx';
import { Sideways } from '../../common/Sideways.tsx';
import { useSay } from '../../common/units.tsx';
import { useBuild } from '../../session/BuildSession.tsx';
import { useBeside, type Ask } from '../../workers/use-beside.ts';
import { slopeInWords } from './slope.ts';

/** The same member thinner and thicker. */
export function FrameChoices({ member }: { readonly member: FrameMember }) {
  const { build } = useBuild();
  const [wanted, setWanted] = useState(false);
  const ask: Ask<FrameChoice[]> = useCallback((work) => work.frameChoices(build, member), [build, member]);
  const { answer, isOfNow, problem } = useBeside(wanted ? ask : undefined);
  return (
    <div>
      <button
        type="button"
        className="push push-small"
        aria-expanded={wanted}
        onClick={() => setWanted(!wanted)}
      >
        Lighter or stiffer?
      </button>
      {problem !== undefined && <NotWorkedOut what="Lighter and stiffer frames" why={problem} />}
      {wanted && answer && (
        <div className={`mt-2 ${isOfNow ? '' : 'opacity-60'}`} aria-busy={!isOfNow}>
          <ChoiceTable member={member} choices={answer} />
        </div>
      )}
    </div>
  );
}

function ChoiceTable({
  member,
  choices,
}: {
  readonly member: FrameMember;
  readonly choices: readonly FrameChoice[];
}) {
  const say = useSay();
  const { edit } = useBuild();
  const of = member.wall ? 'Wall' : 'Height';
  const size = (times: number): number => (member.wall ?? member.height).value * times;
  const take = (times: number): void => edit((b) => withLayoutMove(b, { memberId: member.id, times }));
  return (
    <>
      <p className="text-[14px] text-soft">
        What the frame weighs less, the vehicle may carry more: all told it weighs what it weighs today.
      </p>
      <Sideways label={`${member.name}, lighter and stiffer`}>
        <table className="grid-table stacked">
          <thead>
            <tr>
              {[of, 'Weighs', 'Sags', 'Slopes at a shaft', 'Bent to', 'Payload', 'Payload a minute'].map(
                (head) => (
                  <th key={head} scope="col">
                    {head}
                  </th>
                ),
              )}
              <th scope="col">
                <span className="sr-only">Take it</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {choices.map((choice) => (
              <tr key={choice.times} className={choice.times === 1 ? 'font-semibold' : ''}>
                <th scope="row">{say(size(choice.times), 'length')}</th>
                <td data-title="Weighs">{say(choice.massKg, 'mass')}</td>
                <td data-title="Sags">{say(choice.sagM, 'length')}</td>
                <td data-title="Slopes at a shaft" className={choice.binds ? 'text-short' : ''}>
                  {member.mounts.length === 0
                    ? '–'
                    : `${slopeInWords(choice.slopeRad)}${choice.binds ? ': binds' : ''}`}
                </td>
                <td data-title="Bent to" className={(choice.factor ?? 1) < 1 ? 'text-short' : ''}>
                  {choice.factor === undefined ? '–' : `${showNumber(100 / choice.factor, 2)} %`}
                </td>
                <td data-title="Payload">{say(choice.payloadKg, 'mass')}</td>
                <td data-title="Payload a minute">
                  {choice.payloadKgPerMinute === undefined
                    ? 'no job goes a way'
                    : say(choice.payloadKgPerMinute, 'mass')}
                </td>
                <td>
                  {choice.times !== 1 && (
                    <button type="button" className="push push-small" onClick={() => take(choice.times)}>
                      Take it
                    </button>
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </Sideways>
    </>
  );
}
