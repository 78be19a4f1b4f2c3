import { freeId } from '@zubric/core/build';
import { chainWorking, isOnMotor, linkDefinition, trainStages, type LinkReport } from '@zubric/core/evaluate';
import { showNumber, typed } from '@zubric/core/quantity';
import {
  CHAIN_NAMES,
  CHAIN_SIZES,
  chainGeometry,
  stageFigures,
  stageTitle,
  type Stage,
  type StageOf,
} from '@zubric/core/transmission';
import { Trash2 } from 'lucide-react';
import { useSay } from '../../app/units.tsx';
import { Choice } from '../../fields/Choice.tsx';
import { aboveZero, efficiencyShare } from '../../fields/checks.ts';
import { QuantityField } from '../../fields/QuantityField.tsx';
import { Stepper } from '../../fields/Stepper.tsx';
import { useBuild } from '../../session/BuildSession.tsx';
import { Opens } from '../../working/Opens.tsx';
import { OpensMargin } from '../../working/OpensOf.tsx';

const LEAST_TEETH = 6;
const MOST_TEETH = 150;

const newChain = (id: string): Stage => ({
  id,
  kind: 'chain',
  chain: 'ansi-35',
  teethDriver: 12,
  teethDriven: 36,
  centre: typed(0.2, 'mm', 'assumed'),
  efficiency: typed(0.96, '%', 'assumed'),
});

const newGearhead = (id: string): Stage => ({
  id,
  kind: 'gearhead',
  ratio: typed(10, ': 1', 'assumed'),
  efficiency: typed(0.85, '%', 'assumed'),
});

/** The stages from motor to wheel, each with its geometry and what it stands. */
export function StageTable() {
  const { build, edit } = useBuild();
  const add = (make: (id: string) => Stage): void =>
    edit((b) => ({
      ...b,
      drive: { ...b.drive, stages: [...b.drive.stages, make(freeId('stage', b.drive.stages))] },
    }));
  const full = build.drive.stages.length >= 8;
  return (
    <section className="sheet relative max-lg:overflow-x-auto" aria-labelledby="stages-title">
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
      <p className="flex gap-3 px-2 py-2">
        <button type="button" className="push" disabled={full} onClick={() => add(newChain)}>
          Add a chain
        </button>
        <button type="button" className="push" disabled={full} onClick={() => add(newGearhead)}>
          Add a gearhead
        </button>
      </p>
    </section>
  );
}

function useStage(id: string) {
  const { edit } = useBuild();
  return {
    change: (part: Partial<StageOf<'chain'>> | Partial<StageOf<'gearhead'>>): void =>
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

function StageRow({ stage, fitted }: { readonly stage: Stage; readonly fitted: boolean }) {
  const { change, remove } = useStage(stage.id);
  const figures = stageFigures(stage);
  return (
    <tr>
      <td>
        <b className="font-semibold">{stageTitle(stage.kind)}</b>
        {fitted && <span className="block text-[14px] text-soft">on the motor</span>}
        {stage.kind === 'chain' && (
          <Choice
            label="Chain"
            hideLabel
            className="w-[150px]"
            value={stage.chain}
            options={CHAIN_NAMES.map((name) => ({ value: name, title: CHAIN_SIZES[name].title }))}
            onChange={(chain) => change({ chain })}
          />
        )}
      </td>
      <Teeth stage={stage} change={change} />
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
        ) : (
          <span className="text-soft">sealed</span>
        )}
      </td>
      <td>
        {fitted ? (
          `${showNumber(stage.efficiency.value * 100)} %`
        ) : (
          <QuantityField
            label={`Efficiency of the ${stageTitle(stage.kind).toLowerCase()}`}
            hideLabel
            className="w-[70px]"
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

interface EditorProps<S extends Stage> {
  readonly stage: S;
  readonly change: (part: Partial<StageOf<'chain'>>) => void;
}

function Teeth({ stage, change }: EditorProps<Stage>) {
  if (stage.kind !== 'chain') return <td colSpan={2} />;
  return (
    <>
      <td>
        <Stepper
          label="Teeth of the driver sprocket"
          value={stage.teethDriver}
          least={LEAST_TEETH}
          most={MOST_TEETH}
          onChange={(teethDriver) => change({ teethDriver })}
        />
      </td>
      <td>
        <Stepper
          label="Teeth of the driven sprocket"
          value={stage.teethDriven}
          least={LEAST_TEETH}
          most={MOST_TEETH}
          onChange={(teethDriven) => change({ teethDriven })}
        />
      </td>
    </>
  );
}

/** Half a tenth of a millimetre: nearer than a builder sets a motor plate. */
const FITS_MM = 0.05;

function Centre({ stage, change }: EditorProps<StageOf<'chain'>>) {
  const say = useSay();
  const geometry = stageFigures(stage).problem === undefined ? chainGeometry(stage) : undefined;
  const off = geometry && Math.abs(geometry.centreForLinksMm - stage.centre.value * 1000) > FITS_MM;
  return (
    <div className="flex items-center gap-2">
      <QuantityField
        label="Distance between the shafts"
        hideLabel
        className="w-[92px]"
        dimension="length"
        value={stage.centre}
        check={aboveZero}
        onChange={(centre) => change({ centre })}
      />
      {geometry && (
        <span className="text-[14px] leading-tight">
          <Opens work={() => chainWorking(stage)} title="the length of the chain">
            {`${geometry.links} links`}
          </Opens>
          {off && (
            <button
              type="button"
              className="block text-mech underline"
              onClick={() =>
                change({
                  centre: { ...stage.centre, value: geometry.centreForLinksMm / 1000, origin: 'typed' },
                })
              }
            >
              fit {say(geometry.centreForLinksMm / 1000, 'length', 4)}
            </button>
          )}
        </span>
      )}
    </div>
  );
}

const worstOf = (links: readonly LinkReport[], stageId: string): LinkReport | undefined =>
  links.filter((l) => l.stageId === stageId).sort((a, b) => a.ratio / a.rule - b.ratio / b.rule)[0];

function Strength({ stage, problem }: { readonly stage: Stage; readonly problem: string | undefined }) {
  const { build, report } = useBuild();
  const say = useSay();
  if (problem !== undefined) return <span className="text-short">{problem}</span>;
  const link = worstOf(report.links, stage.id);
  if (!link) return <span className="text-soft">no load known</span>;
  const { dimension } = linkDefinition(link.link);
  const at = trainStages(build).findIndex(({ id }) => id === stage.id);
  return (
    <span className={link.verdict === 'short' ? 'text-short' : ''}>
      <OpensMargin link={link} side="needs" title={`the load on stage ${at + 1}`}>
        {say(link.needs, dimension)}
      </OpensMargin>{' '}
      of{' '}
      <OpensMargin link={link} side="has" title={`what stage ${at + 1} stands`}>
        {say(link.has, dimension)}
      </OpensMargin>
      ,{' '}
      <b className="font-semibold">
        {showNumber(link.ratio)} ×{link.verdict === 'ample' ? '' : ` ${link.verdict}`}
      </b>
    </span>
  );
}
