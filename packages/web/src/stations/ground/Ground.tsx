import type { DutyReport } from '@zubric/core/capability';
import { askedOfGrip, gripLimit } from '@zubric/core/demand';
import { cautionsOf } from '@zubric/core/say';
import { closeness, firstToGive, linkDefinition, type LinkReport } from '@zubric/core/judge';
import { taskOf, type Duty } from '@zubric/core/vehicle';
import { radiansToDegrees, showNumber } from '@zubric/core/quantity';
import { useDeferredValue, useMemo, useState } from 'react';
import { useSay } from '../../common/units.tsx';
import { useTitle } from '../../common/use-title.ts';
import { Caution, Findings } from '../../findings/Findings.tsx';
import { useBuild } from '../../session/BuildSession.tsx';
import { OpensDuty } from '../../working/OpensOf.tsx';
import { ForceTable } from './ForceTable.tsx';
import { Going } from './Going.tsx';
import { MassAlong } from './MassAlong.tsx';
import { PayloadSweep } from './PayloadSweep.tsx';
import { Stand } from './Stand.tsx';
import { TurnScrub } from './TurnScrub.tsx';

const ofGround = ({ link }: LinkReport): boolean => linkDefinition(link).block === 'ground';

/** The duty that asks the most of the ground for what there is; else the first. */
function useHardest(): string | undefined {
  const { build, report } = useBuild();
  const ranked = report.links
    .filter((link) => link.dutyId !== null && ofGround(link))
    .sort((a, b) => closeness(a) - closeness(b));
  return ranked[0]?.dutyId ?? build.duties[0]?.id;
}

/** Station 2: what the ground asks, what each wheel carries, and what gives out first. */
export function Ground() {
  const { build, report } = useBuild();
  useTitle('Ground', build.name);
  const hardest = useHardest();
  // It stays with the duty it began with: what is moved may make another the hardest.
  const [chosen, setChosen] = useState(hardest);
  const duty = build.duties.find(({ id }) => id === chosen) ?? build.duties[0];
  const of = report.duties.find(({ id }) => id === duty?.id);
  if (!duty || !of)
    return (
      <div>
        <h1>What gives out first, grip or torque?</h1>
        <p className="mt-0.5 text-[16px] text-soft">State a job in the Brief first.</p>
      </div>
    );
  return (
    <div className="grid gap-3">
      <div>
        <h1>What gives out first on “{duty.name}”?</h1>
        <Answer duty={duty} of={of} />
      </div>
      <div className="grid grid-cols-1 items-start gap-3 xl:grid-cols-[minmax(0,1fr)_320px]">
        <Stand key={duty.id} duty={duty} of={of} onChoose={setChosen} />
        <Findings blocks={['ground']} empty="Grip, tipping, turning and stopping are ample on every job." />
      </div>
      <ForceTable chosen={duty.id} onChoose={setChosen} />
      <div className="grid grid-cols-1 items-start gap-3 lg:grid-cols-2">
        <Going duty={duty} of={of} />
        <div className="grid gap-3">
          <TurnScrub duty={duty} of={of} />
          <MassAlong duty={duty} />
        </div>
      </div>
      <PayloadSweep />
      {cautionsOf(build).map((text) => (
        <Caution key={text}>{text}</Caution>
      ))}
    </div>
  );
}

const STRONG = 'font-semibold text-ink';

/** How steep this load and ground allow, worked out a moment after the last keystroke. */
function useGripLimit(duty: Duty) {
  const { build } = useBuild();
  const settled = useDeferredValue(build);
  return useMemo(() => {
    const now = settled.duties.find(({ id }) => id === duty.id);
    return now && gripLimit(settled, now);
  }, [settled, duty.id]);
}

function Answer({ duty, of }: { readonly duty: Duty; readonly of: DutyReport }) {
  const { report } = useBuild();
  const say = useSay();
  const gives = firstToGive(report, duty.id);
  const limit = useGripLimit(duty);
  const worst = report.links
    .filter((link) => link.dutyId === duty.id && ofGround(link))
    .sort((a, b) => closeness(a) - closeness(b))[0];
  const force = (
    <b className="font-semibold text-mech">
      <OpensDuty number="force" dutyId={duty.id} title={`the force of “${duty.name}”`}>
        {say(Math.abs(of.resistance.totalN), 'force')}
      </OpensDuty>
    </b>
  );
  return (
    <p className="mt-0.5 text-[16px] text-soft">
      {worst?.verdict === 'fails' && worst.link !== 'grip' && (
        <>
          <b className="font-semibold text-short">{linkDefinition(worst.link).title}</b>: it has{' '}
          {showNumber(worst.ratio)} × what this asks.{' '}
        </>
      )}
      {of.resistance.totalN < 0 ? (
        <>It pushes itself along with {force}: the brake is asked, not the drive.</>
      ) : gives ? (
        <>
          {worst?.verdict === 'fails' && worst.link !== 'grip' ? 'Of grip and torque, ' : ''}
          <b className={STRONG}>{gives.first === 'grip' ? 'Grip' : 'Torque'}</b>, at{' '}
          {showNumber((gives.first === 'grip' ? gives.grip : gives.torque) ?? 0)} × the{' '}
          {of.resistance.obstacleN > 0 && gives.first === 'grip' ? (
            `${say(askedOfGrip(of.resistance), 'force')} it asks beside the step`
          ) : (
            <>{force} it asks</>
          )}
          {gives.first === 'torque' && gives.grip !== undefined && (
            <>
              ; grip would hold{' '}
              <OpensDuty number="grip" dutyId={duty.id} title={`the grip on “${duty.name}”`}>
                {`${showNumber(gives.grip)} ×`}
              </OpensDuty>
            </>
          )}
          {gives.first === 'grip' && gives.torque !== undefined && (
            <>; torque would do {showNumber(gives.torque)} ×</>
          )}
          {gives.torque === undefined && '; torque is not known until a motor is chosen'}.
        </>
      ) : taskOf(duty).drives ? (
        <>Neither: it asks {force} along the ground.</>
      ) : (
        <>Here it is the brake that counts, not the drive.</>
      )}{' '}
      {limit && taskOf(duty).drives && limit.limitedBy !== 'nothing' && (
        <>
          By weight and grip alone it climbs{' '}
          <b className={STRONG}>{showNumber(radiansToDegrees(limit.limitRad))}°</b>, then{' '}
          {limit.limitedBy === 'grip' ? 'a wheel slips' : 'it rears'}.
        </>
      )}
    </p>
  );
}
