import { rigOf, type DrivenRig, type DriveStudy } from '@zubric/core/driving';
import type { Build } from '@zubric/core/vehicle';
import { useMemo } from 'react';
import { endsInWords } from '@zubric/core/say';
import { useSay, useUnits } from '../../common/units.tsx';
import type { DrivenOnce } from '../../workers/bench-work.ts';

type Study = DriveStudy | undefined;

/** What came of the run, or of all. */
export function Answer({ once, study }: { readonly once: DrivenOnce | undefined; readonly study: Study }) {
  const say = useSay();
  const { system } = useUnits();
  if (!once) return <p className="mt-0.5 text-[16px] text-soft">It is being driven …</p>;
  const { told, run } = once;
  const strong = 'font-semibold text-ink';
  return (
    <p className="mt-0.5 max-w-prose text-[16px] text-soft">
      {study ? (
        <>
          <b className={strong}>{endsInWords(study.cloud, system)}</b>
          {study.cloud.arrive < study.cloud.runs && (
            <b className="font-semibold text-short">
              {' '}
              ({study.cloud.runs - study.cloud.arrive} do not arrive)
            </b>
          )}
          .
        </>
      ) : run.tipped ? (
        <b className="font-semibold text-short">It tips over.</b>
      ) : !told.arrives ? (
        <>
          It <b className="font-semibold text-short">does not come to its end</b>: it stops{' '}
          {say(told.endErrorM, 'length')} from it.
        </>
      ) : (
        <>
          This run ends <b className={strong}>{say(told.endErrorM, 'length')}</b> from where it was to,
          pointing <b className={strong}>{say((Math.abs(told.headingDeg) * Math.PI) / 180, 'angle')}</b> to
          the {told.headingDeg < 0 ? 'left' : 'right'} of it
        </>
      )}
      {!study && told.arrives && (
        <>
          , after {say(told.timeS, 'time')} and{' '}
          <b className="font-semibold text-elec">{say(told.energyJ, 'energy')}</b>; a motor draws up to{' '}
          <b className="font-semibold text-elec">{say(told.peakA, 'current')}</b>.
        </>
      )}
    </p>
  );
}

const ASSUMED: Readonly<Record<DrivenRig['assumed'][number], string>> = {
  'wheels-mass': 'its wheels weigh what is usual of their size',
  'no-rotors': 'its rotors weigh nothing, for want of a figure',
  'straight-law': 'a motor of its kind pulls along a straight line from its stall to its fastest',
};

/** What was taken for want of a figure. */
export function Assumed({ build }: { readonly build: Build }) {
  const assumed = useMemo(() => rigOf(build, 1)?.assumed ?? [], [build]);
  if (assumed.length === 0) return null;
  return (
    <p className="text-[14px] text-soft">Taken here: {assumed.map((one) => ASSUMED[one]).join('; ')}.</p>
  );
}

/** What the run took of motors and battery, and where its wheels slipped. */
export function RunFigures({ once: { run } }: { readonly once: DrivenOnce }) {
  const say = useSay();
  const slipS = run.slipped.reduce((sum, { seconds }) => Math.max(sum, seconds), 0);
  const figures = [
    ['Most from the battery', say(run.batteryPeakA, 'current'), 'text-elec'],
    ['Its voltage at least', say(run.leastV, 'voltage'), 'text-elec'],
    ['Heat in a motor', say(Math.max(0, ...run.heatJ), 'energy'), 'text-elec'],
    ['A wheel slips for', slipS > 0 ? say(slipS, 'time') : 'never', 'text-mech'],
  ] as const;
  return (
    <dl
      className="sheet grid grid-cols-2 divide-x divide-line sm:grid-cols-4"
      aria-label="What this run took"
    >
      {figures.map(([title, said, color]) => (
        <div key={title} className="px-4 py-2">
          <dt className="text-[14px] text-soft">{title}</dt>
          <dd className={`font-narrow text-[22px] leading-tight font-semibold ${color}`}>{said}</dd>
        </div>
      ))}
    </dl>
  );
}
