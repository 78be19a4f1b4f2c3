import { isOnMotor, trainStages } from '@zubric/core/drive';
import { freeId, driveOf, changeDrive } from '@zubric/core/vehicle';
import { STAGE_KINDS, freshStage, stageTitle, type StageKind } from '@zubric/core/transmission';
import { useState } from 'react';
import { Choice } from '../../fields/Choice.tsx';
import { Reorder, moved } from '../../fields/Reorder.tsx';
import { useBuild } from '../../session/BuildSession.tsx';
import { CompareStage } from './CompareStage.tsx';
import { FittedRow, StageRow } from './StageRow.tsx';

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

const MOST_STAGES = 8;

/** The stages from motor to wheel, each with its geometry and what it stands. */
export function StageTable() {
  const { build, edit } = useBuild();
  const [compared, setCompared] = useState<string | null>(null);
  const { stages } = driveOf(build);
  const beside = stages.find(({ id }) => id === compared);
  const fitted = trainStages(build).filter(isOnMotor);
  return (
    <>
      <section className="sheet relative overflow-x-auto" aria-labelledby="stages-title">
        <Reorder
          rows={stages.map(({ id, kind }) => ({ id, name: stageTitle(kind) }))}
          onMove={(id, to) => edit((b) => changeDrive(b, { stages: moved(driveOf(b).stages, id, to) }))}
        >
          <table className="grid-table">
            <caption id="stages-title" className="sr-only">
              Stages from motor to wheel
            </caption>
            <Heads />
            <tbody>
              {fitted.map((stage) => (
                <FittedRow key={stage.id} stage={stage} />
              ))}
              {stages.map((stage) => (
                <StageRow key={stage.id} stage={stage} onCompare={() => setCompared(stage.id)} />
              ))}
              {fitted.length + stages.length === 0 && (
                <tr>
                  <td colSpan={6} className="text-soft">
                    No stage yet: the motor turns the wheel directly.
                  </td>
                </tr>
              )}
            </tbody>
          </table>
        </Reorder>
        <AddStage />
      </section>
      {beside && <CompareStage key={beside.id} stage={beside} onDone={() => setCompared(null)} />}
    </>
  );
}

const Heads = () => (
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
        <span className="sr-only">Move or remove</span>
      </th>
    </tr>
  </thead>
);

/** One more stage, behind the others. */
function AddStage() {
  const { build, edit } = useBuild();
  const [kind, setKind] = useState<StageKind>('timing-belt');
  const full = driveOf(build).stages.length >= MOST_STAGES;
  const add = (of: StageKind): void =>
    edit((b) => {
      const stage = freshStage(of, freeId('stage', driveOf(b).stages), USUAL_RATIO[of] ?? 3);
      return changeDrive(b, { stages: [...driveOf(b).stages, stage] });
    });
  return (
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
  );
}
