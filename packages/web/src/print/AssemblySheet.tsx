import { assemblyOutlook, type PlannedStep } from '@zubric/core/assembly';
import { showNumber } from '@zubric/core/quantity';
import { fastenerInWords } from '@zubric/core/say';
import { PART_STATE_WORDS, type Build } from '@zubric/core/vehicle';
import { sayDay, today } from '../common/days.ts';
import { useSay, useSentence } from '../common/units.tsx';
import { SECTION } from './section.ts';

/** Parts with their state, and the steps to tick, each with what it takes. */
export function AssemblySheet({ build }: { readonly build: Build }) {
  const say = useSay();
  const { lines, steps } = assemblyOutlook(build, today());
  return (
    <>
      <section className={SECTION}>
        <h2>Parts</h2>
        <table className="grid-table relative max-md:block max-md:overflow-x-auto">
          <thead>
            <tr>
              <th scope="col" className="n">
                Count
              </th>
              <th scope="col">Part</th>
              <th scope="col">State</th>
              <th scope="col" className="n">
                Cost each
              </th>
              <th scope="col" className="n">
                Mass each
              </th>
            </tr>
          </thead>
          <tbody>
            {lines.map((line) => (
              <tr key={line.id}>
                <td className="n">{line.count}</td>
                <td>{line.name}</td>
                <td>
                  {PART_STATE_WORDS[line.state]}
                  {line.arrivesOn !== undefined && `, due ${sayDay(line.arrivesOn)}`}
                </td>
                <td className="n">{line.costEach === undefined ? '' : showNumber(line.costEach, 5)}</td>
                <td className="n">{line.massEachKg === undefined ? '' : say(line.massEachKg, 'mass')}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </section>
      <section className="mt-5">
        <h2>Steps</h2>
        <ol>
          {steps.map((step, n) => (
            <StepItem key={step.id} step={step} number={n + 1} />
          ))}
        </ol>
      </section>
    </>
  );
}

/** A step with a box to tick, and all that it takes. */
function StepItem({ step, number }: { readonly step: PlannedStep; readonly number: number }) {
  const say = useSay();
  const sentence = useSentence();
  return (
    <li className="grid break-inside-avoid grid-cols-[1.6rem_minmax(0,1fr)] gap-2 border-b border-line py-1.5">
      <span className="mt-0.5 size-5 border border-ink text-center leading-5" aria-hidden>
        {step.state === 'done' ? '✓' : ''}
      </span>
      <span>
        <b className="font-semibold">
          {number}. {step.title}
        </b>
        {step.state === 'done' && ' (done)'}
        {step.detail !== undefined && <span className="block">{step.detail}</span>}
        {step.remarks.map(({ says }) => {
          const said = sentence(says);
          return (
            <span key={said} className="block">
              {said}
            </span>
          );
        })}
        {step.fasteners.map((one) => (
          <span key={`${one.kind} ${one.size} ${one.holds}`} className="block">
            {sentence(fastenerInWords(one))}
          </span>
        ))}
        {step.tools.length > 0 && <span className="block">Lay out: {step.tools.join(', ')}</span>}
        {step.caution !== undefined && <span className="block">Caution: {step.caution}</span>}
        {step.holdPoint !== undefined && <span className="block">Hold until seen: {step.holdPoint}</span>}
        <span className="block text-soft">
          {say(step.handsOnS, 'time')} of work
          {step.waitingS > 0 && `, then ${say(step.waitingS, 'time')} for ${step.waitingFor ?? 'waiting'}`}
        </span>
      </span>
    </li>
  );
}
