import type { SphereReport, SphereTold } from '@zubric/core/simulate';
import { SPHERE_STOPS, type SphereStop } from '@zubric/core/vehicle';
import { useCallback, useState } from 'react';
import { useSay } from '../../common/units.tsx';
import { Choice } from '../../fields/Choice.tsx';
import { Caution } from '../../findings/Findings.tsx';
import type { Rolled } from '../../workers/bench-work.ts';
import { useBeside, type Ask } from '../../workers/use-beside.ts';
import { JobChoice } from './JobChoice.tsx';
import { between, PlainNumber } from './PlainNumber.tsx';
import { RunFigures } from './RunFigures.tsx';
import { HeadedTable } from './HeadedTable.tsx';
import { RunCharts } from './RunCharts.tsx';
import { TriedSection } from './TriedSection.tsx';
import { useTrying } from './use-trying.ts';

const DEGREE = Math.PI / 180;
const WAY = between(-1000, 1000, 'At most 1 km, back negative.');
const RAMP = between(0, 60, 'From 0 to 60 s.');
const STOPS: Readonly<Record<SphereStop, string>> = {
  shorted: 'shorted: they brake',
  'let-go': 'let go: they turn along',
};

/** A sphere sent over a way: the command that takes it there, how its inner mass swings and nods, and where its face looks. */
export function Rolling() {
  const { build, set, change } = useTrying('rolling');
  const [dutyId, setDutyId] = useState(build.duties[0]?.id ?? '');
  const ask: Ask<Rolled | undefined> = useCallback(
    (work) => work.sphere(build, { ...set, dutyId }),
    [build, set, dutyId],
  );
  const beside = useBeside(ask);
  const { answer, isOfNow } = beside;
  const report = answer?.report;
  const rampS = set.rampS ?? Number((report?.run?.rampS ?? report?.plant.nodS ?? 0).toPrecision(3));
  return (
    <TriedSection
      id="rolling"
      title="How does it roll, stop and nod?"
      what="The roll"
      beside={beside}
      answer={report && <Answer report={report} asked={set.distanceM} />}
      lacks="State a job in the Brief and choose a motor with magnets in Power first: by its law the mass inside is pushed up."
    >
      <div className="flex flex-wrap items-end gap-4">
        <JobChoice label="Ground, grade, load and speed of" value={dutyId} onChange={setDutyId} />
        <PlainNumber
          label="Sent over"
          dimension="length"
          unit="m"
          value={set.distanceM}
          check={WAY}
          onChange={(distanceM) => change({ distanceM })}
        />
        <PlainNumber
          label="Command climbs, falls in"
          dimension="time"
          unit="s"
          value={rampS}
          check={RAMP}
          onChange={(seconds) => change({ rampS: seconds })}
          onClear={() => change({ rampS: undefined })}
          className="w-44"
        />
        <Choice
          label="At the end its motors are"
          className="w-56"
          value={set.stop}
          options={SPHERE_STOPS.map((value) => ({ value, title: STOPS[value] }))}
          onChange={(stop) => change({ stop })}
        />
      </div>
      {answer && report && (
        <div className={`grid gap-3 ${isOfNow ? '' : 'opacity-60'}`}>
          {report.run && <Figures run={report.run} />}
          {report.facing && <Facing facing={report.facing} onTake={(distanceM) => change({ distanceM })} />}
          {answer.trace.length > 0 && <RunCharts samples={answer.trace} charts={CHARTS} />}
          {report.run && (
            <Ramps report={report} now={rampS} onTake={(seconds) => change({ rampS: seconds })} />
          )}
        </div>
      )}
      <Caution>
        A sphere has no brake and rolls on down any fall: try it inside a rim or between boards, with nobody
        in its way. Let battery and motors cool before the shell is closed again.
      </Caution>
    </TriedSection>
  );
}

/** Speed, swing and current over the run. */
const CHARTS = [
  { of: 'speedMps', dimension: 'speed', title: 'speed', kind: 'mechanical' },
  {
    of: 'swingRad',
    dimension: 'angle',
    title: 'swing of the mass inside, ahead positive',
    kind: 'mechanical',
  },
  { of: 'currentA', dimension: 'current', title: 'current of a motor', kind: 'electrical' },
] as const;

interface AnswerProps {
  readonly report: SphereReport;
  readonly asked: number;
}

/** The answer in words. */
function Answer({ report: { plant, run }, asked }: AnswerProps) {
  const say = useSay();
  const strong = 'font-semibold text-ink';
  const short = 'font-semibold text-short';
  if (plant.steadySwingDeg === null)
    return (
      <>
        It does <b className={short}>not go</b>: on this ground the mass inside would be pushed over the top.
        It stands on {say(plant.steepestDeg * DEGREE, 'angle')} at most; more mass inside, or lower, gives
        more.
      </>
    );
  if (run === null)
    return (
      <>
        It does <b className={short}>not get there</b>: the mass inside goes over the top on the way, or it
        rolls back. Start it more gently, over a longer time.
      </>
    );
  return (
    <>
      Sent over {say(Math.abs(asked), 'length')}
      {asked < 0 ? ' back' : ''}, its command stands for <b className={strong}>{say(run.holdS, 'time')}</b>
      {plant.share !== null && plant.share > 1 ? (
        <>
          {' '}
          at full voltage, which is <b className={short}>
            too little for the {say(plant.speedMps, 'speed')}
          </b>{' '}
          of its job
        </>
      ) : (
        ''
      )}
      ; the mass inside swings out by up to{' '}
      <b className={strong}>{say(run.peakSwingDeg * DEGREE, 'angle')}</b> and, once the command has ended,{' '}
      {say(run.nodDeg * DEGREE, 'angle')} from side to side.{' '}
      {run.stillS === null ? (
        <>
          It <b className={short}>still nods 20 s later</b>; friction in its gears stops it sooner.
        </>
      ) : (
        <>
          It is at rest after <b className={strong}>{say(run.stillS, 'time')}</b>.
        </>
      )}
    </>
  );
}

function Figures({ run }: { readonly run: SphereTold }) {
  const say = useSay();
  return (
    <RunFigures
      figures={[
        { title: 'Greatest speed', text: say(run.peakMps, 'speed'), tone: 'mech' },
        { title: 'Ends at', text: say(run.endM, 'length'), tone: 'mech' },
        {
          title: 'Swings out by',
          text: say(run.peakSwingDeg * DEGREE, 'angle'),
          tone: run.peakSwingDeg > 90 ? 'short' : 'mech',
        },
        { title: 'Nods, side to side', text: say(run.nodDeg * DEGREE, 'angle'), tone: 'mech' },
        { title: 'A motor draws up to', text: say(run.peakA, 'current'), tone: 'elec' },
      ]}
    />
  );
}

interface FacingProps {
  readonly facing: NonNullable<SphereReport['facing']>;
  readonly onTake: (distanceM: number) => void;
}

/** So near it faces up as well as it can be told, degrees. */
const FACES_UP_DEG = 1;

/** Where the face looks, and the way that ends face up. */
function Facing({ facing, onTake }: FacingProps) {
  const say = useSay();
  const { turns, pastFaceDeg, faceUpM, offPerPercentDeg } = facing;
  const past = pastFaceDeg > 180 ? pastFaceDeg - 360 : pastFaceDeg;
  const up = Math.abs(past) <= FACES_UP_DEG;
  const whole = Math.round(turns);
  return (
    <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
      <p className="text-soft">
        A face on the shell that looked up at the start{' '}
        {up ? (
          <b className="font-semibold text-ample">looks up again</b>
        ) : (
          <b className="font-semibold text-ink">
            ends {say(Math.abs(past) * DEGREE, 'angle')} {past > 0 ? 'past' : 'short of'} up
          </b>
        )}
        . Each per cent that the shell is off its diameter, or slips, turns it by{' '}
        {say(offPerPercentDeg * DEGREE, 'angle')}.
      </p>
      {!up && whole !== 0 && (
        <button type="button" className="push" onClick={() => onTake(faceUpM)}>
          Send it {say(faceUpM, 'length')}: {Math.abs(whole)} {Math.abs(whole) === 1 ? 'turn' : 'turns'}, face
          up
        </button>
      )}
    </div>
  );
}

interface RampsProps {
  readonly report: SphereReport;
  readonly now: number;
  readonly onTake: (rampS: number) => void;
}

/** Ramps as near as this are one. */
const SAME_SHARE = 0.01;

const RAMPS = ['At once', 'Over half a nod', 'Over a whole nod'] as const;

/** The same way by three starts, beside each other. */
function Ramps({ report: { plant, ramps }, now, onTake }: RampsProps) {
  const say = useSay();
  const at = [0, plant.nodS / 2, plant.nodS];
  return (
    <section aria-labelledby="ramps" className="grid gap-1">
      <h2 id="ramps">Started quicker or more gently</h2>
      <p className="text-soft">
        With its motors let go the mass inside nods to and fro in {say(plant.nodS, 'time')}
        {plant.shortedNodS === null
          ? '; shorted, they stop it without a swing.'
          : `; shorted, in ${say(plant.shortedNodS, 'time')}.`}{' '}
        A command that climbs over a whole nod leaves least of it.
      </p>
      <HeadedTable
        heads={[
          'Command climbs',
          'Over',
          'Swings out by',
          'Nods after',
          'At rest after',
          'A motor draws',
          '',
        ]}
      >
        {RAMPS.map((title, n) => {
          const run = ramps[n];
          const ramp = at[n] ?? 0;
          return (
            <tr key={title} className="border-t border-line">
              <th scope="row" className="px-3 py-1 font-normal">
                {title}
              </th>
              <td className="px-3">{say(run?.rampS ?? ramp, 'time')}</td>
              {run ? (
                <>
                  <td className="px-3">{say(run.peakSwingDeg * DEGREE, 'angle')}</td>
                  <td className="px-3">{say(run.nodDeg * DEGREE, 'angle')}</td>
                  <td className="px-3">{run.stillS === null ? 'nods on' : say(run.stillS, 'time')}</td>
                  <td className="px-3 text-elec">{say(run.peakA, 'current')}</td>
                </>
              ) : (
                <td className="px-3 text-short" colSpan={4}>
                  does not get there
                </td>
              )}
              <td className="px-3 py-1 text-right">
                {run &&
                  (Math.abs(run.rampS - now) < SAME_SHARE * run.rampS ? (
                    'in use'
                  ) : (
                    <button type="button" className="push" onClick={() => onTake(run.rampS)}>
                      Take it
                    </button>
                  ))}
              </td>
            </tr>
          );
        })}
      </HeadedTable>
    </section>
  );
}
