import type { BalanceAsk, FloorBeside, FloorTold } from '@zubric/core/simulate';
import {
  balanceFloorSchema,
  FLOOR_KINDS,
  FLOOR_SIDES,
  STICK_DOES,
  type BalanceFloor,
  type FloorKind,
  type FloorSides,
  type StickDoes,
} from '@zubric/core/vehicle';
import { useCallback, useMemo } from 'react';
import { useSay } from '../../common/units.tsx';
import { Choice } from '../../fields/Choice.tsx';
import type { OnFloor as Driven } from '../../workers/bench-work.ts';
import { useBeside, type Ask } from '../../workers/use-beside.ts';
import { HeadedTable } from './HeadedTable.tsx';
import { between, PlainNumber } from './PlainNumber.tsx';
import { RunCharts } from './RunCharts.tsx';
import { TriedSection } from './TriedSection.tsx';
import { useTrying } from './use-trying.ts';

const DEGREE = Math.PI / 180;

const KINDS: Readonly<Record<FloorKind, string>> = {
  flat: 'nothing',
  ramp: 'a ramp up to a landing',
  board: 'a board that lies across',
  kerb: 'a kerb to go up',
  hole: 'a hole',
};
const SIDES: Readonly<Record<FloorSides, string>> = {
  both: 'both wheels',
  left: 'the left wheel alone',
  right: 'the right wheel alone',
};
const STICKS: Readonly<Record<StickDoes, string>> = {
  lean: 'asks a lean',
  place: 'moves the place it holds',
  speed: 'asks a speed',
};

/** Its tyres, always; what lies on its way, where something does. */
const TYRES = [
  { key: 'sinksM', label: 'Its weight presses the tyres in by', dimension: 'length', unit: 'mm' },
  { key: 'bounces', label: 'Bounces till it rests', dimension: 'number', unit: '' },
  { key: 'grip', label: 'Grip of the tyres', dimension: 'number', unit: '' },
] as const;
const THING = [
  { key: 'startM', label: 'Begins after', dimension: 'length', unit: 'm' },
  { key: 'heightM', label: 'High, or deep', dimension: 'length', unit: 'mm' },
  { key: 'lengthM', label: 'Long', dimension: 'length', unit: 'm' },
] as const;
const CHECKS = {
  sinksM: between(1e-5, 0.2, 'From 0.01 mm to 20 cm.'),
  bounces: between(1, 100, 'From 1 to 100.'),
  grip: between(0.01, 3, 'From 0.01 to 3.'),
  startM: between(0, 100, 'From 0 to 100 m.'),
  heightM: between(0, 5, 'From 0 to 5 m.'),
  lengthM: between(0, 100, 'From 0 to 100 m.'),
};

interface FieldsProps {
  readonly floor: BalanceFloor;
  readonly onChange: (part: Partial<BalanceFloor>) => void;
}

/** The floor, the tyres and the stick. */
const Fields = ({ floor, onChange }: FieldsProps) => {
  const { kind, stick } = floor;
  const number = ({ key, ...field }: (typeof TYRES)[number] | (typeof THING)[number]) => (
    <PlainNumber
      key={key}
      {...field}
      value={floor[key]}
      check={CHECKS[key]}
      onChange={(value) => onChange({ [key]: value })}
      className="w-44"
    />
  );
  return (
    <div className="flex flex-wrap items-end gap-4">
      <Choice
        label="On its way is"
        className="w-56"
        value={kind}
        options={FLOOR_KINDS.map((value) => ({ value, title: KINDS[value] }))}
        onChange={(value) => onChange({ kind: value })}
      />
      {kind !== 'flat' && (
        <>
          <Choice
            label="Under"
            className="w-48"
            value={floor.sides}
            options={FLOOR_SIDES.map((value) => ({ value, title: SIDES[value] }))}
            onChange={(value) => onChange({ sides: value })}
          />
          {THING.filter(({ key }) => key !== 'lengthM' || kind !== 'kerb').map(number)}
        </>
      )}
      <Choice
        label="The stick"
        className="w-56"
        value={stick}
        options={STICK_DOES.map((value) => ({ value, title: STICKS[value] }))}
        onChange={(value) => onChange({ stick: value })}
      />
      {stick === 'lean' ? (
        <PlainNumber
          label="Lean asked"
          dimension="angle"
          unit="°"
          value={floor.leanDeg * DEGREE}
          check={between(-20 * DEGREE, 20 * DEGREE, 'At most 20°.')}
          onChange={(value) => onChange({ leanDeg: value / DEGREE })}
          className="w-32"
        />
      ) : (
        <PlainNumber
          label={stick === 'speed' ? 'Speed asked' : 'The place moves at'}
          dimension="speed"
          unit="m/s"
          value={floor.speedMps}
          check={between(-5, 5, 'At most 5 m/s.')}
          onChange={(value) => onChange({ speedMps: value })}
          className="w-40"
        />
      )}
      <PlainNumber
        label="Stick out for"
        dimension="time"
        unit="s"
        value={floor.forS}
        check={between(0, 30, 'From 0 to 30 s.')}
        onChange={(value) => onChange({ forS: value })}
        className="w-32"
      />
      {TYRES.map(number)}
    </div>
  );
};

/** The lean, the speed, the place and the current over the drive. */
const CHARTS = [
  { of: 'leanRad', dimension: 'angle', title: 'lean', kind: 'mechanical' },
  { of: 'speedMps', dimension: 'speed', title: 'speed', kind: 'mechanical' },
  { of: 'placeM', dimension: 'length', title: 'place', kind: 'mechanical' },
  { of: 'currentA', dimension: 'current', title: 'current of a motor', kind: 'electrical' },
] as const;

/** A balancer on the floor: soft tyres, something on its way, and a stick. */
export function OnFloor({ asked }: { readonly asked: BalanceAsk }) {
  const { build, set, change } = useTrying('balancing');
  const floor = useMemo(() => set.floor ?? balanceFloorSchema.parse({}), [set.floor]);
  const ask: Ask<Driven | undefined> = useCallback(
    (work) => work.onFloor(build, { ...asked, floor }),
    [build, asked, floor],
  );
  const beside = useBeside(ask);
  const { answer, isOfNow } = beside;
  return (
    <TriedSection
      id="on-floor"
      heading="h2"
      title="And on the floor: soft tyres, a ramp or a kerb, and a stick?"
      what="The drive over the floor"
      beside={beside}
      answer={answer && <Answer of={answer} floor={floor} />}
      lacks="Give it gains that hold first."
    >
      <Fields floor={floor} onChange={(part) => change({ floor: { ...floor, ...part } })} />
      {answer && (
        <div className={`grid gap-3 ${isOfNow ? '' : 'opacity-60'}`}>
          <RunCharts samples={answer.trace} charts={CHARTS} />
          <Besides of={answer} />
        </div>
      )}
    </TriedSection>
  );
}

const stands = ({ falls, tipS }: FloorTold): boolean => !falls && tipS === null;

/** What became of a drive, in a few words. */
function fate({ fallS, tipS, falls, reaches, over }: FloorTold, say: ReturnType<typeof useSay>): string {
  if (tipS !== null) return `tips sideways after ${say(tipS, 'time')}`;
  if (falls) return `falls after ${say(fallS ?? 0, 'time')}`;
  if (reaches === false) return 'stands, but does not get that far';
  return over === false ? 'stands, but does not get over it' : 'stands';
}

interface AnswerProps {
  readonly of: Driven;
  readonly floor: BalanceFloor;
}

/** The answer in words: what becomes of it, how it leaned, turned and ran on, and what it would bear. */
function Answer({ of, floor }: AnswerProps) {
  const say = useSay();
  const { run, stickIdle } = of.report;
  const fine = stands(run) && run.over !== false && run.reaches !== false;
  return (
    <>
      It <b className={fine ? 'font-semibold text-ink' : 'font-semibold text-short'}>{fate(run, say)}</b>: it
      leans {say(run.peakLeanDeg * DEGREE, 'angle')} at most
      {run.peakRollDeg > 0.1 && <>, tips {say(run.peakRollDeg * DEGREE, 'angle')} to a side</>}
      {Math.abs(run.headingDeg) > 0.5 && (
        <>
          , turns aside by {say(Math.abs(run.headingDeg) * DEGREE, 'angle')} to the{' '}
          {run.headingDeg > 0 ? 'right' : 'left'}
        </>
      )}
      {run.liftedS > 1e-3 && <>, lifts a wheel for {say(run.liftedS, 'time')}</>}
      {run.slidS > 1e-2 && <>, slides for {say(run.slidS, 'time')}</>} and gets {say(run.endM, 'length')} far.
      {run.onM !== null && <> Let go, it runs on {say(run.onM, 'length')}.</>}
      {stickIdle && (
        <b className="font-semibold text-short"> The stick does nothing: let it hold its place first.</b>
      )}{' '}
      <Bears of={of} floor={floor} />
    </>
  );
}

/** What it would bear: how soft its tyres, how high what lies on its way; where it falls on a level floor, less of the stick. */
function Bears({ of, floor }: AnswerProps) {
  const say = useSay();
  const { run, beside, softestM, highestM } = of.report;
  const level = beside.find(({ what }) => what === 'level')?.run ?? run;
  if (!stands(level) && softestM === null)
    return 'On a level floor it falls so, too, on tyres however hard: ask less of it by the stick, or take calmer gains.';
  return (
    <>
      {softestM === null
        ? 'It falls so on tyres however hard.'
        : `It stands on tyres pressed in up to ${say(softestM, 'length')}${stands(run) ? '' : ': pump them up, or take harder ones'}.`}
      {floor.kind !== 'flat' &&
        run.reaches !== false &&
        (highestM === null
          ? ' However low it is, it does not get over it like this.'
          : ` It gets over up to ${say(highestM, 'length')}.`)}
    </>
  );
}

const BESIDES: Readonly<Record<FloorBeside, string>> = {
  harder: 'on tyres three times as hard',
  softer: 'on tyres three times as soft',
  level: 'with nothing on its way',
};

/** The same drive otherwise, a row each. */
function Besides({ of }: { readonly of: Driven }) {
  const say = useSay();
  const { run, beside } = of.report;
  const rows = [
    { title: 'as set above', run },
    ...beside.map(({ what, run: other }) => ({ title: BESIDES[what], run: other })),
  ];
  return (
    <HeadedTable
      heads={['The same', 'What becomes of it', 'Leans at most', 'Tips aside', 'Gets', 'A motor draws']}
    >
      {rows.map(({ title, run: one }, n) => (
        <tr key={title} className={`border-t border-line ${n === 0 ? 'font-semibold' : ''}`}>
          <th scope="row" className="px-3 py-1 text-left font-normal">
            {title}
          </th>
          <td className="px-3">{fate(one, say)}</td>
          <td className="px-3">{say(one.peakLeanDeg * DEGREE, 'angle')}</td>
          <td className="px-3">{say(one.peakRollDeg * DEGREE, 'angle')}</td>
          <td className="px-3">{say(one.endM, 'length')}</td>
          <td className="px-3">{say(one.peakA, 'current')}</td>
        </tr>
      ))}
    </HeadedTable>
  );
}
