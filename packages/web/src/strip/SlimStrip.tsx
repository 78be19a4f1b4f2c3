import { BLOCKS, closeness, linkDefinition, type LinkReport, type Report } from '@zubric/core/judge';
import { ChevronDown, ChevronUp } from 'lucide-react';
import { Link } from 'react-router';
import { stationOf } from '../common/station-of.ts';
import { stationAddress } from '../common/stations.ts';
import { useBuild } from '../session/BuildSession.tsx';
import { factorOf } from './factor.ts';
import { colorOf, shownLink, STRIP } from './shown-links.ts';
import type { Moved } from './change-between.ts';

interface Props {
  readonly moved: Moved;
  readonly unfolded: boolean;
  readonly onUnfold: (unfolded: boolean) => void;
}

/** The worst margin of each block, each with its block; the worst of all first where there is little room. */
function linesOf(report: Report) {
  const links = BLOCKS.map((block) => ({ block, link: shownLink(report, block) }));
  const rank = (link: LinkReport | undefined): number => (link ? closeness(link) : Infinity);
  const order = [...links].sort((a, b) => rank(a.link) - rank(b.link));
  return links.map((line) => ({ ...line, order: order.indexOf(line) }));
}

/** The strip in one line: it stays while the page scrolls. */
export function SlimStrip({ moved, unfolded, onUnfold }: Props) {
  const { id, report } = useBuild();
  return (
    <nav
      aria-label="Margins"
      className="flex min-h-10 items-stretch border-line bg-sheet max-md:border-t md:border-b md:shadow-sm"
    >
      <ul className="flex min-w-0 flex-1 overflow-x-auto md:grid md:grid-cols-6 md:divide-x md:divide-line">
        {linesOf(report).map(({ block, link, order }) => (
          <li
            key={block}
            className={`max-md:shrink-0 max-md:[order:var(--order)] ${moved.has(block) ? 'bg-mech-lo' : ''}`}
            style={{ '--order': order } as React.CSSProperties}
          >
            <Link
              to={stationAddress(id, stationOf(block))}
              className="flex h-full items-center gap-x-1.5 px-2 text-[14px] whitespace-nowrap hover:bg-field md:max-xl:flex-wrap md:max-xl:content-center md:max-xl:py-0.5 md:max-xl:leading-tight"
              title={link ? linkDefinition(link.link).title : STRIP[block].empty}
            >
              <span className={`font-narrow text-[15px] font-semibold ${link ? colorOf(link) : 'text-soft'}`}>
                {STRIP[block].title}
              </span>
              {link ? (
                <>
                  <b className="font-semibold">{factorOf(link)}</b>
                  <span className={link.verdict === 'fails' ? 'font-semibold text-short' : 'text-soft'}>
                    {link.verdict}
                  </span>
                </>
              ) : (
                <span className="text-soft">–</span>
              )}
            </Link>
          </li>
        ))}
      </ul>
      <button
        type="button"
        className="flex w-10 shrink-0 items-center justify-center border-l border-line hover:bg-field"
        aria-expanded={unfolded}
        aria-label="The whole strip"
        onClick={() => onUnfold(!unfolded)}
      >
        {unfolded ? <ChevronUp size={18} aria-hidden="true" /> : <ChevronDown size={18} aria-hidden="true" />}
      </button>
    </nav>
  );
}
