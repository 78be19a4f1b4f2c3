import {
  BLOCKS,
  VERDICTS,
  closeness,
  linkDefinition,
  type Block,
  type LinkId,
  type LinkReport,
  type Report,
  type Verdict,
} from '@zubric/core/judge';
import { batteryOf, driverOf, motorOf, type Build } from '@zubric/core/vehicle';
import { show, showNumber } from '@zubric/core/quantity';
import { Link } from 'react-router';
import { stationAddress, type StationPath } from '../common/stations.ts';
import { useUnits } from '../common/units.tsx';
import { useBuild } from '../session/BuildSession.tsx';
import { OpensMargin } from '../working/OpensOf.tsx';
import { Tape } from './Tape.tsx';

interface BlockDefinition {
  readonly title: string;
  readonly station: StationPath;
  /** Shown unless another link of the block stands worse. */
  readonly first: LinkId;
  /** Said where nothing can be reckoned yet, and whether what that takes is there. */
  readonly empty: string;
  readonly stands: (build: Build) => boolean;
}

const hasMotor = (build: Build): boolean => motorOf(build) !== undefined;

const DEFINITIONS: Readonly<Record<Block, BlockDefinition>> = {
  ground: {
    first: 'grip',
    title: 'Ground',
    station: 'ground',
    empty: 'state a duty',
    stands: (b) => b.duties.length > 0,
  },
  wheel: {
    first: 'torque',
    title: 'Wheel',
    station: 'drivetrain',
    empty: 'choose a motor',
    stands: hasMotor,
  },
  ratio: { first: 'ratio', title: 'Ratio', station: 'drivetrain', empty: 'choose a motor', stands: hasMotor },
  motor: { first: 'motor-heat', title: 'Motor', station: 'power', empty: 'choose a motor', stands: hasMotor },
  driver: {
    first: 'driver-current',
    title: 'Driver',
    station: 'power',
    empty: 'choose a driver',
    stands: (b) => driverOf(b) !== undefined,
  },
  battery: {
    first: 'battery-current',
    title: 'Battery',
    station: 'power',
    empty: 'choose a battery',
    stands: (b) => batteryOf(b) !== undefined,
  },
};

const ELECTRICAL = new Set(['current', 'voltage', 'energy']);

/** The worse verdict first. */
const gravity = (verdict: Verdict): number => VERDICTS.indexOf(verdict);

/** The link a block shows: its own, or the one nearest to failing where that has the worse verdict. */
function shownLink(report: Report, block: Block): LinkReport | undefined {
  const { first } = DEFINITIONS[block];
  const isFirst = (link: LinkReport): number => (link.link === first ? 0 : 1);
  return report.governing
    .filter((link) => linkDefinition(link.link).block === block)
    .sort(
      (a, b) =>
        gravity(a.verdict) - gravity(b.verdict) || isFirst(a) - isFirst(b) || closeness(a) - closeness(b),
    )[0];
}

/** The whole chain from ground to battery: needs, has and margin of what governs each. */
export function Strip() {
  const { id, report, unread } = useBuild();
  return (
    <section aria-label="Driveline strip" className="min-w-0 border-b border-line bg-sheet">
      <div className="grid grid-cols-[repeat(6,minmax(10rem,1fr))] divide-x divide-line overflow-x-auto lg:grid-cols-6">
        {BLOCKS.map((block) => (
          <StripBlock
            key={block}
            buildId={id}
            block={block}
            link={shownLink(report, block)}
            report={report}
          />
        ))}
      </div>
      {unread > 0 && (
        <p role="status" className="border-t border-line bg-short-lo px-4 py-1 text-[14px]">
          {unread === 1 ? 'One entry cannot be read' : `${unread} entries cannot be read`}: these figures
          stand at the last readable value.
        </p>
      )}
    </section>
  );
}

interface BlockProps {
  readonly buildId: string;
  readonly block: Block;
  readonly link: LinkReport | undefined;
  readonly report: Report;
}

function StripBlock({ buildId, block, link, report }: BlockProps) {
  const { build } = useBuild();
  const { title, station, empty, stands } = DEFINITIONS[block];
  return (
    <div className="relative min-w-0 px-2 pt-2 pb-2 hover:bg-field xl:px-3" data-block={block}>
      <h2 className={`items-baseline justify-between gap-2 xl:flex ${link ? colorOf(link) : 'text-soft'}`}>
        <Link
          to={stationAddress(buildId, station)}
          className="after:absolute after:inset-0 focus-visible:outline-none focus-visible:after:outline-2 focus-visible:after:-outline-offset-2 focus-visible:after:outline-ink"
        >
          {title}
        </Link>
        {link && (
          <span className="block truncate font-sans text-[14px] font-normal text-soft">
            {linkDefinition(link.link).title.toLowerCase()}
          </span>
        )}
      </h2>
      {link ? (
        <Filled link={link} report={report} />
      ) : (
        <p className="mt-3 text-[15px] text-soft">{stands(build) ? 'nothing is asked of it' : empty}</p>
      )}
    </div>
  );
}

const colorOf = ({ link }: LinkReport): string =>
  ELECTRICAL.has(linkDefinition(link).dimension) ? 'text-elec' : 'text-mech';

function Filled({ link, report }: { readonly link: LinkReport; readonly report: Report }) {
  const { system } = useUnits();
  const definition = linkDefinition(link.link);
  const needs = show(link.needs, definition.dimension, system);
  const has = show(link.has, definition.dimension, system);
  const { whole } = useBuild();
  const drive = whole.drives.length > 1 ? whole.drives.find(({ id }) => id === link.driveId) : undefined;
  const onDuty = report.duties.find((d) => d.id === link.dutyId)?.name ?? 'whole outing';
  const duty = drive ? `${drive.name}, ${onDuty}` : onDuty;
  const isWindow = link.link === 'ratio';
  const what = `${definition.title.toLowerCase()}, ${duty}`;
  const shown = isWindow ? has : needs;
  return (
    <>
      <p className={`mt-0.5 truncate font-narrow text-[24px] leading-tight font-semibold ${colorOf(link)}`}>
        <span className="relative">
          <OpensMargin
            link={link}
            side={isWindow ? 'has' : 'needs'}
            title={`${isWindow ? 'the ratio fitted' : 'the need'} of ${what},`}
          >
            {shown.number}
          </OpensMargin>
        </span>{' '}
        <small className="font-sans text-[14px] font-normal text-soft">
          {isWindow ? `${has.unit} fitted` : needs.unit}
          {!isWindow && (
            <span className="max-xl:hidden"> needed{definition.per === 'each' ? ', each' : ''}</span>
          )}
        </small>
      </p>
      <Tape
        ratio={link.ratio}
        rule={link.rule}
        verdict={link.verdict}
        kind={ELECTRICAL.has(definition.dimension) ? 'electrical' : 'mechanical'}
      />
      <p className="flex flex-wrap gap-x-1 max-xl:text-[14px]">
        <span>
          {isWindow ? 'edge ' : 'has '}
          <span className="relative">
            <OpensMargin
              link={link}
              side={isWindow ? 'needs' : 'has'}
              title={`${isWindow ? 'the edge' : 'what there is'} of ${what},`}
            >
              {isWindow ? needs.text : has.text}
            </OpensMargin>
          </span>
        </span>{' '}
        · <b className="font-semibold">{showNumber(link.ratio)} ×</b>
      </p>
      <p className="line-clamp-2 text-[15px] leading-snug text-soft" title={duty}>
        <b className={`font-semibold ${link.verdict === 'fails' ? 'text-short' : 'text-ink'}`}>
          {link.verdict === 'short' && link.rule > 1
            ? `short, asks ${showNumber(link.rule)} ×`
            : link.verdict}
        </b>
        , {duty}
      </p>
    </>
  );
}
