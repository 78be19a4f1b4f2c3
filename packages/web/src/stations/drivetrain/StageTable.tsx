import { isOnMotor, trainStages } from '@zubric/core/drive';
import { freeId } from '@zubric/core/vehicle';
import { showNumber } from '@zubric/core/quantity';
import {
  CHAIN_NAMES,
  CHAIN_SIZES,
  STAGE_KINDS,
  freshStage,
  isLoop,
  stageFigures,
  stageKind,
  stageName,
  stageTitle,
  type Stage,
  type StageFigures,
  type StageKind,
} from '@zubric/core/transmission';
import { Trash2 } from 'lucide-react';
import { useState } from 'react';
import { Choice } from '../../fields/Choice.tsx';
import { aboveZero, efficiencyShare } from '../../fields/checks.ts';
import { QuantityField } from '../../fields/QuantityField.tsx';
import { useBuild } from '../../session/BuildSession.tsx';
import { CompareStage } from './CompareStage.tsx';
import { Links } from './Links.tsx';
import { Facts, Strength } from './StageCells.tsx';
import { StageFields } from './StageFields.tsx';

/** Other kinds than the two that have buttons of their own. */
const OTHER_KINDS = STAGE_KINDS.filter((kind) => kind !== 'chain' && kind !== 'gearhead');
/** What a stage of a kind usually makes. */
const USUAL_RATIO: Partial<Record<StageKind, number>> = {
  gearhead: 10,
  worm: 24,
  planetary: 5,
  bevel: 1,
  direct: 1,
};

/** How a loop is kept tight, as it is said. */
const TENSIONED = [
  { value: 'unsaid', title: 'tension: say' },
  { value: 'slots', title: 'by slots' },
  { value: 'idler', title: 'by an idler' },
  { value: 'none', title: 'not tensioned' },
] as const;

/** The stages from motor to wheel, each with its geometry and what it stands. */
export function StageTable() {
  const { build, edit } = useBuild();
  const [kind, setKind] = useState<StageKind>('timing-belt');
  const [compared, setCompared] = useState<string | null>(null);
  const beside = build.drive.stages.find(({ id }) => id === compared);
  const add = (of: StageKind): void =>
    edit((b) => {
      const stage = freshStage(of, freeId('stage', b.drive.stages), USUAL_RATIO[of] ?? 3);
      return { ...b, drive: { ...b.drive, stages: [...b.drive.stages, stage] } };
    });
  const full = build.drive.stages.length >= 8;
  return (
    <>
      <section className="sheet relative overflow-x-auto" aria-labelledby="stages-title">
        <table className="grid-table">
          <caption id="stages-title" className="sr-only">
            Stages from motor to wheel
          </caption>
          <thead>
            <tr>
              <th scope="col">Stage</th>
              <th scope="col" className="w-[42%]">
                Teeth and sizes
              </th>
              <th scope="col" className="n">
                Ratio
              </th>
              <th scope="col">Comes to</th>
              <th scope="col" className="min-w-[112px]">
                Load, of what it stands
              </th>
              <th scope="col">
                <span className="sr-only">Remove</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {trainStages(build).map((stage) => (
              <StageRow
                key={stage.id}
                stage={stage}
                fitted={isOnMotor(stage)}
                onCompare={() => setCompared(stage.id)}
              />
            ))}
            {trainStages(build).length === 0 && (
              <tr>
                <td colSpan={6} className="text-soft">
                  No stage yet: the motor turns the wheel directly.
                </td>
              </tr>
            )}
          </tbody>
        </table>
        <div className="flex flex-wrap gap-3 px-2 py-2">
          <button type="button" className="push" disabled={full} onClick={() => add('chain')}>
            Add a chain
          </button>
          <button type="button" className="push" disabled={full} onClick={() => add('gearhead')}>
            Add a gearhead
          </button>
          <Choice
            label="Another kind of stage"
            hideLabel
            className="w-44"
            value={kind}
            options={OTHER_KINDS.map((value) => ({ value, title: stageTitle(value) }))}
            onChange={setKind}
          />
          <button type="button" className="push" disabled={full} onClick={() => add(kind)}>
            Add this stage
          </button>
        </div>
      </section>
      {beside && <CompareStage key={beside.id} stage={beside} onDone={() => setCompared(null)} />}
    </>
  );
}

/** A stage with some of its fields changed; what is no longer said has no key. */
const withPart = (stage: Stage, part: Partial<Record<string, unknown>>): object =>
  Object.fromEntries(Object.entries({ ...stage, ...part }).filter(([, value]) => value !== undefined));

function useStage(id: string) {
  const { edit } = useBuild();
  return {
    /** The same place in the train by another kind of stage, near its ratio. */
    replace: (kind: StageKind, ratio: number): void =>
      edit((b) => ({
        ...b,
        drive: {
          ...b.drive,
          stages: b.drive.stages.map((s) => (s.id === id ? freshStage(kind, id, ratio) : s)),
        },
      })),
    change: (part: Partial<Record<string, unknown>>): void =>
      edit((b) => ({
        ...b,
        drive: {
          ...b.drive,
          // Each editor hands on only keys of its own kind of stage.
          stages: b.drive.stages.map((s) => (s.id === id ? (withPart(s, part) as Stage) : s)),
        },
      })),
    remove: (): void =>
      edit((b) => ({ ...b, drive: { ...b.drive, stages: b.drive.stages.filter((s) => s.id !== id) } })),
  };
}

interface RowProps {
  readonly stage: Stage;
  readonly fitted: boolean;
  readonly onCompare: () => void;
}

function StageRow({ stage, fitted, onCompare }: RowProps) {
  const { change, remove, replace } = useStage(stage.id);
  const figures = stageFigures(stage);
  return (
    <tr>
      <td>
        {fitted ? (
          <>
            <b className="font-semibold">{stageTitle(stage.kind)}</b>
            <span className="block text-[14px] text-soft">on the motor</span>
          </>
        ) : (
          <Choice
            label={`${stageTitle(stage.kind)}, as another kind`}
            hideLabel
            className="w-[168px] font-semibold"
            value={stage.kind}
            options={STAGE_KINDS.map((value) => ({ value, title: stageTitle(value) }))}
            onChange={(kind) => replace(kind, figures.ratio)}
          />
        )}
        {stage.kind === 'chain' && (
          <Choice
            label="Chain"
            hideLabel
            className="w-[168px] [&_select]:text-[14px]"
            value={stage.chain}
            options={CHAIN_NAMES.map((name) => ({ value: name, title: CHAIN_SIZES[name].title }))}
            onChange={(chain) => change({ chain })}
          />
        )}
        {isLoop(stage) && (
          <Choice
            label={`${stageTitle(stage.kind)}, tensioned by`}
            hideLabel
            className="w-[168px]"
            value={stage.tensioner ?? 'unsaid'}
            options={TENSIONED}
            onChange={(tensioner) => change({ tensioner: tensioner === 'unsaid' ? undefined : tensioner })}
          />
        )}
        {!fitted && (
          <button
            type="button"
            className="push-plain text-[14px]"
            aria-label={`Compare the ${stageName(stage.kind)} with another kind`}
            onClick={onCompare}
          >
            Compare
          </button>
        )}
      </td>
      <td>{!stageKind(stage.kind).sealed && <StageFields stage={stage} onChange={change} />}</td>
      <td className="n font-semibold text-mech">
        {'ratio' in stage && !fitted ? (
          <QuantityField
            label="Ratio of the gearhead"
            hideLabel
            className="w-[84px]"
            dimension="ratio"
            value={stage.ratio}
            check={aboveZero}
            onChange={(ratio) => change({ ratio })}
          />
        ) : (
          showNumber(figures.ratio)
        )}
      </td>
      <td>
        {stage.kind === 'chain' ? (
          <>
            <Links stage={stage} change={change} />
            <Facts stage={stage} figures={figures} />
          </>
        ) : stageKind(stage.kind).sealed ? (
          <span className="text-soft">sealed</span>
        ) : (
          <Facts stage={stage} figures={figures} />
        )}
        <Through stage={stage} figures={figures} fitted={fitted} change={change} />
      </td>
      <td>
        <Strength stage={stage} problem={figures.problem} />
      </td>
      <td>
        {!fitted && (
          <button
            type="button"
            className="p-1.5 hover:text-short"
            aria-label={`Remove the ${stageName(stage.kind)}`}
            onClick={remove}
          >
            <Trash2 size={18} aria-hidden="true" />
          </button>
        )}
      </td>
    </tr>
  );
}

interface ThroughProps {
  readonly stage: Stage;
  readonly figures: StageFigures;
  readonly fitted: boolean;
  readonly change: (part: Partial<Record<string, unknown>>) => void;
}

/** Share of the power that comes through: what is known of it, or what follows from lead and friction. */
function Through({ stage, figures, fitted, change }: ThroughProps) {
  if (fitted || !('efficiency' in stage))
    return <span className="block text-[14px]">{showNumber(figures.efficiency * 100)} % through</span>;
  return (
    <span className="mt-1 flex items-center gap-1.5 text-[14px]">
      <QuantityField
        label={`Efficiency of the ${stageName(stage.kind)}`}
        hideLabel
        className="w-[58px]"
        dimension="share"
        value={stage.efficiency}
        check={efficiencyShare}
        onChange={(efficiency) => change({ efficiency })}
      />
      through
    </span>
  );
}
