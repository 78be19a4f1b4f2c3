import {
  afterOuting,
  lookedAfter,
  serviceDue,
  serviceLog,
  serviceOrder,
  type ServiceDue,
} from '@zubric/core/assembly';
import { HOUR_S, typed, type Quantity } from '@zubric/core/quantity';
import { useMemo, useState } from 'react';
import { sayDay, today } from '../../common/days.ts';
import { useSay, useSentence } from '../../common/units.tsx';
import { QuantityField } from '../../fields/QuantityField.tsx';
import type { Check } from '../../fields/useQuantityText.ts';
import { useBuild } from '../../session/BuildSession.tsx';

const MOST_HOURS = 240;
const outingLength: Check = (value) =>
  value >= 0 && value <= MOST_HOURS * HOUR_S ? undefined : `An outing runs at most ${MOST_HOURS} h.`;

/** What is due, how long it has run, and what comes off first. */
export function Service() {
  const { build } = useBuild();
  const say = useSay();
  const due = useMemo(() => serviceDue(build), [build]);
  const order = useMemo(() => serviceOrder(build), [build]);
  const { run, outings } = serviceLog(build);
  const now = due.filter((task) => task.due);
  return (
    <div className="grid gap-3">
      <div>
        <h1>What wants looking after?</h1>
        <p className="mt-0.5 text-[16px] text-soft">
          {now.length === 0 ? (
            <b className="font-semibold text-ink">Nothing is due.</b>
          ) : (
            <>
              <b className="font-semibold text-ink">
                Due: {now.map(({ title }) => title.charAt(0).toLowerCase() + title.slice(1)).join('; ')}.
              </b>
            </>
          )}{' '}
          It has run {say(run.value, 'time')} on {outings} {outings === 1 ? 'outing' : 'outings'}.
        </p>
      </div>
      <Outing />
      <ul className="sheet divide-y divide-line" aria-label="Looked after again and again">
        {due.map((task) => (
          <TaskRow key={task.id} task={task} />
        ))}
      </ul>
      {order.length > 0 && (
        <section>
          <h2>What comes off first</h2>
          <ul className="sheet divide-y divide-line">
            {order.map(({ name, takeOff }) => (
              <li key={name} className="px-3 py-1.5">
                <b className="font-semibold">{name}</b>: {takeOff.join(', then ')}
              </li>
            ))}
          </ul>
        </section>
      )}
    </div>
  );
}

/** One more outing, by how long it ran. */
function Outing() {
  const { edit } = useBuild();
  const [ran, setRan] = useState<Quantity>(typed(HOUR_S, 'h', 'assumed'));
  return (
    <div className="flex flex-wrap items-end gap-3">
      <QuantityField
        className="w-40"
        label="An outing of"
        dimension="time"
        value={ran}
        check={outingLength}
        onChange={setRan}
      />
      <button
        type="button"
        className="push min-h-10"
        onClick={() => edit((b) => afterOuting(b, ran.value / HOUR_S))}
      >
        It was out
      </button>
    </div>
  );
}

function TaskRow({ task }: { readonly task: ServiceDue }) {
  const { edit } = useBuild();
  const say = useSay();
  const sentence = useSentence();
  const { left, how, last, due, title } = task;
  const waits = [
    ...(left.runS === undefined ? [] : [left.runS <= 0 ? 'now' : `after ${say(left.runS, 'time')} more`]),
    ...(left.outings === undefined
      ? []
      : [
          left.outings <= 0
            ? 'now'
            : `after ${left.outings} more ${left.outings === 1 ? 'outing' : 'outings'}`,
        ]),
  ];
  return (
    <li className={`grid gap-1 px-3 py-2 ${due ? 'bg-mech-lo' : ''}`}>
      <p>
        <b className="text-[16px] font-semibold">{title}</b>{' '}
        <span className={due ? 'font-semibold' : 'text-soft'}>
          {due ? 'due now' : `due ${waits.join(' or ')}`}
        </span>
      </p>
      <p>{sentence(how)}</p>
      <p className="flex flex-wrap items-center gap-3">
        <button
          type="button"
          className="push min-h-10"
          onClick={() => edit((b) => lookedAfter(b, task.id, today()))}
        >
          Looked after today<span className="sr-only">: {title}</span>
        </button>
        {last && <span className="text-soft">last {sayDay(last.on)}</span>}
      </p>
    </li>
  );
}
