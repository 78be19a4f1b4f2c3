import { centreOfGravity, inertiaOf, placeFree, restingOn, type LayoutReport } from '@zubric/core/layout';
import { arrange, arrangementOf, placedKg, toPlace } from '@zubric/core/vehicle';
import { showNumber, typed } from '@zubric/core/quantity';
import { Suspense, useCallback, useEffect, useId, useMemo, useRef, useState } from 'react';
import { flushSync } from 'react-dom';
import { lazyPart } from '../../common/lazy-part.ts';
import { NotWorkedOut } from '../../common/NotWorkedOut.tsx';
import { useSay } from '../../common/units.tsx';
import { useTitle } from '../../common/use-title.ts';
import { FieldsOf } from '../../fields/FieldsOf.tsx';
import { QuantityEntry } from '../../fields/QuantityField.tsx';
import { SchemaField } from '../../fields/SchemaField.tsx';
import { useBuild } from '../../session/BuildSession.tsx';
import { deferred } from '../../session/later.tsx';
import { useBeside, type Ask } from '../../workers/use-beside.ts';
import { BodyForm } from './BodyForm.tsx';
import { ChosenPart } from './ChosenPart.tsx';
import { Frame } from './Frame.tsx';
import { LayoutFindings } from './LayoutFindings.tsx';
import { Lines } from './Lines.tsx';
import { PlacedTable } from './PlacedTable.tsx';
import { Prints } from './Prints.tsx';
import { Service } from './Service.tsx';
import { Shafts } from './Shafts.tsx';
import { ViewDrawing } from './ViewDrawing.tsx';
import { ZoneTable } from './ZoneTable.tsx';
import { movedBy, type Held } from './moved-by.ts';
import { extentOf, scaleFor } from '../../drawings/views.ts';

const Templates = lazyPart(async () => (await import('./Templates.tsx')).Templates);

// What is dragged is drawn first; numbers and lists follow.
const Placed = deferred(PlacedTable);
const Zones = deferred(ZoneTable);
const OnShafts = deferred(Shafts);
const InLine = deferred(Lines);
const OfFrame = deferred(Frame);
const OfBody = deferred(BodyForm);
const Printed = deferred(Prints);

const NOTHING: ReadonlySet<string> = new Set();
/** The sheet of the longest view, in its own units. */
const SHEET = { width: 560, mostHigh: 330 };
/** A step of an arrow key where no grid is asked for, m. */
const USUAL_STEP = 0.005;

/** Nearer than this, m, it lies on the middle line. */
const NO_ASIDE = 5e-4;

const ignore = (): void => undefined;

/** What is worked out beside the page: room, reach, findings. */
function useLayoutReport() {
  const { build } = useBuild();
  const ask: Ask<LayoutReport> = useCallback((work) => work.layoutReport(build), [build]);
  return useBeside(arrangementOf(build).parts.length > 0 ? ask : undefined);
}

/** Parts that are in another's way, or nearer than the gap asked for. */
const fouledIn = (report: LayoutReport | undefined): ReadonlySet<string> =>
  report
    ? new Set(
        report.parts
          .filter(({ overlaps, sticksOut }) => overlaps.length + sticksOut.length > 0)
          .map(({ id }) => id),
      )
    : NOTHING;

/** Where everything goes, whether it fits, and whether it is reached. */
export function LayoutStation() {
  const { build } = useBuild();
  useTitle('Layout', build.name);
  const { parts } = arrangementOf(build);
  const [chosen, setChosen] = useState<string>();
  const [pitchM, setPitchM] = useState(0);
  const { answer: report, isOfNow, problem } = useLayoutReport();
  const fouled = useMemo(() => fouledIn(report), [report]);
  const part = parts.find(({ id }) => id === chosen);
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-3">
      <div>
        <h1>Where does everything go, and can it be reached?</h1>
        <Answer />
      </div>
      <div className="grid items-start gap-3 lg:grid-cols-[minmax(0,2.2fr)_minmax(0,1fr)]">
        <div className="sheet grid gap-2 p-3">
          <Bar pitchM={pitchM} onPitch={setPitchM} onPlaced={setChosen} />
          <Views {...{ fouled, chosen, pitchM }} onChoose={setChosen} />
        </div>
        <div className="grid gap-3">
          <section
            className="sheet p-3"
            aria-labelledby="layout-findings"
            aria-busy={parts.length > 0 && !isOfNow}
          >
            <h2 id="layout-findings">What stands in the way</h2>
            {problem !== undefined && <NotWorkedOut what="Room and reach" why={problem} />}
            {parts.length === 0 ? (
              <p className="text-soft">Place the first part: room and reach are looked at from then on.</p>
            ) : (
              report && (
                <div className={isOfNow ? '' : 'opacity-60'}>
                  <LayoutFindings findings={report.findings} onChoose={setChosen} />
                </div>
              )
            )}
          </section>
          {part && (
            <FieldsOf name={part.name}>
              <ChosenPart key={part.id} part={part} report={report?.parts.find(({ id }) => id === part.id)} />
            </FieldsOf>
          )}
        </div>
      </div>
      {parts.length > 0 && (
        <div className="sheet drawn-in-sight p-3">
          <Placed chosen={chosen} onChoose={setChosen} />
        </div>
      )}
      {report && <Service report={report} onChoose={setChosen} />}
      <InLine />
      <OnShafts />
      <OfFrame />
      <Zones />
      <OfBody />
      <Printed />
      <Sheets />
    </div>
  );
}

/** Templates are made and fetched once somebody wants them. */
function Sheets() {
  const [open, setOpen] = useState(false);
  return (
    <section className="sheet grid gap-2 p-3" aria-labelledby="templates">
      <h2 id="templates">Templates in true size</h2>
      {open ? (
        <Suspense fallback={<p aria-busy="true">They are being drawn…</p>}>
          <Templates />
        </Suspense>
      ) : (
        <p>
          <button type="button" className="push push-small" onClick={() => setOpen(true)}>
            Show the templates
          </button>
        </p>
      )}
    </section>
  );
}

/** Where its weight lies, and how far that is from what was typed. */
function Answer() {
  const { build } = useBuild();
  const say = useSay();
  const { massKg, aheadM, leftM, heightM } = centreOfGravity(build);
  const resting = restingOn(build, 0);
  const placed = placedKg(build);
  const { rest } = arrangementOf(build);
  const strong = 'font-semibold text-mech';
  const off = Math.hypot(
    aheadM - rest.aheadOfRearAxle.value,
    leftM - rest.left.value,
    heightM - rest.height.value,
  );
  return (
    <p className="mt-0.5 text-[16px] text-soft">
      Without its load it weighs <b className={strong}>{say(massKg, 'mass')}</b>, its middle{' '}
      <b className={strong}>{say(Math.abs(aheadM), 'length')}</b> {aheadM < 0 ? 'behind' : 'ahead of'} the
      rear axle,{' '}
      {Math.abs(leftM) < NO_ASIDE
        ? 'on the middle line'
        : `${say(Math.abs(leftM), 'length')} ${leftM < 0 ? 'right' : 'left'} of the middle line`}{' '}
      and <b className={strong}>{say(heightM, 'length')}</b> up
      {resting?.stands === true && resting.drivenShare > 0
        ? `; ${showNumber(100 * resting.drivenShare, 2)} % of it stands on the driven wheels`
        : ''}
      .{' '}
      {placed > 0
        ? `${say(placed, 'mass')} are placed, the rest stands where it was typed, ${say(off, 'length')} from the middle of it all.`
        : 'Nothing is placed yet: that is as it was typed.'}{' '}
      Against turning on the spot it has {showNumber(inertiaOf(build).yawKgM2, 3)} kg·m².
    </p>
  );
}

interface BarProps {
  readonly pitchM: number;
  readonly onPitch: (pitchM: number) => void;
  readonly onPlaced: (id: string) => void;
}

/** What is not placed yet, the gap to be kept, and the grid of holes. */
function Bar({ pitchM, onPitch, onPlaced }: BarProps) {
  const { build, edit } = useBuild();
  const id = useId();
  const waiting = toPlace(build);
  const place = (partId?: string): void => {
    const part = build.parts.find((one) => one.id === partId);
    const placed = placeFree(build, part);
    onPlaced(arrangementOf(placed).parts.at(-1)?.id ?? '');
    edit((b) => (b === build ? placed : placeFree(b, part)));
  };
  return (
    <div className="grid gap-2">
      <div className="flex flex-wrap items-center gap-2">
        {waiting.map(({ part, left }) => (
          <button key={part.id} type="button" className="push push-small" onClick={() => place(part.id)}>
            Place {part.name}
            {left > 1 ? ` (${left} left)` : ''}
          </button>
        ))}
        <button type="button" className="push push-small" onClick={() => place()}>
          Place another part
        </button>
      </div>
      <div className="grid max-w-md grid-cols-2 gap-2">
        <SchemaField
          part="arrangement"
          field="clearance"
          value={arrangementOf(build).clearance}
          onChange={(clearance) => edit((b) => arrange(b, { clearance }))}
        />
        <QuantityEntry
          id={id}
          label="Grid of holes, 0 for none"
          dimension="length"
          value={typed(pitchM, 'mm')}
          check={(value) => (value < 0 ? 'This must be 0 or more.' : undefined)}
          onChange={({ value }) => onPitch(value)}
          onUnread={ignore}
        />
      </div>
    </div>
  );
}

/** The same object while it says the same; of numbers and lists. */
function useSame<T>(value: T): T {
  const said = JSON.stringify(value);
  return useMemo(() => JSON.parse(said) as T, [said]);
}

interface ViewsProps {
  readonly fouled: ReadonlySet<string>;
  readonly chosen: string | undefined;
  readonly pitchM: number;
  readonly onChoose: (id: string) => void;
}

/** What is held and how far it was moved since it was taken hold of, m; what follows from that is drawn, and kept once it is let go. */
function useMoved(pitchM: number) {
  const { build, edit } = useBuild();
  const [held, setHeld] = useState<Held>();
  const now = useRef<Held>(undefined);
  const onDone = useCallback(() => {
    const done = now.current;
    now.current = undefined;
    setHeld(undefined);
    if (done) edit((b) => movedBy(b, done, pitchM));
  }, [edit, pitchM]);
  const onMove = useCallback(
    (what: Held['what'], id: string, by: Held['by']) => {
      if (now.current && (now.current.what !== what || now.current.id !== id)) onDone();
      const before = now.current?.by ?? [0, 0, 0];
      now.current = { what, id, by: [before[0] + by[0], before[1] + by[1], before[2] + by[2]] };
      // Moves by hand come just before a frame: what is drawn at once is in it, else in the next.
      flushSync(() => setHeld(now.current));
    },
    [onDone],
  );
  // Whoever leaves with an arrow key down leaves nothing behind.
  useEffect(() => onDone, [onDone]);
  const shown = useMemo(() => (held ? movedBy(build, held, pitchM) : build), [build, held, pitchM]);
  return { shown, heldId: held?.id, onMove, onDone };
}

/** The three views, in one scale. */
function Views({ fouled, chosen, pitchM, onChoose }: ViewsProps) {
  const { build } = useBuild();
  const { shown, heldId, onMove, onDone } = useMoved(pitchM);
  const extent = useSame(extentOf(shown));
  const scale = scaleFor(extent, SHEET.width, SHEET.mostHigh);
  const shared = {
    ...{ build, shown, heldId, extent, scale },
    centre: centreOfGravity(shown),
    resting: restingOn(shown, 0),
    ...{ fouled, chosen, onChoose },
    stepM: pitchM > 0 ? pitchM : USUAL_STEP,
    onMove,
    onDone,
  };
  return (
    <div className="grid gap-2 md:grid-cols-[minmax(0,1.7fr)_minmax(0,1fr)]">
      <ViewDrawing {...shared} view="plan" />
      <ViewDrawing {...shared} view="rear" />
      <ViewDrawing {...shared} view="side" />
    </div>
  );
}
