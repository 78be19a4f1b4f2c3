import type { DutyReport } from '@zubric/core/capability';
import { threeAgainstFour } from '@zubric/core/demand';
import { drivelineOf } from '@zubric/core/drive';
import { layoutKind, type Duty } from '@zubric/core/vehicle';
import { tipWorking, stopWorking } from '@zubric/core/working';
import { degreesToRadians, showNumber } from '@zubric/core/quantity';
import type { ReactNode } from 'react';
import { useSay, useSentence } from '../../common/units.tsx';
import { useBuild } from '../../session/BuildSession.tsx';
import { Opens } from '../../working/Opens.tsx';
import { OpensMargin } from '../../working/OpensOf.tsx';

interface Props {
  readonly duty: Duty;
  readonly of: DutyReport;
}

/** Tipping, turning, going down, holding and stopping in one duty. */
export function Going({ duty, of }: Props) {
  return (
    <section className="sheet p-3" aria-labelledby="going-title">
      <h2 id="going-title">Tipping, turning, stopping on “{duty.name}”</h2>
      <dl className="mt-1 divide-y divide-line">
        <Tipping duty={duty} of={of} />
        <Turning of={of} />
        <SteeringStand of={of} />
        <Soft of={of} />
        <Step of={of} />
        <Down duty={duty} of={of} />
      </dl>
    </section>
  );
}

const Row = ({ title, children }: { readonly title: string; readonly children: ReactNode }) => (
  <div className="flex flex-wrap justify-between gap-x-4 py-1.5">
    <dt className="text-soft">{title}</dt>
    <dd className="text-right">{children}</dd>
  </div>
);

const Strong = ({ children }: { readonly children: ReactNode }) => (
  <b className="font-semibold">{children}</b>
);

function Tipping({ duty, of }: Props) {
  const { build } = useBuild();
  const say = useSay();
  const { tip } = of;
  if (!tip)
    return (
      <Row title="Tips">
        {layoutKind(build.layout.kind).balances || layoutKind(build.layout.kind).leans
          ? 'kept up by its controller or rider'
          : 'not by slope: it rolls'}
      </Row>
    );
  const opened = (key: 'backDeg' | 'forwardDeg' | 'sideDeg' | 'worstDeg', title: string): ReactNode => {
    const degrees = tip[key];
    if (degrees === undefined) return null;
    return (
      <Row title={title}>
        <Strong>
          <Opens title={title.toLowerCase()} work={() => tipWorking(build, duty, of, key)}>
            {say(degreesToRadians(degrees), 'angle')}
          </Opens>
        </Strong>
      </Row>
    );
  };
  return (
    <>
      {opened('backDeg', 'Tips back, climbing, at')}
      {opened('forwardDeg', 'Tips forward, going down, at')}
      {opened('sideDeg', 'Tips sideways at')}
      <OtherWheels of={of} />
      {opened('worstDeg', 'Tips at the worst heading at')}
      {tip.cornerMps !== undefined && (
        <Row title="Round its bend, at most">
          <Strong>{say(tip.cornerMps, 'speed')}</Strong>, then it {tip.cornerEnds}
        </Row>
      )}
      {layoutKind(build.layout.kind).leans && tip.leanDeg !== undefined && (
        <Row title="Leans in its bend">
          <Strong>{showNumber(tip.leanDeg)}°</Strong>
        </Row>
      )}
    </>
  );
}

/** Three wheels against four, for this load. */
function OtherWheels({ of: { footing, tip } }: { readonly of: DutyReport }) {
  const { build } = useBuild();
  const say = useSay();
  const other = tip?.sideDeg === undefined ? undefined : threeAgainstFour(build, footing);
  if (!other) return null;
  return (
    <Row
      title={
        other.otherWheels === 3
          ? 'On three, one in front, it would tip at'
          : 'With a fourth wheel it would tip at'
      }
    >
      {say(degreesToRadians(other.sideDeg), 'angle')}
    </Row>
  );
}

/** Turning the wheels while it stands, against what turns them. */
function SteeringStand({ of }: { readonly of: DutyReport }) {
  const { report } = useBuild();
  const say = useSay();
  const link = report.links.find((l) => l.link === 'steering' && l.dutyId === of.id);
  if (!link) return null;
  return (
    <Row title="Turning the wheels at a stand">
      <Strong>
        <OpensMargin link={link} side="needs" title="the torque of steering at a stand">
          {say(link.needs, 'torque')}
        </OpensMargin>
      </Strong>{' '}
      of {say(link.has, 'torque')}
      {link.verdict === 'fails' && <b className="font-semibold text-short">: too weak</b>}
    </Row>
  );
}

function Turning({ of: { turn } }: { readonly of: DutyReport }) {
  const say = useSay();
  if (!turn) return null;
  return (
    <>
      {turn.momentNm > 0 && (
        <Row title={turn.steering ? 'The driven axle resists with' : 'The ground resists the turn with'}>
          <Strong>{say(turn.momentNm, 'torque')}</Strong>
        </Row>
      )}
      {(turn.outerN !== 0 || turn.innerN !== 0) && (
        <Row title="Thrust of the outer and the inner side">
          <Strong>{say(turn.outerN, 'force')}</Strong>, {say(turn.innerN, 'force')}
        </Row>
      )}
      {turn.outerMps !== turn.innerMps && (
        <Row title="Speed of the outer and the inner side">
          <Strong>{say(turn.outerMps, 'speed')}</Strong>, {say(turn.innerMps, 'speed')}
        </Row>
      )}
      {turn.steering && (
        <Row title="Side force asked of the steered wheels">
          <Strong>{say(turn.steering.sideForceN, 'force')}</Strong> of {say(turn.steering.gripN, 'force')}
          {turn.steering.pushesOn && <b className="font-semibold text-short">: pushes straight on</b>}
        </Row>
      )}
    </>
  );
}

function Soft({ of: { sink } }: { readonly of: DutyReport }) {
  const say = useSay();
  return (
    sink && (
      <Row title="Sinks in">
        <Strong>{say(sink.sinkageM, 'length')}</Strong>, dragging {say(sink.compactionN, 'force')}
      </Row>
    )
  );
}

function Step({ of: { step } }: { readonly of: DutyReport }) {
  const { build } = useBuild();
  const say = useSay();
  const sentence = useSentence();
  if (!step) return null;
  if ('problem' in step) return <Row title="The step">{sentence(step.problem.sentence)}</Row>;
  const axle = build.layout.axles.find(({ id }) => id === step.axleId);
  return (
    <Row title={`The step, ${axle?.name.toLowerCase() ?? 'worst axle'}`}>
      edge asks <Strong>{showNumber(step.needs)}</Strong>, grip and push {showNumber(step.has)}; alone it
      climbs {say(step.highestStepM, 'length')}
    </Row>
  );
}

function Down({ duty, of }: Props) {
  const { build } = useBuild();
  const say = useSay();
  const { brake } = of;
  if (!brake)
    return (
      <Row title="Going down">
        {layoutKind(build.layout.kind).pullsByRope
          ? 'by its rope: what stops the drum holds it'
          : 'nearly level: it does not run away'}
      </Row>
    );
  const { distanceM } = brake;
  return (
    <>
      <Row title="The slope pulls it down with">
        <Strong>{say(brake.holdNeedsN, 'force')}</Strong>
        {build.brake.kind === 'friction' ? (
          <>; held with {say(brake.holdHasN, 'force')}</>
        ) : (
          <b className="font-semibold text-short">; nothing holds it at rest</b>
        )}
      </Row>
      {brake.share !== undefined && (
        <Row title="Weight on the braked wheels, going down">
          <Strong>{showNumber(brake.share * 100, 2)} %</Strong>
        </Row>
      )}
      {distanceM !== undefined ? (
        <Row title={`Stops from ${say(duty.speed.value, 'speed')}, going down, within`}>
          <Strong>
            <Opens
              title="the stopping distance"
              work={() => stopWorking(build, duty, drivelineOf(build), 'distanceM')}
            >
              {say(distanceM, 'length')}
            </Opens>
          </Strong>
          {brake.timeS !== undefined && <>, in {say(brake.timeS, 'time')}</>}
        </Row>
      ) : (
        brake.decelerationMps2 === 0 && (
          <Row title="Going down">
            <b className="font-semibold text-short">it does not stop</b>
          </Row>
        )
      )}
    </>
  );
}
