import {
  BLOCKS,
  isElectrical,
  linkDefinition,
  type Block,
  type LinkReport,
  type Report,
} from '@zubric/core/judge';
import { show, showNumber } from '@zubric/core/quantity';
import { memo } from 'react';
import { Link } from 'react-router';
import { stationOf } from '../common/station-of.ts';
import { stationAddress } from '../common/stations.ts';
import { useUnits } from '../common/units.tsx';
import { useBuild } from '../session/BuildSession.tsx';
import { OpensMargin } from '../working/OpensOf.tsx';
import { factorOf } from './factor.ts';
import { colorOf, shownLink, STRIP } from './shown-links.ts';
import { Tape } from './Tape.tsx';
import type { Moved } from './change-between.ts';

/** The whole chain from ground to battery: needs, has and margin of what governs each. */
export function Strip({ moved }: { readonly moved?: Moved }) {
  const { id, report } = useBuild();
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
            was={moved?.get(block)}
          />
        ))}
      </div>
    </section>
  );
}

/** The same whatever is edited. */
const ToStation = memo(({ buildId, block }: { readonly buildId: string; readonly block: Block }) => (
  <Link
    to={stationAddress(buildId, stationOf(block))}
    className="after:absolute after:inset-0 focus-visible:outline-none focus-visible:after:outline-2 focus-visible:after:-outline-offset-2 focus-visible:after:outline-ink"
  >
    {STRIP[block].title}
  </Link>
));

/** What is compared, without the name of the block that it stands beside. */
const besideBlock = ({ link }: LinkReport, block: Block): string =>
  linkDefinition(link)
    .title.toLowerCase()
    .replace(new RegExp(`^${block} `), '');

interface BlockProps {
  readonly buildId: string;
  readonly block: Block;
  readonly link: LinkReport | undefined;
  readonly report: Report;
  /** What its margin was before the last edit, while that is marked. */
  readonly was: string | undefined;
}

function StripBlock({ buildId, block, link, report, was }: BlockProps) {
  const { build } = useBuild();
  const { empty, stands } = STRIP[block];
  return (
    <div
      className={`relative min-w-0 px-2 pt-2 pb-2 xl:px-3 ${was === undefined ? 'hover:bg-field' : 'bg-mech-lo'}`}
      data-block={block}
    >
      <h2 className={`items-baseline justify-between gap-2 xl:flex ${link ? colorOf(link) : 'text-soft'}`}>
        <ToStation buildId={buildId} block={block} />
        {link && (
          <span className="block font-sans text-[14px] leading-tight font-normal text-soft xl:text-right">
            {besideBlock(link, block)}
          </span>
        )}
      </h2>
      {link ? (
        <Filled link={link} report={report} was={was} />
      ) : (
        <p className="mt-3 text-[15px] text-soft">{stands(build) ? 'nothing is asked of it' : empty}</p>
      )}
    </div>
  );
}

/** On which side of the end of its window a ratio must stay; where no ratio does it, that end is the best there is. */
function edgeOf({ needs, dutyId }: LinkReport, { duties }: Report): string {
  const window = duties.find(({ id }) => id === dutyId)?.ratioWindow;
  const spans = [window?.just, window?.rule];
  if (spans.some((span) => span?.low === needs)) return 'keep above';
  return spans.some((span) => span?.high === needs) ? 'keep below' : 'best is';
}

/** How the sides of a margin are said, but for a few. */
const USUALLY = { needs: 'needed', has: 'has' };

function Filled({ link, report, was }: Pick<BlockProps, 'report' | 'was'> & { readonly link: LinkReport }) {
  const { system } = useUnits();
  const definition = linkDefinition(link.link);
  const { said = USUALLY } = definition;
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
      <p className={`mt-0.5 font-narrow text-[24px] leading-tight font-semibold ${colorOf(link)}`}>
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
            <span className="max-xl:hidden">
              {' '}
              {said.needs}
              {definition.per === 'each' ? ', each' : ''}
            </span>
          )}
        </small>
      </p>
      <Tape
        ratio={link.ratio}
        rule={link.rule}
        verdict={link.verdict}
        kind={isElectrical(link) ? 'electrical' : 'mechanical'}
      />
      <p className="flex flex-wrap gap-x-1 max-xl:text-[14px]">
        <span>
          {isWindow ? edgeOf(link, report) : said.has}{' '}
          <span className="relative">
            <OpensMargin
              link={link}
              side={isWindow ? 'needs' : 'has'}
              title={`${isWindow ? 'the end of the window' : 'what there is'} of ${what},`}
            >
              {isWindow ? needs.number : has.text}
            </OpensMargin>
          </span>
        </span>{' '}
        · <b className="font-semibold">{factorOf(link)}</b>
        {was !== undefined && <span className="text-soft">was {was}</span>}
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
