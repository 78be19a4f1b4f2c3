import { useState } from 'react';
import { Link } from 'react-router';
import { linkDefinition, shortlist, type Suited } from '@zubric/core/judge';
import {
  PART_STATE_WORDS,
  choosePart,
  driveOf,
  driverCountOf,
  withDriverCount,
  type Build,
  type Part,
  type PartKind,
} from '@zubric/core/vehicle';
import { showNumber } from '@zubric/core/quantity';
import { useShelf } from '../../common/queries.ts';
import { useSay } from '../../common/units.tsx';
import { CountInput } from '../../fields/CountInput.tsx';
import { OwnPart } from '../../shelf/OwnPart.tsx';
import { figuresOf } from '../../shelf/figures.ts';
import { factorOf } from '../../strip/factor.ts';
import { useBuild } from '../../session/BuildSession.tsx';

/** Whether a part is the one that is chosen: in the drive that is looked at, or among what feeds it. */
const isIn = (build: Build, { id }: Part): boolean => {
  const { motorId, driverId } = driveOf(build);
  return [motorId, driverId, ...build.supply.packs.map((pack) => pack.id)].includes(id);
};

/** The shelf of one kind of part, each judged in this build, what suits best first. One click takes it. */
export function PartPicker({ kind, shown }: { readonly kind: PartKind; readonly shown: string | null }) {
  const shelf = useShelf(kind);
  const { build, edit } = useBuild();
  if (shelf.isError) return <p role="alert">{shelf.error.message}</p>;
  if (!shelf.data) return <p>Looking at the shelf …</p>;
  const all = shortlist(build, shelf.data);
  // What is in the build stands first, whatever else would suit it better.
  const judged = [
    ...all.filter(({ part }) => isIn(build, part)),
    ...all.filter(({ part }) => !isIn(build, part)),
  ];
  return (
    <>
      <MakeOwn kind={kind} />
      {kind === 'driver' && driveOf(build).driverId !== null && <DriverCount />}
      {judged.length === 0 && <p>The shelf has no {kind} yet.</p>}
      <div className="sheet relative overflow-x-auto">
        <table className="grid-table">
          <caption className="sr-only">Choose a {kind}: what suits this build best comes first</caption>
          <thead>
            <tr>
              <th scope="col">Part</th>
              <th scope="col" className="n">
                Mass
              </th>
              <th scope="col">Then the worst is</th>
              <th scope="col">
                <span className="sr-only">Take it</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {judged.map((suited) => (
              <PartRow
                key={suited.part.id}
                suited={suited}
                shown={suited.part.id === shown}
                onTake={() => edit((b) => choosePart(b, suited.part))}
              />
            ))}
          </tbody>
        </table>
      </div>
    </>
  );
}

const MOST_DRIVERS = 12;
const DRIVERS = 'Drivers of this kind';

/** How many drivers there are: as many as the motors have channels, unless the builder says otherwise. */
function DriverCount() {
  const { build, edit } = useBuild();
  return (
    <p className="flex items-center gap-2">
      <span aria-hidden="true">{DRIVERS}</span>
      <CountInput
        label={DRIVERS}
        value={driverCountOf(build)}
        most={MOST_DRIVERS}
        onChange={(count) => edit((b) => withDriverCount(b, count))}
      />
    </p>
  );
}

/** A part of the builder's own, written down here and put in the build at once. */
function MakeOwn({ kind }: { readonly kind: PartKind }) {
  const { edit, id } = useBuild();
  const [open, setOpen] = useState(false);
  return (
    <p className="flex flex-wrap gap-3">
      <button type="button" className="push" onClick={() => setOpen(true)}>
        Make your own {kind}
      </button>
      {kind === 'motor' && (
        <Link className="push" to={`/shelf/measure?build=${id}`}>
          Measure an unknown one
        </Link>
      )}
      {open && (
        <OwnPart
          kind={kind}
          onClose={() => setOpen(false)}
          onKept={(part) => {
            setOpen(false);
            edit((b) => choosePart(b, part));
          }}
        />
      )}
    </p>
  );
}

/** A voltage this far off is another system, no tight spot (common practice, no source). */
const FAR_OFF = 1.3;

/** What else is to be said of a part in this build. */
function remarksOn({ part, fails, short, atRatio, heavy, voltsOff, otherSort, count }: Suited): string[] {
  return [
    ...(otherSort
      ? [part.kind === 'driver' ? `made for ${part.drives ?? 'brushed'} motors` : 'wants another driver']
      : []),
    ...(count > 1 ? [`${count} of them, by its channels`] : []),
    ...(atRatio === undefined ? [] : [`at ${showNumber(atRatio)} : 1, its best ratio`]),
    ...(fails > 1 ? [`${fails} fail`] : []),
    ...(short > 0 ? [`${short} short of the rule`] : []),
    ...(heavy ? ['weighs more than a quarter of the vehicle'] : []),
    ...(voltsOff > FAR_OFF ? [`its voltage is ${showNumber(voltsOff)} × off the rest`] : []),
  ];
}

/** A part that was asked for by name is brought to where it can be seen. */
const intoView = (row: HTMLTableRowElement | null): void => row?.scrollIntoView({ block: 'nearest' });

interface RowProps {
  readonly suited: Suited;
  readonly shown: boolean;
  readonly onTake: () => void;
}

function PartRow({ suited, shown, onTake }: RowProps) {
  const { part, worst } = suited;
  const say = useSay();
  const { build } = useBuild();
  const chosen = isIn(build, part);
  return (
    <tr
      ref={shown ? intoView : undefined}
      className={`${chosen ? 'bg-mech-lo' : ''} ${shown ? 'outline-2 -outline-offset-2 outline-ink' : ''}`}
    >
      <td>
        <span className="font-semibold">{part.name}</span>
        <span className="block text-[14px] text-soft">{figuresOf(part, say)}</span>
      </td>
      <td className="n">
        {say(part.massKg, 'mass')}
        <span className="block text-[14px] text-soft">{PART_STATE_WORDS[part.state]}</span>
      </td>
      <td>
        {worst ? (
          <>
            {linkDefinition(worst.link).title.toLowerCase()}{' '}
            <b className={`font-semibold whitespace-nowrap ${worst.verdict === 'fails' ? 'text-short' : ''}`}>
              {factorOf(worst)}
            </b>
          </>
        ) : (
          '–'
        )}
        {remarksOn(suited).map((text) => (
          <span key={text} className="block text-[14px] text-soft">
            {text}
          </span>
        ))}
      </td>
      <td>
        {chosen ? (
          <span className="font-semibold whitespace-nowrap">in the build</span>
        ) : (
          <button type="button" className="push" aria-label={`Take ${part.name}`} onClick={onTake}>
            Take
          </button>
        )}
      </td>
    </tr>
  );
}
