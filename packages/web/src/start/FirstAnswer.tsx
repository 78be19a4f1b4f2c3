import { roughAnswer } from '@zubric/core/demand';
import {
  BLOCKS,
  evaluate,
  linkDefinition,
  closeness,
  type LinkReport,
  type Report,
} from '@zubric/core/judge';
import { cautionsOf } from '@zubric/core/say';
import { layoutKind, type Build } from '@zubric/core/vehicle';
import { showNumber } from '@zubric/core/quantity';
import { useMemo } from 'react';
import { useSay } from '../common/units.tsx';
import { Tape } from '../strip/Tape.tsx';

/** What the vehicle comes to as far as it is said, before any part is chosen. */
export function FirstAnswer({ build }: { readonly build: Build }) {
  const report = useMemo(() => evaluate(build), [build]);
  const say = useSay();
  const rough = roughAnswer(build);
  const heaviest = report.duties.reduce((most, d) => Math.max(most, d.footing.massKg), 0);
  const byRope = layoutKind(build.layout.kind).pullsByRope;
  return (
    <>
      {rough && (
        <dl className="grid grid-cols-[auto_1fr] items-baseline gap-x-3 gap-y-1">
          <Row name="Total mass" value={say(heaviest, 'mass')} />
          <Row
            name={byRope ? 'Pull on the rope' : 'Push at the ground'}
            value={say(rough.forceN, 'force')}
            besides={`hardest: ${rough.pullsHardest.name.toLowerCase()}`}
          />
          <Row
            name={
              byRope
                ? 'At each drum'
                : rough.drivelines === 1
                  ? 'At the driven wheels'
                  : 'At each driven wheel'
            }
            value={say(rough.wheelTorqueNm, 'torque', 2)}
            besides={`at ${showNumber(rough.wheelRpm)} rpm`}
          />
          <Row
            name={rough.drivelines === 1 ? 'A motor of' : `${rough.drivelines} motors of`}
            value={say(rough.motorW, 'power', 2)}
            besides={rough.drivelines === 1 ? 'or more, geared down' : 'or more each, geared down'}
          />
          <Row
            name="A battery of"
            value={say(rough.batteryWh * 3600, 'energy', 2)}
            besides="for one outing of all jobs"
            electrical
          />
        </dl>
      )}
      <Stands report={report} />
      <p className="mt-2 text-[14px] text-soft">
        What you did not state is scaled from its size, and marked as assumed. Usual losses are guessed until
        parts are chosen.
      </p>
      {cautionsOf(build).map((text) => (
        <p key={text} className="mt-2 border border-line bg-field px-2 py-1 text-[14px]">
          {text}
        </p>
      ))}
    </>
  );
}

interface RowProps {
  readonly name: string;
  readonly value: string;
  readonly besides?: string;
  readonly electrical?: boolean;
}

const Row = ({ name, value, besides, electrical = false }: RowProps) => (
  <>
    <dt className="text-soft">{name}</dt>
    <dd>
      <b className={`font-narrow text-[22px] font-semibold ${electrical ? 'text-elec' : 'text-mech'}`}>
        {value}
      </b>
      {besides && <span className="block text-[14px] text-soft">{besides}</span>}
    </dd>
  </>
);

/** Whether it grips and stands: the one that is nearest to failing of what the ground alone decides. */
function Stands({ report }: { readonly report: Report }) {
  const [ground] = BLOCKS;
  const worst = report.governing
    .filter(({ link }) => linkDefinition(link).block === ground)
    .reduce<LinkReport | undefined>(
      (near, l) => (near && closeness(near) <= closeness(l) ? near : l),
      undefined,
    );
  if (!worst) return null;
  const { title } = linkDefinition(worst.link);
  const duty = report.duties.find(({ id }) => id === worst.dutyId)?.name;
  return (
    <div className="mt-3">
      <p>
        {title}: <b className="font-semibold">{worst.verdict}</b>
        {duty && <span className="text-soft">, {duty.toLowerCase()}</span>}
      </p>
      <Tape ratio={worst.ratio} rule={worst.rule} verdict={worst.verdict} kind="mechanical" />
      <p className="text-[14px] text-soft">
        has {showNumber(worst.ratio)} times what it needs; {showNumber(worst.rule)} times is asked for
      </p>
    </div>
  );
}
