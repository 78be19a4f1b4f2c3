import { pathInOrder } from '@zubric/core/capability';
import { motorShaftOf } from '@zubric/core/drive';
import { closeness, type LinkReport } from '@zubric/core/judge';
import { freeId, rollingDiameter, type Build, driveOf, changeDrive } from '@zubric/core/vehicle';
import { showNumber } from '@zubric/core/quantity';
import {
  HUB_KINDS,
  PATH_KINDS,
  freshPath,
  freshPathElement,
  isHub,
  pathTitle,
  stageName,
  type PathElement,
  type PathKind,
} from '@zubric/core/transmission';
import { ArrowDown, ArrowUp, Trash2 } from 'lucide-react';
import { useState, type ReactNode } from 'react';
import { useSay } from '../../common/units.tsx';
import { Choice } from '../../fields/Choice.tsx';
import { TextField } from '../../fields/TextField.tsx';
import { useBuild } from '../../session/BuildSession.tsx';
import { OpensMargin } from '../../working/OpensOf.tsx';
import { PathFields } from './PathFields.tsx';

const withPath = (build: Build, path: readonly PathElement[]): Build => changeDrive(build, { path });

/** Where a part may sit: on the motor's shaft, or behind a stage. */
const placesOf = (build: Build): { readonly value: string; readonly title: string }[] => [
  { value: '', title: 'on the motor’s shaft' },
  ...driveOf(build).stages.map(({ id, kind }, at) => ({
    value: id,
    title: `behind ${at + 1}, ${stageName(kind)}`,
  })),
];

/** The torque path: shafts, hubs, bolts and tyre, each with what it carries and holds. */
export function PathTable() {
  const { build, edit } = useBuild();
  const [kind, setKind] = useState<PathKind>('shaft');
  const { path } = driveOf(build);
  const ordered = pathInOrder(build);
  const lost = path.filter((element) => !ordered.includes(element));
  const layOut = (): void =>
    edit((b) =>
      withPath(
        b,
        freshPath(driveOf(b).stages, {
          motorShaft: motorShaftOf(b),
          wheelDiameterM: rollingDiameter(b).value,
        }),
      ),
    );
  const add = (): void =>
    edit((b) => {
      const last = pathInOrder(b).at(-1);
      const bore = last && 'bore' in last ? last.bore : motorShaftOf(b)?.diameter;
      const element = freshPathElement(kind, {
        id: freeId('path', driveOf(b).path),
        after: driveOf(b).stages.at(-1)?.id ?? null,
        name: pathTitle(kind),
        bore: bore ?? { value: 0.012, unit: 'mm', origin: 'assumed' },
      });
      return withPath(b, [...driveOf(b).path, element]);
    });
  return (
    <section className="sheet relative overflow-x-auto" aria-labelledby="path-title">
      <table className="grid-table">
        <caption id="path-title" className="sr-only">
          Shafts and hubs from motor to ground
        </caption>
        <Heads />
        <tbody>
          {[...ordered, ...lost].map((element) => (
            <PathRow key={element.id} element={element} lost={lost.includes(element)} />
          ))}
          {path.length === 0 && (
            <tr>
              <td colSpan={5} className="text-soft">
                Nothing is said yet of what joins motor, stages and wheel: a set screw or key is often what
                lets go first.
              </td>
            </tr>
          )}
        </tbody>
      </table>
      <div className="flex flex-wrap gap-3 px-2 py-2">
        {path.length === 0 && (
          <button type="button" className="push" onClick={layOut}>
            Lay out the usual parts
          </button>
        )}
        <Choice
          label="Kind of part"
          hideLabel
          className="w-48"
          value={kind}
          options={PATH_KINDS.map((value) => ({ value, title: pathTitle(value) }))}
          onChange={setKind}
        />
        <button type="button" className="push" disabled={path.length >= 40} onClick={add}>
          Add this part
        </button>
      </div>
    </section>
  );
}

const Heads = () => (
  <thead>
    <tr>
      <th scope="col">Part, and where it sits</th>
      <th scope="col" className="w-[48%]">
        Sizes
      </th>
      <th scope="col">Carries, of what it may</th>
      <th scope="col">If the wheels jam</th>
      <th scope="col">
        <span className="sr-only">Move or remove</span>
      </th>
    </tr>
  </thead>
);

const worst = (links: readonly LinkReport[]): LinkReport | undefined =>
  [...links].sort((a, b) => closeness(a) - closeness(b))[0];

function PathRow({ element, lost }: { readonly element: PathElement; readonly lost: boolean }) {
  const { build, report, edit } = useBuild();
  const change = (changed: PathElement): void =>
    edit((b) =>
      withPath(
        b,
        driveOf(b).path.map((e) => (e.id === element.id ? changed : e)),
      ),
    );
  const own = report.links.filter(({ elementId }) => elementId === element.id);
  const onDuty = worst(own.filter(({ link }) => link === 'path'));
  const atStall = own.find(({ link }) => link === 'path-stall');
  const place = driveOf(build).path.filter(({ after }) => after === element.after);
  const at = place.findIndex(({ id }) => id === element.id);
  const swap = (by: -1 | 1): void =>
    edit((b) => {
      const other = place[at + by];
      if (!other) return b;
      return withPath(
        b,
        driveOf(b).path.map((e) => (e.id === element.id ? other : e.id === other.id ? element : e)),
      );
    });
  return (
    <tr>
      <td>
        <Named element={element} lost={lost} onChange={change} />
      </td>
      <td>
        <PathFields element={element} onChange={change} />
      </td>
      <td>
        <Held link={onDuty} title={element.name} none={lost ? '' : 'nothing asked yet'} />
      </td>
      <td>
        <Held link={atStall} title={`${element.name}, if the wheels jam`} none="" />
      </td>
      <td>
        <div className="grid justify-items-center">
          <RowButton label={`Move ${element.name} towards the motor`} off={at <= 0} onPress={() => swap(-1)}>
            <ArrowUp size={16} aria-hidden="true" />
          </RowButton>
          <RowButton
            label={`Move ${element.name} towards the wheel`}
            off={at >= place.length - 1}
            onPress={() => swap(1)}
          >
            <ArrowDown size={16} aria-hidden="true" />
          </RowButton>
          <RowButton
            label={`Remove ${element.name}`}
            onPress={() =>
              edit((b) =>
                withPath(
                  b,
                  driveOf(b).path.filter((e) => e.id !== element.id),
                ),
              )
            }
          >
            <Trash2 size={17} aria-hidden="true" />
          </RowButton>
        </div>
      </td>
    </tr>
  );
}

interface NamedProps {
  readonly element: PathElement;
  readonly lost: boolean;
  readonly onChange: (element: PathElement) => void;
}

/** How a part is called, what it is, and where it sits. */
function Named({ element, lost, onChange: change }: NamedProps) {
  const { build } = useBuild();
  const kinds = isHub(element) ? HUB_KINDS : [element.kind];
  return (
    <>
      <TextField
        label="Name of the part"
        hideLabel
        className="w-[164px]"
        value={element.name}
        onChange={(name) => change({ ...element, name })}
      />
      {kinds.length > 1 ? (
        <Choice
          label={`${element.name}, held as`}
          hideLabel
          className="w-[164px]"
          value={element.kind}
          options={kinds.map((value) => ({ value, title: pathTitle(value) }))}
          onChange={(kind) =>
            isHub(element) &&
            change(
              freshPathElement(kind, {
                id: element.id,
                after: element.after,
                name: element.name,
                bore: element.bore,
              }),
            )
          }
        />
      ) : (
        <span className="block text-[14px] text-soft">{pathTitle(element.kind).toLowerCase()}</span>
      )}
      <Choice
        label={`${element.name}: where it sits`}
        hideLabel
        className={`w-[164px] ${lost ? 'text-short' : ''}`}
        value={lost ? 'lost' : (element.after ?? '')}
        options={[...placesOf(build), ...(lost ? [{ value: 'lost', title: 'its stage is gone' }] : [])]}
        onChange={(value) => value !== 'lost' && change({ ...element, after: value === '' ? null : value })}
      />
    </>
  );
}

interface RowButtonProps {
  readonly label: string;
  readonly off?: boolean;
  readonly onPress: () => void;
  readonly children: ReactNode;
}

const RowButton = ({ label, off = false, onPress, children }: RowButtonProps) => (
  <button
    type="button"
    className="p-1 hover:text-short disabled:opacity-30"
    aria-label={label}
    disabled={off}
    onClick={onPress}
  >
    {children}
  </button>
);

/** What is asked of a part, and what it may carry. */
function Held({
  link,
  title,
  none,
}: {
  readonly link: LinkReport | undefined;
  readonly title: string;
  readonly none: string;
}) {
  const say = useSay();
  if (!link) return <span className="text-soft">{none}</span>;
  return (
    <span className={link.verdict === 'fails' ? 'text-short' : ''}>
      <OpensMargin link={link} side="needs" title={`what ${title} carries`}>
        {say(link.needs, 'torque')}
      </OpensMargin>{' '}
      of{' '}
      <OpensMargin link={link} side="has" title={`what ${title} may carry`}>
        {say(link.has, 'torque')}
      </OpensMargin>
      <b className="block font-semibold">
        {showNumber(link.ratio)} ×{link.verdict === 'ample' ? '' : ` ${link.verdict}`}
      </b>
    </span>
  );
}
