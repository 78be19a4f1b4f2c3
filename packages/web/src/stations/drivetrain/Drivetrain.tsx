import { driveOf } from '@zubric/core/vehicle';

import type { DutyReport } from '@zubric/core/capability';
import type { Block, Report } from '@zubric/core/judge';
import { showNumber } from '@zubric/core/quantity';
import { useState } from 'react';
import { PlainSwitch } from '../../common/PlainSwitch.tsx';
import { useSay } from '../../common/units.tsx';
import { useTitle } from '../../common/use-title.ts';
import { DriveBar } from '../../drives/DriveBar.tsx';
import { TurnedAnswer } from '../../drives/TurnedAnswer.tsx';
import { Caution, Findings } from '../../findings/Findings.tsx';
import { useBuild } from '../../session/BuildSession.tsx';
import { later } from '../../session/later.tsx';
import { OpensRatio, OpensWindow } from '../../working/OpensOf.tsx';
import { MountPanel } from './MountPanel.tsx';
import { Offers } from './Offers.tsx';
import { PathTable } from './PathTable.tsx';
import { TrainView } from './TrainView.tsx';
import { StageTable } from './StageTable.tsx';
import { WindowChart } from './WindowChart.tsx';

const BLOCKS: readonly Block[] = ['wheel', 'ratio'];
const Stages = later(StageTable);
const Path = later(PathTable);
const Found = later(Findings);

/** The duty that asks the most of the ratio: the one whose best margin is least. */
const governingDuty = (report: Report): DutyReport | undefined =>
  report.duties
    .filter((d) => d.ratioWindow)
    .sort((a, b) => (a.ratioWindow?.best.margin ?? 0) - (b.ratioWindow?.best.margin ?? 0))[0];

const PARTS = [
  { value: 'stages', title: 'Stages' },
  { value: 'path', title: 'Shafts and hubs' },
  { value: 'mount', title: 'Mount, play, by hand' },
] as const;
type PartName = (typeof PARTS)[number]['value'];

/** Station 3: the way from motor to wheel. */
export function Drivetrain() {
  const { build, report } = useBuild();
  const say = useSay();
  useTitle('Drivetrain', build.name);
  const duty = governingDuty(report);
  const [sought, setSought] = useState<number | null>(null);
  const [part, setPart] = useState<PartName>('stages');
  return (
    <div className="grid gap-3">
      <div>
        <h1>
          {driveOf(build).does !== 'propels'
            ? `Which ratio suits “${driveOf(build).name}”?`
            : duty
              ? `Which ratio pulls ${say(duty.footing.massKg, 'mass')} on “${duty.name}” and still does ${say(duty.speedMps, 'speed')}?`
              : 'Which ratio suits every job?'}
        </h1>
        <Answer report={report} duty={duty} />
      </div>
      <DriveBar />
      {duty && <WindowChart sought={sought} onSeek={setSought} />}
      {sought !== null && <Offers ratio={sought} onDone={() => setSought(null)} />}
      <TrainView />
      <div className="grid grid-cols-1 items-start gap-4 lg:grid-cols-[minmax(0,1fr)_312px]">
        <div className="grid content-start gap-3">
          <PlainSwitch label="Shown of the drive" options={PARTS} value={part} onChoose={setPart} />
          {part === 'stages' && <Stages />}
          {part === 'path' && <Path />}
          {part === 'mount' && <MountPanel />}
        </div>
        <div className="grid content-start gap-3">
          <Found blocks={BLOCKS} empty="Torque, speed and ratio are ample on every job." />
        </div>
      </div>
      {driveOf(build).stages.length > 0 && (
        <Caution>
          Chains, belts and gears take fingers: guard them, and work on them with the battery unplugged.
        </Caution>
      )}
    </div>
  );
}

function Answer({ report, duty }: { readonly report: Report; readonly duty: DutyReport | undefined }) {
  const { build } = useBuild();
  const window = report.ratioWindow;
  const { does, name } = driveOf(build);
  const turned = report.drives.find(({ driveId }) => driveId === driveOf(build).id)?.turned;
  if (does !== 'propels')
    return (
      <p className="mt-0.5 text-[16px] text-soft">
        {turned ? (
          <TurnedAnswer name={name} turned={turned} />
        ) : (
          'Choose its motor in Power first; stages can be laid out here meanwhile.'
        )}
      </p>
    );
  if (!duty)
    return (
      <p className="mt-0.5 text-[16px] text-soft">
        {driveOf(build).motorId === null
          ? 'Choose a motor in Power first; stages can be laid out here meanwhile.'
          : 'No job asks any pull.'}
      </p>
    );
  const best = duty.ratioWindow?.best;
  const rule = build.marginPolicy.torque;
  const fitted = (
    <b className="font-semibold text-mech">
      <OpensRatio title="the ratio fitted">{`${showNumber(report.train.ratio)} : 1`}</OpensRatio>
    </b>
  );
  return (
    <p className="mt-0.5 text-[16px] text-soft">
      {window ? (
        <>
          <b className="font-semibold text-ink">
            <OpensWindow end="low" title="the lowest ratio that does every job">
              {showNumber(window.low)}
            </OpensWindow>
          </b>{' '}
          to{' '}
          <b className="font-semibold text-ink">
            <OpensWindow end="high" title="the highest ratio that does every job">
              {`${showNumber(window.high)} : 1`}
            </OpensWindow>
          </b>{' '}
          just does every job; fitted is {fitted}.
        </>
      ) : (
        <>No one ratio does every job; fitted is {fitted}.</>
      )}{' '}
      {best &&
        best.margin < rule &&
        `No ratio gives “${duty.name}” the ${showNumber(rule)} × that the rule asks: at best ${showNumber(best.margin)} ×, at ${showNumber(best.ratio)} : 1.`}
    </p>
  );
}
