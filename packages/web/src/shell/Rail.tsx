import { BLOCKS, linkDefinition, type Block, type Report, type Verdict } from '@zubric/core/judge';
import { memo, useEffect, useRef } from 'react';
import { NavLink, useLocation } from 'react-router';
import { useMe } from '../common/me.ts';
import { useBuild } from '../session/BuildSession.tsx';
import { stationOf } from '../common/station-of.ts';
import { STATIONS, stationAddress } from '../common/stations.ts';

/** What stands beside the stations. */
const beside = (buildId: string, isOwn: boolean) => [
  { to: '/builds', title: 'Builds' },
  { to: '/shelf', title: 'Parts shelf' },
  { to: '/sums', title: 'Quick sums' },
  { to: '/groups', title: 'Class and club' },
  { to: '/guide', title: 'Guide' },
  { to: `/builds/${buildId}/print`, title: 'Print' },
  { to: `/builds/${buildId}/out`, title: 'Take out' },
  ...(isOwn ? [{ to: '/devices', title: 'Devices' }] : []),
];

/** How much fails in these blocks, or, where nothing does, is short of its rule. */
function underIn(report: Report, blocks: readonly Block[]): string | undefined {
  const count = (verdict: Verdict): number =>
    report.governing.filter((l) => l.verdict === verdict && blocks.includes(linkDefinition(l.link).block))
      .length;
  const [fails, short] = [count('fails'), count('short')];
  if (fails > 0) return `${fails} ${fails === 1 ? 'fails' : 'fail'}`;
  return short > 0 ? `${short} short` : undefined;
}

/** The stations of the open build, and the way back to all builds. */
export function Rail() {
  const { id, report } = useBuild();
  const me = useMe();
  const { pathname } = useLocation();
  const stations = useRef<HTMLUListElement>(null);
  // Where the stations stand side by side, the one that is open is brought to where it can be seen.
  useEffect(() => {
    stations.current
      ?.querySelector('[aria-current="page"]')
      ?.scrollIntoView({ inline: 'center', block: 'nearest' });
  }, [pathname]);
  return (
    <nav
      aria-label="Stations"
      className="flex overflow-x-auto border-line bg-paper max-md:fixed max-md:inset-x-0 max-md:bottom-0 max-md:z-30 max-md:h-11 max-md:border-t md:sticky md:top-0 md:block md:h-screen md:overflow-y-auto md:border-r md:py-3"
    >
      <ul ref={stations} className="flex shrink-0 md:block">
        {STATIONS.map((station) => (
          <StationLink
            key={station.path}
            buildId={id}
            station={station}
            under={underIn(
              report,
              BLOCKS.filter((block) => stationOf(block) === station.path),
            )}
          />
        ))}
      </ul>
      <hr className="mx-3 my-3 border-line max-md:hidden" />
      <LinksBeside buildId={id} isOwn={me?.own === true} />
    </nav>
  );
}

interface StationProps {
  readonly buildId: string;
  readonly station: (typeof STATIONS)[number];
  /** How much is under its rule there. */
  readonly under: string | undefined;
}

const StationLink = memo(({ buildId, station, under }: StationProps) => (
  <li className="shrink-0">
    <NavLink
      to={stationAddress(buildId, station.path)}
      className={({ isActive }) =>
        `grid min-h-10 grid-cols-[22px_1fr] items-center px-3 py-2 font-narrow text-[16px] whitespace-nowrap ${isActive ? 'bg-ink font-semibold text-sheet' : 'font-medium hover:bg-mech-lo'}`
      }
    >
      {({ isActive }) => (
        <>
          <span className={`text-[14px] ${isActive ? 'text-line' : 'text-soft'}`}>{station.key}</span>
          <span>{station.title}</span>
          {under && (
            <span className={`col-start-2 text-[14px] ${isActive ? 'text-short-lo' : 'text-short'}`}>
              {under}
            </span>
          )}
        </>
      )}
    </NavLink>
  </li>
));

const LinksBeside = memo(({ buildId, isOwn }: { readonly buildId: string; readonly isOwn: boolean }) =>
  beside(buildId, isOwn).map(({ to, title }) => (
    <NavLink
      key={to}
      to={to}
      end
      className="block shrink-0 px-3 py-2 font-narrow text-[16px] font-medium whitespace-nowrap hover:bg-mech-lo md:pl-[34px]"
    >
      {title}
    </NavLink>
  )),
);
