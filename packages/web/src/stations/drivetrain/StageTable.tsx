import { freeId } from '@zubric/core/build';
import { isOnMotor, trainStages } from '@zubric/core/evaluate';
import { showNumber } from '@zubric/core/quantity';
import {
  CHAIN_NAMES,
  CHAIN_SIZES,
  STAGE_KINDS,
  freshStage,
  stageFigures,
  stageTitle,
  type Stage,
  type StageKind,
} from '@zubric/core/transmission';
import { Trash2 } from 'lucide-react';
import { useState } from 'react';
import { Choice } from '../../fields/Choice.tsx';
import { aboveZero, efficiencyShare } from '../../fields/checks.ts';
import { QuantityField } from '../../fields/QuantityField.tsx';
import { useBuild } from '../../session/BuildSession.tsx';
import { Centre, Teeth } from './ChainCells.tsx';
import { Facts, Strength } from './StageCells.tsx';
import { StageFields, type GenericStage } from './StageFields.tsx';

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

/** The stages from motor to wheel, each with its geometry and what it stands. */
export function StageTable() {
  const { build, edit } = useBuild();
  const [kind, setKind] = useState<StageKind>('timing-belt');
  const add = (of: StageKind): void =>
    edit((b) => {
      const stage = freshStage(of, freeId('stage', b.drive.stages), USUAL_RATIO[of] ?? 3);
      return { ...b, drive: { ...b.drive, stages: [...b.drive.stages, stage] } };
    });
  const full = build.drive.stages.length >= 8;
  return (
    <section className="sheet relative overflow-x-auto" aria-labelledby="stages-title">
      <table className="grid-table">
        <caption id="stages-title" className="sr-only">
          Stages from motor to wheel
        </caption>
        <thead>
          <tr>
            <th scope="col">Stage</th>
            <th scope="col">Driver</th>
            <th scope="col">Driven</th>
            <th scope="col" className="n">
              Ratio
            </th>
            <th scope="col">Centres, loop</th>
            <th scope="col">Comes through</th>
            <th scope="col">Load and what it stands</th>
            <th scope="col">
              <span className="sr-only">Remove</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {trainStages(build).map((stage) => (
            <StageRow key={stage.id} stage={stage} fitted={isOnMotor(stage)} />
          ))}
          {trainStages(build).length === 0 && (
            <tr>
              <td colSpan={8} className="text-soft">
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
  );
}

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
          stages: b.drive.stages.map((s) => (s.id === id ? ({ ...s, ...part } as Stage) : s)),
        },
      })),
    remove: (): void =>
      edit((b) => ({ ...b, drive: { ...b.drive, stages: b.drive.stages.filter((s) => s.id !== id) } })),
  };
}

const isGeneric = (stage: Stage): stage is GenericStage =>
  stage.kind !== 'gearhead' && stage.kind !== 'chain';

function StageRow({ stage, fitted }: { readonly stage: Stage; readonly fitted: boolean }) {
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
            className="w-[128px] font-semibold"
            value={stage.kind}
            options={STAGE_KINDS.map((value) => ({ value, title: stageTitle(value) }))}
            onChange={(kind) => replace(kind, figures.ratio)}
          />
        )}
        {stage.kind === 'chain' && (
          <Choice
            label="Chain"
            hideLabel
            className="w-[128px]"
            value={stage.chain}
            options={CHAIN_NAMES.map((name) => ({ value: name, title: CHAIN_SIZES[name].title }))}
            onChange={(chain) => change({ chain })}
          />
        )}
      </td>
      {isGeneric(stage) ? (
        <td colSpan={2}>
          <StageFields stage={stage} onChange={change} />
        </td>
      ) : (
        <Teeth stage={stage} change={change} />
      )}
      <td className="n font-semibold text-mech">
        {stage.kind === 'gearhead' && !fitted ? (
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
          <Centre stage={stage} change={change} />
        ) : stage.kind === 'gearhead' ? (
          <span className="text-soft">sealed</span>
        ) : (
          <Facts figures={figures} />
        )}
      </td>
      <td>
        {fitted || stage.kind === 'worm' ? (
          `${showNumber(figures.efficiency * 100)} %`
        ) : (
          <QuantityField
            label={`Efficiency of the ${stageTitle(stage.kind).toLowerCase()}`}
            hideLabel
            className="w-[62px]"
            dimension="share"
            value={stage.efficiency}
            check={efficiencyShare}
            onChange={(efficiency) => change({ efficiency })}
          />
        )}
      </td>
      <td>
        <Strength stage={stage} problem={figures.problem} />
      </td>
      <td>
        {!fitted && (
          <button
            type="button"
            className="p-1.5 hover:text-short"
            aria-label={`Remove the ${stageTitle(stage.kind).toLowerCase()}`}
            onClick={remove}
          >
            <Trash2 size={18} aria-hidden="true" />
          </button>
        )}
      </td>
    </tr>
  );
}
