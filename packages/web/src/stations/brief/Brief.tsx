import type { DutyReport } from '@zubric/core/capability';
import type { Resistance } from '@zubric/core/demand';
import type { Build, Duty } from '@zubric/core/vehicle';
import { Fragment } from 'react';
import { Below } from '../../common/Below.tsx';
import { useSay } from '../../common/units.tsx';
import { useTitle } from '../../common/use-title.ts';
import { useBuild } from '../../session/BuildSession.tsx';
import { later } from '../../session/later.tsx';
import { OpensDuty } from '../../working/OpensOf.tsx';
import { DutyTable } from './DutyTable.tsx';
import { FourQuestions } from './FourQuestions.tsx';
import { lazyPart } from '../../common/lazy-part.ts';

const BriefVehicle = lazyPart(async () => (await import('./BriefVehicle.tsx')).BriefVehicle);

const Duties = later(DutyTable);

const hardest = (build: Build, reports: readonly DutyReport[]): readonly [Duty, DutyReport] | undefined => {
  const report = reports.reduce<DutyReport | undefined>(
    (most, d) => (!most || d.resistance.totalN > most.resistance.totalN ? d : most),
    undefined,
  );
  const duty = build.duties.find((d) => d.id === report?.id);
  return duty && report ? [duty, report] : undefined;
};

/** What may come to rolling and grade, in words, from this many newtons on. */
const BESIDES: readonly (readonly [keyof Resistance, string, number?])[] = [
  ['inertiaN', 'speeding up'],
  ['drawbarN', 'towing'],
  ['pushingN', 'pushing'],
  ['turningN', 'turning'],
  ['compactionN', 'in soft ground'],
  ['obstacleN', 'at the step'],
  ['catchingN', 'catching the lean'],
  ['dragN', 'air', 0.5],
];

/** Station 1: what the vehicle weighs, where it goes and what it must do there. */
export function Brief() {
  const { build, report } = useBuild();
  const say = useSay();
  useTitle('Brief', build.name);
  const most = hardest(build, report.duties);
  return (
    <div className="grid gap-3">
      <div>
        <h1>What must it do, and how heavy is it then?</h1>
        {most ? (
          <p className="mt-0.5 text-[16px] text-soft">
            <b className="font-semibold text-ink">
              <OpensDuty number="mass" dutyId={most[0].id} title="the total mass">
                {say(most[1].footing.massKg, 'mass')}
              </OpensDuty>
            </b>{' '}
            in total; the hardest job, “{most[0].name}”, asks{' '}
            <b className="font-semibold text-mech">{say(most[1].resistance.totalN, 'force')}</b> along the
            ground: {say(most[1].resistance.rollingN, 'force')} rolling,{' '}
            {say(most[1].resistance.gradeN, 'force')} grade
            {BESIDES.filter(([key, , least = 0]) => most[1].resistance[key] > least).map(([key, word]) => (
              <Fragment key={key}>
                , {say(most[1].resistance[key], 'force')} {word}
              </Fragment>
            ))}
            .
          </p>
        ) : (
          <p className="mt-0.5 text-[16px] text-soft">
            Add a job: a job it must do, with its grade, speed and load.
          </p>
        )}
      </div>
      {most && <FourQuestions hardest={most[0]} />}
      <Duties />
      <Below waiting={<p>Opening the vehicle …</p>}>
        <BriefVehicle />
      </Below>
    </div>
  );
}
