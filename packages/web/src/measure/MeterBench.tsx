import type { MeterAnswer } from '@zubric/core/answers';
import { readingOf, type NextStep } from '@zubric/core/bench';
import type { BenchReading } from '@zubric/core/motor';
import { rpmToRadS } from '@zubric/core/quantity';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api } from '../common/api.ts';
import { useSay } from '../common/units.tsx';
import { Choice } from '../fields/Choice.tsx';
import { useMeter, type Meter, type MeterKind } from './use-meter.ts';

/** Seconds that a reading is the mean of, and seconds that a motor is given to run evenly. */
const READS_S = 1.5;
const SETTLES_S = 1;

/** Slower than this it stands. */
const STANDS_RPM = 1;

interface Props {
  readonly kind: MeterKind;
  readonly step: NextStep | undefined;
  readonly onRated: (ratedV: number) => void;
  readonly onReading: (reading: BenchReading) => void;
}

/** A meter that is read line by line: what it shows now, and a reading taken when it runs evenly. */
export function MeterBench({ kind, step, onRated, onReading }: Props) {
  const meter = useMeter(kind);
  const [reading, setReading] = useState(false);
  const bench = useBench(kind === 'simulated');
  const take = async (): Promise<void> => {
    if (!step) return;
    setReading(true);
    try {
      if (kind === 'simulated') {
        await bench.set.mutateAsync({ voltageV: step.voltageV, hold: step.hold });
        await meter.collect(SETTLES_S);
      }
      const read = readingOf(await meter.collect(READS_S), step.kind);
      if (read && read.voltageV > 0) onReading(read);
    } finally {
      // Nothing is left running hot while its reading is looked at.
      if (kind === 'simulated') await bench.set.mutateAsync({ voltageV: 0, hold: 0 }).catch(() => undefined);
      setReading(false);
    }
  };
  return (
    <section className="sheet grid gap-2 p-3" aria-label="Meter">
      {kind === 'simulated' && bench.answer && (
        <SimulatedBench
          answer={bench.answer}
          onMotor={(id, ratedV) => {
            bench.set.mutate({ motor: id, voltageV: 0, hold: 0 });
            onRated(ratedV);
          }}
          onPlug={(plugged) => bench.set.mutate({ plugged })}
        />
      )}
      <Shown meter={meter} />
      <p className="flex flex-wrap gap-2">
        {meter.state === 'on' ? (
          <button type="button" className="push" onClick={meter.disconnect}>
            Disconnect
          </button>
        ) : (
          <button type="button" className="push" onClick={meter.connect}>
            {meter.state === 'lost' ? 'Connect again' : 'Connect the meter'}
          </button>
        )}
        <button
          type="button"
          className="push push-main"
          disabled={meter.state !== 'on' || reading || !step}
          onClick={() => void take()}
        >
          {reading
            ? 'Reading …'
            : kind === 'simulated'
              ? 'Set it so and take the reading'
              : 'Take the reading'}
        </button>
      </p>
      {(meter.problem || bench.set.error) && (
        <p role="alert" className="border border-short bg-short-lo px-3 py-2">
          {meter.problem || bench.set.error?.message}
        </p>
      )}
    </section>
  );
}

/** What the simulated bench is set to; a real one is set by hand. */
function useBench(enabled: boolean) {
  const queries = useQueryClient();
  const { data: answer } = useQuery({ queryKey: ['meter'], queryFn: api.meter, enabled });
  const set = useMutation({
    mutationFn: api.setMeter,
    // The switch stands where it was put at once; where it cannot be, it goes back.
    onMutate: (change) => queries.setQueryData<MeterAnswer>(['meter'], (now) => now && { ...now, ...change }),
    onError: () => queries.invalidateQueries({ queryKey: ['meter'] }),
    onSuccess: (now) => queries.setQueryData(['meter'], now),
  });
  return { answer, set };
}

interface SimulatedProps {
  readonly answer: MeterAnswer;
  readonly onMotor: (id: string, ratedV: number) => void;
  readonly onPlug: (plugged: boolean) => void;
}

const SimulatedBench = ({ answer, onMotor, onPlug }: SimulatedProps) => (
  <>
    <p className="text-[14px] text-soft">
      A bench that is played: a motor nobody knows, with instruments a little off. It tries you out, and your
      readings with it, before a real one gets hot.
    </p>
    <Choice
      label="Motor on the simulated bench"
      value={answer.motor}
      options={answer.motors.map(({ id, name }) => ({ value: id, title: name }))}
      onChange={(id) => onMotor(id, answer.motors.find((motor) => motor.id === id)?.ratedV ?? 12)}
    />
    <label className="flex items-center gap-2">
      <input
        type="checkbox"
        checked={answer.plugged}
        onChange={(event) => onPlug(event.target.checked)}
        className="size-4"
      />
      Its plug is in
    </label>
  </>
);

/** What the meter shows now. */
function Shown({ meter: { state, now, remark } }: { readonly meter: Meter }) {
  const say = useSay();
  const shown =
    now && state === 'on'
      ? [
          say(now.V, 'voltage', 3),
          say(now.A, 'current', 3),
          say(rpmToRadS(now.rpm < STANDS_RPM ? 0 : now.rpm), 'rotation', 3),
          ...(now.Nm ? [say(now.Nm, 'torque', 3)] : []),
        ]
      : ['–'];
  return (
    <p className="font-narrow text-[20px] font-semibold tabular-nums" aria-label="What the meter shows">
      {shown.join('  ·  ')}
      {remark !== '' && <span className="block text-[15px] text-short">The meter remarks: {remark}</span>}
    </p>
  );
}
