import { driveOf, changeDrive } from '@zubric/core/vehicle';
import { linkDefinition, type LinkReport, type StageAs } from '@zubric/core/judge';
import { radiansToDegrees, showNumber } from '@zubric/core/quantity';
import {
  STAGE_KINDS,
  schoolOf,
  stageName,
  stageTitle,
  type Stage,
  type StageKind,
} from '@zubric/core/transmission';
import { useCallback, useState, type ReactNode } from 'react';
import { useSay, useSentence } from '../../common/units.tsx';
import { Choice } from '../../fields/Choice.tsx';
import { NotWorkedOut } from '../../common/NotWorkedOut.tsx';
import type { AsOtherKind } from '../../workers/bench-work.ts';
import { useBeside, type Ask } from '../../workers/use-beside.ts';
import { useBuild } from '../../session/BuildSession.tsx';

interface Props {
  readonly stage: Stage;
  readonly onDone: () => void;
}

/** A kind to set beside another: loops against loops, gears against gears. */
const RIVAL: Partial<Record<StageKind, StageKind>> = {
  chain: 'timing-belt',
  'timing-belt': 'chain',
  'friction-belt': 'chain',
  spur: 'timing-belt',
  worm: 'planetary',
  planetary: 'worm',
  gearhead: 'planetary',
  'friction-wheel': 'chain',
};

/** A stage and the same place in the train by another kind, side by side, each worked out in the whole build. */
export function CompareStage({ stage, onDone }: Props) {
  const { build, edit } = useBuild();
  const [kind, setKind] = useState<StageKind>(RIVAL[stage.kind] ?? 'chain');
  const ask: Ask<AsOtherKind | undefined> = useCallback(
    (work) => work.asOtherKind(build, stage.id, kind),
    [build, stage.id, kind],
  );
  const { answer, isOfNow, problem } = useBeside(ask);
  if (problem !== undefined) return <NotWorkedOut what="The other kind" why={problem} />;
  if (!answer)
    return isOfNow ? null : (
      <p className="sheet px-3 py-2 text-soft" aria-busy="true">
        Setting the {stageName(stage.kind)} beside another kind…
      </p>
    );
  const { now, other } = answer;
  const take = (): void => {
    edit((b) =>
      changeDrive(b, { stages: driveOf(b).stages.map((s) => (s.id === stage.id ? other.stage : s)) }),
    );
    onDone();
  };
  return (
    <section className="sheet px-3 py-2" aria-labelledby="compare-title" aria-busy={!isOfNow}>
      <div className="flex items-center justify-between gap-3">
        <h2 id="compare-title">The {stageName(now.kind)} beside another kind</h2>
        <button type="button" className="push-plain text-[14px]" onClick={onDone}>
          Leave it as it is
        </button>
      </div>
      <table className="grid-table mt-1">
        <thead>
          <tr>
            <th scope="col">
              <span className="sr-only">What</span>
            </th>
            <th scope="col" className="w-[36%]">
              {now.title}, as it is
            </th>
            <th scope="col" className="w-[40%]">
              <Choice
                label="The other kind"
                hideLabel
                className="w-[168px]"
                value={kind}
                options={STAGE_KINDS.filter((k) => k !== stage.kind).map((value) => ({
                  value,
                  title: stageTitle(value),
                }))}
                onChange={setKind}
              />
            </th>
          </tr>
        </thead>
        <tbody>
          {ROWS.map(({ title, Cell }) => (
            <tr key={title}>
              <th scope="row" className="text-left font-normal text-soft">
                {title}
              </th>
              <td>
                <Cell as={now} />
              </td>
              <td>
                <Cell as={other} />
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <div className="mt-2 flex justify-end">
        <button type="button" className="push" disabled={!isOfNow} onClick={take}>
          Take the {stageName(other.kind)}
        </button>
      </div>
    </section>
  );
}

interface CellProps {
  readonly as: StageAs;
}

function Warns({ as: { figures } }: { readonly as: StageAs }) {
  const sentence = useSentence();
  const notices = [...(figures.problem ? [figures.problem] : []), ...figures.warnings];
  return notices.map((notice) => sentence(notice.sentence)).join(' ') || 'nothing';
}

function Margin({ link }: { readonly link: LinkReport | undefined }) {
  const say = useSay();
  if (!link) return <span className="text-soft">not known</span>;
  const { dimension } = linkDefinition(link.link);
  return (
    <span className={link.verdict === 'fails' ? 'text-short' : ''}>
      {say(link.needs, dimension)} of {say(link.has, dimension)},{' '}
      <b className="font-semibold">
        {showNumber(link.ratio)} × {link.verdict}
      </b>
    </span>
  );
}

const ROWS: readonly { readonly title: string; readonly Cell: (props: CellProps) => ReactNode }[] = [
  {
    title: 'Ratio, and of the train',
    Cell: ({ as }) => `${showNumber(as.figures.ratio)} : 1, ${showNumber(as.trainRatio)} : 1 in all`,
  },
  {
    title: 'Efficiency, and driven from its end',
    Cell: ({ as }) =>
      `${showNumber(as.figures.efficiency * 100)} %, ${
        as.figures.backEfficiency === 0
          ? 'locks the other way'
          : `${showNumber((as.figures.backEfficiency ?? as.figures.efficiency) * 100)} % back`
      }`,
  },
  { title: 'Its load on the hardest job', Cell: ({ as }) => <Margin link={as.onDuty} /> },
  {
    title: 'Held at full command',
    Cell: ({ as }) =>
      as.onDuty?.link === 'slip' ? 'slips, and spares the rest' : <Margin link={as.atStall} />,
  },
  { title: 'Wheel torque', Cell: ({ as }) => <Margin link={as.torque} /> },
  { title: 'Energy for the outing', Cell: ({ as }) => <Margin link={as.energy} /> },
  {
    title: 'Play at the wheel',
    Cell: ({ as }) => (as.playRad === undefined ? 'none' : `${showNumber(radiansToDegrees(as.playRad))}°`),
  },
  {
    title: 'Warns',
    Cell: Warns,
  },
  { title: 'Its school says', Cell: ({ as }) => schoolOf(as.kind).good },
  { title: 'The other says', Cell: ({ as }) => schoolOf(as.kind).bad },
];
