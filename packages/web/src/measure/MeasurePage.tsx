import { typed } from '@zubric/core/quantity';
import type { Part } from '@zubric/core/vehicle';
import { useState } from 'react';
import { Link } from 'react-router';
import { useTitle } from '../common/use-title.ts';
import { Header } from '../frame/Header.tsx';
import { FormQuantity } from '../fields/FormQuantity.tsx';
import { FitChart } from './FitChart.tsx';
import { Kept, KeepMotor } from './KeepMotor.tsx';
import { MeterBench } from './MeterBench.tsx';
import { hasSerial } from '../common/serial.ts';
import { NextStepCard } from './NextStepCard.tsx';
import { Outcome } from './Outcome.tsx';
import { PasteReadings } from './PasteReadings.tsx';
import { ReadingsTable } from './ReadingsTable.tsx';
import { TypeReading } from './TypeReading.tsx';
import { useReadings, type Readings } from './use-readings.ts';

const WAYS = {
  type: 'Type them',
  paste: 'Paste, or a file',
  simulated: 'Simulated meter',
  serial: 'Meter on a cable',
} as const;
type Way = keyof typeof WAYS;

/** An unknown motor, found from readings on the bench. */
export function MeasurePage() {
  useTitle('Measure a motor');
  const bench = useReadings();
  const [kept, setKept] = useState<Part>();
  const [way, setWay] = useState<Way>('type');
  const ways = (Object.keys(WAYS) as Way[]).filter((each) => each !== 'serial' || hasSerial());
  return (
    <>
      <Header>
        <Link to="/shelf" className="font-narrow text-[16px] font-semibold underline underline-offset-4">
          Parts shelf
        </Link>
      </Header>
      <main id="main" className="mx-auto max-w-[1240px] px-4 py-4 md:px-6">
        <h1>Which motor is this?</h1>
        <p className="mt-0.5 text-soft">
          A handful of readings tell its figures, and how sure they are. For motors with magnets: brushed
          ones, and gearmotors by their output.
        </p>
        {!bench.keptHere && (
          <p role="alert" className="mt-2 border border-short bg-short-lo px-4 py-2">
            This browser keeps nothing: the readings are on this screen only.
          </p>
        )}
        <div className="mt-3 grid grid-cols-1 gap-4 lg:grid-cols-[minmax(0,5fr)_minmax(0,7fr)]">
          <div className="grid content-start gap-3">
            <div className="grid grid-cols-2 items-end gap-3">
              <RatedVoltage bench={bench} />
            </div>
            <NextStepCard step={bench.step} />
            <div
              className="grid grid-cols-2 sm:grid-cols-4"
              role="group"
              aria-label="Where the readings come from"
            >
              {ways.map((each) => (
                <button
                  key={each}
                  type="button"
                  aria-pressed={each === way}
                  className={`border border-line px-2 py-1.5 text-[15px] ${each === way ? 'bg-ink font-semibold text-sheet' : 'bg-sheet hover:bg-mech-lo'}`}
                  onClick={() => setWay(each)}
                >
                  {WAYS[each]}
                </button>
              ))}
            </div>
            <ReadingsIn way={way} bench={bench} />
          </div>
          <div className="grid content-start gap-3">
            {kept && <Kept part={kept} />}
            <Outcome {...bench} />
            {bench.fit && <FitChart fit={bench.fit} readings={bench.readings} ratedV={bench.ratedV} />}
            <ReadingsTable {...bench} />
            {bench.readings.length > 0 && (
              <p>
                <button type="button" className="push push-small" onClick={bench.clear}>
                  Begin anew
                </button>
              </p>
            )}
            {bench.measured && (
              <KeepMotor
                bench={bench}
                measured={bench.measured}
                onKept={(part) => {
                  setKept(part);
                  bench.clear();
                }}
              />
            )}
          </div>
        </div>
      </main>
    </>
  );
}

const RatedVoltage = ({ bench }: { readonly bench: Readings }) => (
  <FormQuantity
    name="rated"
    title="Voltage it is to run at"
    dimension="voltage"
    range={{ above: 0, most: 60 }}
    value={typed(bench.ratedV, 'V')}
    onChange={(quantity) => quantity && bench.setRated(quantity.value)}
    onUnread={() => undefined}
  />
);

function ReadingsIn({ way, bench }: { readonly way: Way; readonly bench: Readings }) {
  if (way === 'type')
    return <TypeReading kind={bench.step?.kind} onReading={(reading) => bench.add([reading], 'typed')} />;
  if (way === 'paste') return <PasteReadings onReadings={bench.add} />;
  return (
    <MeterBench
      key={way}
      kind={way}
      step={bench.step}
      onRated={bench.setRated}
      onReading={(reading) => bench.add([reading], way === 'serial' ? 'serial' : 'meter')}
    />
  );
}
