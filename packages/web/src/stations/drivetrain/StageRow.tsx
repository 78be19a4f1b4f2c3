import { driveOf, changeDrive } from '@zubric/core/vehicle';
import { showNumber, type UnitSystem } from '@zubric/core/quantity';
import { useUnits } from '../../common/units.tsx';
import {
  CHAIN_NAMES,
  CHAIN_SIZES,
  STAGE_KINDS,
  freshStage,
  isLoop,
  stageFields,
  stageFigures,
  stageKind,
  stageName,
  stageTitle,
  type Stage,
  type StageFigures,
  type StageKind,
} from '@zubric/core/transmission';
import { Trash2 } from 'lucide-react';
import { Choice } from '../../fields/Choice.tsx';
import { QuantityField } from '../../fields/QuantityField.tsx';
import { checkOf } from '../../fields/SchemaField.tsx';
import { useReorderedRow } from '../../fields/Reorder.tsx';
import { useBuild } from '../../session/BuildSession.tsx';
import { Links } from './Links.tsx';
import { Facts, Strength } from './StageCells.tsx';
import { StageFields } from './StageFields.tsx';

/** How a loop is kept tight, as it is said. */
const TENSIONED = [
  { value: 'unsaid', title: 'tension: say' },
  { value: 'slots', title: 'by slots' },
  { value: 'idler', title: 'by an idler' },
  { value: 'none', title: 'not tensioned' },
] as const;

type Change = (part: Partial<Record<string, unknown>>) => void;

/** A stage with some of its fields changed; what is no longer said has no key. */
const withPart = (stage: Stage, part: Partial<Record<string, unknown>>): object =>
  Object.fromEntries(Object.entries({ ...stage, ...part }).filter(([, value]) => value !== undefined));

function useStage(id: string) {
  const { edit } = useBuild();
  return {
    /** The same place in the train by another kind of stage, near its ratio. */
    replace: (kind: StageKind, ratio: number): void =>
      edit((b) =>
        changeDrive(b, {
          stages: driveOf(b).stages.map((s) => (s.id === id ? freshStage(kind, id, ratio) : s)),
        }),
      ),
    change: (part: Parameters<Change>[0]): void =>
      edit((b) =>
        changeDrive(b, {
          // Each editor hands on only keys of its own kind of stage.
          stages: driveOf(b).stages.map((s) => (s.id === id ? (withPart(s, part) as Stage) : s)),
        }),
      ),
    remove: (): void => edit((b) => changeDrive(b, { stages: driveOf(b).stages.filter((s) => s.id !== id) })),
  };
}

/** What a stage's schema takes for one of its numbers. */
function checkOfStage(stage: Stage, key: string, system: UnitSystem) {
  const field = stageFields(stage.kind).find((f) => f.key === key);
  return field && checkOf(field, system);
}

interface FittedProps {
  readonly stage: Stage;
}

/** A gearhead that is one with its motor: shown, and changed with the motor. */
export function FittedRow({ stage }: FittedProps) {
  const figures = stageFigures(stage);
  return (
    <tr>
      <td>
        <b className="font-semibold">{stageTitle(stage.kind)}</b>
        <span className="block text-[14px] text-soft">on the motor</span>
      </td>
      <td />
      <td className="n font-semibold text-mech">{showNumber(figures.ratio)}</td>
      <td>
        <Made stage={stage} figures={figures} />
        <span className="block text-[14px]">{showNumber(figures.efficiency * 100)} % efficient</span>
      </td>
      <td>
        <Strength stage={stage} problem={figures.problem} />
      </td>
      <td />
    </tr>
  );
}

interface RowProps {
  readonly stage: Stage;
  readonly onCompare: () => void;
}

/** A stage of the builder's: what it is, its sizes, what it comes to and what it stands. */
export function StageRow({ stage, onCompare }: RowProps) {
  const { change, remove, replace } = useStage(stage.id);
  const { row, handle } = useReorderedRow(stage.id, `the ${stageName(stage.kind)}`);
  const figures = stageFigures(stage);
  const { system } = useUnits();
  return (
    <tr {...row}>
      <td>
        <Kind stage={stage} onKind={(kind) => replace(kind, figures.ratio)} change={change} />
        <button
          type="button"
          className="push-plain text-[14px]"
          aria-label={`Compare the ${stageName(stage.kind)} with another kind`}
          onClick={onCompare}
        >
          Compare
        </button>
      </td>
      <td>{!stageKind(stage.kind).sealed && <StageFields stage={stage} onChange={change} />}</td>
      <td className="n font-semibold text-mech">
        {'ratio' in stage ? (
          <QuantityField
            label="Ratio of the gearhead"
            hideLabel
            className="w-[84px]"
            dimension="ratio"
            value={stage.ratio}
            check={checkOfStage(stage, 'ratio', system)}
            onChange={(ratio) => change({ ratio })}
          />
        ) : (
          showNumber(figures.ratio)
        )}
      </td>
      <td>
        <Made stage={stage} figures={figures} change={change} />
        <Through stage={stage} figures={figures} change={change} />
      </td>
      <td>
        <Strength stage={stage} problem={figures.problem} />
      </td>
      <td>
        <div className="grid justify-items-center">
          {handle}
          <button
            type="button"
            className="p-1.5 hover:text-short"
            aria-label={`Remove the ${stageName(stage.kind)}`}
            onClick={remove}
          >
            <Trash2 size={18} aria-hidden="true" />
          </button>
        </div>
      </td>
    </tr>
  );
}

interface KindProps {
  readonly stage: Stage;
  readonly onKind: (kind: StageKind) => void;
  readonly change: Change;
}

/** Which kind it is; of a chain which size, of a loop how it is tensioned. */
const Kind = ({ stage, onKind, change }: KindProps) => (
  <>
    <Choice
      label={`${stageTitle(stage.kind)}, as another kind`}
      hideLabel
      className="w-[168px] font-semibold"
      value={stage.kind}
      options={STAGE_KINDS.map((value) => ({ value, title: stageTitle(value) }))}
      onChange={onKind}
    />
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
  </>
);

interface MadeProps {
  readonly stage: Stage;
  readonly figures: StageFigures;
  readonly change?: Change;
}

/** What its geometry comes to. */
const Made = ({ stage, figures, change }: MadeProps) => {
  if (stageKind(stage.kind).sealed) return <span className="text-soft">sealed</span>;
  return (
    <>
      {stage.kind === 'chain' && change && <Links stage={stage} change={change} />}
      <Facts stage={stage} figures={figures} />
    </>
  );
};

interface ThroughProps {
  readonly stage: Stage;
  readonly figures: StageFigures;
  readonly change: Change;
}

/** Share of the power that comes through: what is known of it, or what follows from lead and friction. */
function Through({ stage, figures, change }: ThroughProps) {
  const { system } = useUnits();
  if (!('efficiency' in stage))
    return <span className="block text-[14px]">{showNumber(figures.efficiency * 100)} % efficient</span>;
  return (
    <span className="mt-1 flex items-center gap-1.5 text-[14px]">
      <QuantityField
        label={`Efficiency of the ${stageName(stage.kind)}`}
        hideLabel
        className="w-[58px]"
        dimension="share"
        value={stage.efficiency}
        check={checkOfStage(stage, 'efficiency', system)}
        onChange={(efficiency) => change({ efficiency })}
      />
      through
    </span>
  );
}
