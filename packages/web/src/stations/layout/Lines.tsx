import { linesOf, type Line } from '@zubric/core/layout';
import { stageName, stageTitle } from '@zubric/core/transmission';
import { showNumber } from '@zubric/core/quantity';
import {
  arrangementOf,
  changePlaced,
  placeStage,
  stagesToPlace,
  type PlacedPart,
} from '@zubric/core/vehicle';
import { Sideways } from '../../common/Sideways.tsx';
import { useSay } from '../../common/units.tsx';
import { SchemaField } from '../../fields/SchemaField.tsx';
import { useBuild } from '../../session/BuildSession.tsx';
import { slopeInWords } from './slope.ts';

/** Sprockets, pulleys and gears that run together: their plane, their distance, and what their run-out does. */
export function Lines() {
  const { build, edit } = useBuild();
  const lines = linesOf(build);
  const waiting = stagesToPlace(build);
  return (
    <section className="sheet grid grid-cols-[minmax(0,1fr)] gap-2 p-3" aria-labelledby="lines">
      <h2 id="lines">Sprockets, pulleys and gears: in line, and as far apart as they must be?</h2>
      {lines.length === 0 && (
        <p className="text-[14px] text-soft">
          {waiting.length > 0
            ? 'Place both wheels of a stage: their line and distance are looked at from then on, and their belt or chain takes its room.'
            : 'A stage with two wheels of known size, from the Drivetrain, could be placed here.'}
        </p>
      )}
      {lines.length > 0 && (
        <Sideways label="Lines">
          <table className="grid-table stacked md:min-w-[56rem]">
            <caption className="sr-only">Wheels that run together</caption>
            <thead>
              <tr>
                {[
                  'Stage',
                  'Out of one plane',
                  'Shafts askew',
                  'Shafts apart',
                  'Run-out, driver',
                  'Run-out, driven',
                  'What that does',
                ].map((head) => (
                  <th key={head} scope="col">
                    {head}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {lines.map((line) => (
                <LineRow key={line.drivenId} line={line} />
              ))}
            </tbody>
          </table>
        </Sideways>
      )}
      {waiting.length > 0 && (
        <p className="flex flex-wrap gap-2">
          {waiting.map(({ driveId, driveName, stage, number }) => (
            <button
              key={`${driveId} ${stage.id}`}
              type="button"
              className="push push-small"
              onClick={() => edit((b) => placeStage(b, driveId, stage.id))}
            >
              Place both wheels of the {stageName(stage.kind)}, stage {number} of {driveName}
            </button>
          ))}
        </p>
      )}
    </section>
  );
}

function LineRow({ line }: { readonly line: Line }) {
  const { build } = useBuild();
  const say = useSay();
  const drive = build.drives.find(({ id }) => id === line.driveId);
  const stage = drive?.stages.find(({ id }) => id === line.stageId);
  const wheel = (id: string) => arrangementOf(build).parts.find((part) => part.id === id);
  const isOut = Math.abs(line.outM) > line.mayBeOutM;
  const isAskew = line.askewRad > line.mayBeAskewRad;
  const isOff = line.asksM !== undefined && Math.abs(line.apartM - line.asksM) > line.mayBeOffM;
  return (
    <tr>
      <th scope="row">
        {stage ? stageTitle(stage.kind) : line.stageId}: {wheel(line.driverId)?.name},{' '}
        {wheel(line.drivenId)?.name}
      </th>
      <td data-title="Out of one plane" className={isOut ? 'text-short' : ''}>
        {say(Math.abs(line.outM), 'length')} ({say(line.mayBeOutM, 'length')} may be)
      </td>
      <td data-title="Shafts askew" className={isAskew ? 'text-short' : ''}>
        {slopeInWords(line.askewRad)} ({slopeInWords(line.mayBeAskewRad)} may be)
      </td>
      <td data-title="Shafts apart" className={isOff ? 'text-short' : ''}>
        {say(line.apartM, 'length')}
        {line.asksM === undefined ? '' : `, the Drivetrain has ${say(line.asksM, 'length')}`}
      </td>
      <RunOut part={wheel(line.driverId)} title="Run-out, driver" />
      <RunOut part={wheel(line.drivenId)} title="Run-out, driven" />
      <td data-title="What that does">
        <Swing line={line} />
      </td>
    </tr>
  );
}

function RunOut({ part, title }: { readonly part: PlacedPart | undefined; readonly title: string }) {
  const { edit } = useBuild();
  const runs = part?.runs;
  if (!part || !runs) return <td />;
  return (
    <td data-title={title}>
      <SchemaField
        part="runs"
        field="runOut"
        label={`${title}, ${part.name}`}
        hideLabel
        value={runs.runOut}
        onChange={(runOut) => edit((b) => changePlaced(b, part.id, { runs: { ...runs, runOut } }))}
        onClear={() => edit((b) => changePlaced(b, part.id, { runs: { ...runs, runOut: undefined } }))}
      />
    </td>
  );
}

function Swing({ line: { swing } }: { readonly line: Line }) {
  const say = useSay();
  if (!swing) return <span className="text-soft">hold a pencil to its rim: how far does it swing?</span>;
  const { lengthM, tensionN, leastSagM } = swing;
  return (
    <>
      its way swings by {say(lengthM, 'length')}
      {tensionN === undefined ? '' : `, its tension by ${showNumber(tensionN, 2)} N`}
      {leastSagM === undefined
        ? ''
        : leastSagM === 0
          ? ': taut once a turn'
          : `; it sags ${say(leastSagM, 'length')} at the least`}
    </>
  );
}
