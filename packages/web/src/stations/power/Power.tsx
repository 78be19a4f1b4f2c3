import { cautionForBattery } from '@zubric/core/assembly';
import { closeness, type LinkId, type Report } from '@zubric/core/judge';
import {
  bankOf,
  batteryOf,
  CHOSEN_KINDS,
  driverOf,
  fittedOf,
  layoutKind,
  motorOf,
  type Build,
  driveOf,
} from '@zubric/core/vehicle';
import { showNumber } from '@zubric/core/quantity';
import { Link, useSearchParams } from 'react-router';
import { useSay } from '../../common/units.tsx';
import { useTitle } from '../../common/use-title.ts';
import { DriveBar } from '../../drives/DriveBar.tsx';
import { TurnedAnswer } from '../../drives/TurnedAnswer.tsx';
import { Caution, Findings } from '../../findings/Findings.tsx';
import { useBuild } from '../../session/BuildSession.tsx';
import { OpensDuty, OpensOuting } from '../../working/OpensOf.tsx';
import { FittedParts } from './FittedParts.tsx';
import { PartPicker } from './PartPicker.tsx';
import { SupplyForm } from './supply/SupplyForm.tsx';
import { CircuitView } from './circuit/CircuitView.tsx';
import { DayView } from './day/DayView.tsx';
import { PullChart } from './pull/PullChart.tsx';
import { TurnedChart } from './pull/TurnedChart.tsx';

/** What is chosen here: one of each kind, and any number of the others. */
const KINDS = [...CHOSEN_KINDS, 'supply', 'other'] as const;
type Kind = (typeof KINDS)[number];

/** What is looked at of the power that there is. */
const VIEWS = [
  ['pull', 'Pull and currents'],
  ['day', 'A day out'],
  ['circuit', 'Circuit'],
] as const;
type View = (typeof VIEWS)[number][0];

/** Station 4: motor, driver and battery, and the pull they give. */
export function Power() {
  const { build, report, id } = useBuild();
  const [search, setSearch] = useSearchParams();
  const kind = KINDS.find((k) => k === search.get('kind')) ?? 'motor';
  const view = VIEWS.find(([v]) => v === search.get('view'))?.[0] ?? 'pull';
  const set = (next: { readonly kind?: Kind; readonly view?: View }): void =>
    setSearch({ kind, view, ...next }, { replace: true });
  useTitle('Power', build.name);
  return (
    <div className="grid gap-3">
      <div>
        <h1>Do motor, driver and battery pull every job, all day?</h1>
        <p className="mt-0.5 text-[16px] text-soft">
          <Answer />
        </p>
      </div>
      <DriveBar />
      <div className="grid grid-cols-1 gap-4 lg:grid-cols-[minmax(0,9fr)_minmax(0,11fr)]">
        <div className="grid content-start gap-3">
          <Views view={view} onChoose={(next) => set({ view: next })} />
          {view === 'pull' && (driveOf(build).does === 'propels' ? <PullChart /> : <TurnedChart />)}
          {view === 'day' && <DayView />}
          {view === 'circuit' && <CircuitView />}
          <Findings
            blocks={['wheel', 'motor', 'driver', 'battery']}
            // Where grip gives out before the motors do, no stronger motor helps.
            {...(gripDecides(report) ? { also: ['grip'] as const } : {})}
            empty="Torque, heat, currents and energy are ample."
          />
          <Caution>{`${cautionForBattery(batteryOf(build))} Fuse it close to the battery; first power with the wheels off the ground.`}</Caution>
        </div>
        <section aria-labelledby="shelf-title" className="grid content-start gap-2">
          <h2 id="shelf-title" className="sr-only">
            From the parts shelf
          </h2>
          <Link className="push justify-self-start" to={`/builds/${id}/search`}>
            Find the best set of all three
          </Link>
          <div className="grid grid-cols-5 max-sm:grid-cols-2" role="group" aria-label="Kind of part">
            {KINDS.map((k) => (
              <KindButton key={k} kind={k} chosen={k === kind} onChoose={() => set({ kind: k })} />
            ))}
          </div>
          {kind === 'other' && <FittedParts />}
          {kind === 'supply' && <SupplyForm />}
          {kind !== 'other' && kind !== 'supply' && <PartPicker kind={kind} shown={search.get('part')} />}
        </section>
      </div>
    </div>
  );
}

/** Which of them is looked at. */
const Views = ({ view, onChoose }: { readonly view: View; readonly onChoose: (view: View) => void }) => (
  <div className="flex flex-wrap gap-2" role="group" aria-label="What is looked at">
    {VIEWS.map(([value, title]) => (
      <button
        key={value}
        type="button"
        className={`push push-small ${value === view ? 'bg-ink text-sheet' : ''}`}
        aria-pressed={value === view}
        onClick={() => onChoose(value)}
      >
        {title}
      </button>
    ))}
  </div>
);

/** What the duty whose torque governs gets and draws, and how long the battery lasts. */
function Answer() {
  const { build, report } = useBuild();
  const { id, name, does } = driveOf(build);
  const turned = report.drives.find(({ driveId }) => driveId === id)?.turned;
  if (turned) return <TurnedAnswer name={name} turned={turned} />;
  return does === 'propels' ? (
    <PullAnswer />
  ) : (
    `Choose a motor for “${name}”: what it gives, and what it draws, follow at once.`
  );
}

function PullAnswer() {
  const { build, report } = useBuild();
  const say = useSay();
  const torque = report.governing.find((l) => l.link === 'torque');
  const duty = report.duties.find((d) => d.id === torque?.dutyId);
  const { outing } = report;
  return (
    <>
      {torque && duty?.point ? (
        <>
          “{duty.name}” gets <b className="font-semibold text-ink">{showNumber(torque.ratio)} ×</b> its torque
          of{' '}
          <b className="font-semibold text-mech">
            <OpensDuty number="wheel-torque" dutyId={duty.id} title={`the wheel torque of “${duty.name}”`}>
              {say(duty.point.wheelTorqueNm, 'torque')}
            </OpensDuty>
          </b>{' '}
          a {layoutKind(build.layout.kind).pullsByRope ? 'drum' : 'wheel'} (the rule asks{' '}
          {showNumber(torque.rule)} ×) and draws{' '}
          <b className="font-semibold text-elec">
            <OpensDuty number="motor-current" dutyId={duty.id} title={`the current of “${duty.name}”`}>
              {say(duty.point.currentA, 'current')}
            </OpensDuty>
          </b>{' '}
          a motor,{' '}
          <b className="font-semibold text-elec">
            <OpensDuty
              number="battery-current"
              dutyId={duty.id}
              title={`the battery current of “${duty.name}”`}
            >
              {say(duty.point.batteryA, 'current')}
            </OpensDuty>
          </b>{' '}
          from the battery, which sags to{' '}
          <b className="font-semibold text-elec">
            <OpensDuty
              number="battery-voltage"
              dutyId={duty.id}
              title={`the battery voltage of “${duty.name}”`}
            >
              {say(duty.point.batteryV, 'voltage')}
            </OpensDuty>
          </b>
          .
          {outing?.runTimeS !== undefined && (
            <>
              {' '}
              At this mix of jobs it lasts{' '}
              <b className="font-semibold text-ink">
                <OpensOuting number="run-time" title="the run time">
                  {say(outing.runTimeS, 'time')}
                </OpensOuting>
              </b>
              ; an outing takes {say(outing.durationS, 'time')}.
            </>
          )}
        </>
      ) : (
        'Choose a motor: its pull, current and heat on every job follow at once.'
      )}
    </>
  );
}

/** Whether grip stands nearer to failing than torque does. */
function gripDecides({ governing }: Report): boolean {
  const of = (link: LinkId): number => {
    const found = governing.find((l) => l.link === link);
    return found ? closeness(found) : Infinity;
  };
  return of('grip') < of('torque');
}

const CHOSEN: Readonly<Record<Kind, (build: Build) => string | undefined>> = {
  motor: (build) => motorOf(build)?.name,
  driver: (build) => driverOf(build)?.name,
  battery: (build) => bankOf(build)?.name,
  supply: ({ supply: { fuse } }) => (fuse ? `fuse ${fuse.value} ${fuse.unit}` : 'no fuse said'),
  other: (build) => {
    const { length } = fittedOf(build);
    return length === 0 ? 'none fitted' : `${length} fitted`;
  },
};
const TITLES: Readonly<Record<Kind, string>> = {
  motor: 'Motor',
  driver: 'Driver',
  battery: 'Battery',
  supply: 'Wires, fuse',
  other: 'Other parts',
};

interface KindButtonProps {
  readonly kind: Kind;
  readonly chosen: boolean;
  readonly onChoose: () => void;
}

function KindButton({ kind, chosen, onChoose }: KindButtonProps) {
  const { build } = useBuild();
  return (
    <button
      type="button"
      aria-pressed={chosen}
      onClick={onChoose}
      className={`min-w-0 border border-line px-3 py-1.5 text-left ${chosen ? 'bg-ink text-sheet' : 'bg-sheet hover:bg-mech-lo'}`}
    >
      <span className="block text-[16px] font-semibold">{TITLES[kind]}</span>
      <span className={`block break-words text-[14px] ${chosen ? 'text-line' : 'text-soft'}`}>
        {CHOSEN[kind](build) ?? 'none chosen'}
      </span>
    </button>
  );
}
