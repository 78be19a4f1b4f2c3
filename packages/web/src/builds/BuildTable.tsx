import { showNumber } from '@zubric/core/quantity';
import { Link } from 'react-router';
import type { BuildLine, JudgedLine, Place } from '@zubric/core/answers';
import { sayMoment } from '../common/days.ts';
import { stationAddress } from '../common/stations.ts';
import { useSay } from '../common/units.tsx';
import { BuildMenu, type BuildActions } from './BuildMenu.tsx';

interface Props {
  readonly builds: readonly BuildLine[];
  readonly place: Place;
  readonly picked: ReadonlySet<string>;
  readonly onPick: (id: string, picked: boolean) => void;
  readonly actions: BuildActions;
}

/** A line a vehicle: what it is, what governs it, how it stands. */
export function BuildTable({ builds, place, picked, onPick, actions }: Props) {
  return (
    <div className="sheet relative mt-3 overflow-x-auto">
      <table className="grid-table">
        <thead>
          <tr>
            <th scope="col">
              <span className="sr-only">Pick</span>
            </th>
            <th scope="col">Build</th>
            <th scope="col" className="n">
              All up
            </th>
            <th scope="col">What governs it</th>
            <th scope="col">Stands</th>
            <th scope="col">Last saved</th>
            <th scope="col">
              <span className="sr-only">More</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {builds.map((build) => (
            <Row
              key={build.id}
              build={build}
              place={place}
              picked={picked.has(build.id)}
              onPick={(on) => onPick(build.id, on)}
              actions={actions}
            />
          ))}
        </tbody>
      </table>
    </div>
  );
}

interface RowProps {
  readonly build: BuildLine;
  readonly place: Place;
  readonly picked: boolean;
  readonly onPick: (picked: boolean) => void;
  readonly actions: BuildActions;
}

function Row({ build, place, picked, onPick, actions }: RowProps) {
  return (
    <tr>
      <td>
        <input
          type="checkbox"
          className="size-4 accent-ink"
          aria-label={`Pick ${build.name}`}
          checked={picked}
          disabled={'problem' in build}
          onChange={(event) => onPick(event.target.checked)}
        />
      </td>
      <td className="max-w-80">
        {place === 'bin' ? (
          <span className="block truncate py-1 text-[18px] font-semibold">{build.name}</span>
        ) : (
          <Link
            to={stationAddress(build.id, 'brief')}
            className="block truncate py-1 text-[18px] font-semibold underline decoration-line decoration-2 underline-offset-4 hover:decoration-mech"
            title={build.name}
          >
            {build.name}
          </Link>
        )}
        {!('problem' in build) && (
          <span className="block truncate text-[14px] text-soft" title={build.purpose}>
            {build.purpose || 'no purpose noted yet'}
          </span>
        )}
      </td>
      {'problem' in build ? (
        <td colSpan={3} className="max-w-[520px] break-words text-short">
          {build.problem}
        </td>
      ) : (
        <Judged build={build} />
      )}
      <td className="whitespace-nowrap text-soft">{sayMoment(build.updatedAt)}</td>
      <td>
        <BuildMenu build={build} place={place} actions={actions} />
      </td>
    </tr>
  );
}

function Judged({ build }: { readonly build: JudgedLine }) {
  const say = useSay();
  const { worst } = build;
  return (
    <>
      <td className="n">{say(build.massKg, 'mass')}</td>
      <td>
        {worst
          ? `${worst.title}${worst.duty === null ? '' : ` on “${worst.duty}”`}: ${showNumber(worst.ratio)} × of ${showNumber(worst.rule)} ×`
          : 'nothing yet'}
      </td>
      <td>
        <Standing build={build} />
      </td>
    </>
  );
}

function Standing({ build }: { readonly build: JudgedLine }) {
  if (build.stops > 0)
    return (
      <span className="font-semibold text-short">
        {build.stops === 1 ? '1 thing stops it' : `${build.stops} things stop it`}
      </span>
    );
  if (build.short > 0) return <span className="font-semibold">{build.short} short of the rule</span>;
  return build.tight > 0 ? <span>{build.tight} tight</span> : <span>all ample</span>;
}
