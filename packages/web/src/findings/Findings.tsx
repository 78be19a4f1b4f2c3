import { linkDefinition, type Block, type Finding, type LinkId } from '@zubric/core/judge';
import { findingsInWords, movesInWords, movesOfFinding } from '@zubric/core/say';
import { useUnits } from '../common/units.tsx';
import { Term } from '../common/Term.tsx';
import { NotWorkedOut } from '../common/NotWorkedOut.tsx';
import { useBuild } from '../session/BuildSession.tsx';
import { LayoutInTheWay } from './LayoutInTheWay.tsx';
import { MeasureFirst } from './MeasureFirst.tsx';
import { Moves } from './Moves.tsx';
import { useMoves } from './use-moves.ts';

const WORDS: Readonly<Record<Finding['severity'], string>> = {
  stop: 'stop',
  short: 'short',
  tight: 'tight',
  note: 'note',
};

/** What fails or can hurt stands out; what is only short of its rule is told by its word. */
const COLORS: Readonly<Record<Finding['severity'], string>> = {
  stop: 'text-short',
  short: 'text-ink',
  tight: 'text-soft',
  note: 'text-soft',
};

interface Props {
  /** Only what these blocks of the strip are about; everything where left out. */
  readonly blocks?: readonly Block[];
  /** Links beside those of the blocks. */
  readonly also?: readonly LinkId[];
  /** Said where there is nothing to find. */
  readonly empty: string;
}

const concerns = (
  { link, dutyId }: Pick<Finding, 'link' | 'dutyId'>,
  { blocks, also = [] }: Omit<Props, 'empty'>,
): boolean =>
  blocks === undefined ||
  (link === null ? dutyId !== null : blocks.includes(linkDefinition(link).block) || also.includes(link));

/** What stops it, what is tight, and what is worth a word. */
export function Findings({ blocks, also, empty }: Props) {
  const { build, report } = useBuild();
  const { system } = useUnits();
  const { moves, problem, anew = false } = useMoves(build);
  const all = movesInWords(moves, system);
  const findings = findingsInWords({ report, build }, system).filter((finding) =>
    concerns(finding, { ...(blocks ? { blocks } : {}), ...(also ? { also } : {}) }),
  );
  return (
    <section aria-labelledby="findings-title">
      <h2 id="findings-title">
        <Term id="finding">What stands in the way</Term>
      </h2>
      {findings.length === 0 && <p className="mt-2 text-soft">{empty}</p>}
      {problem !== undefined && <NotWorkedOut what="What would mend these" why={problem} />}
      {anew && (
        <p role="status" className="mt-2 text-[14px] text-soft">
          What would mend these had stopped by itself; it is being worked out anew.
        </p>
      )}
      <ul>
        {findings.map((finding) => (
          <li key={finding.id} className="border-t border-line py-2 first:mt-2">
            <b className={`mr-2 text-[14px] font-semibold ${COLORS[finding.severity]}`}>
              {WORDS[finding.severity]}
            </b>
            {finding.text}
            {finding.within?.map((text) => (
              <span key={text} className="block pl-3 text-[14px] text-soft">
                so: {text}
              </span>
            ))}
            <Moves moves={movesOfFinding(all, finding)} />
          </li>
        ))}
        {blocks === undefined && <LayoutInTheWay />}
        {blocks === undefined && <MeasureFirst />}
      </ul>
    </section>
  );
}

/** The usual caution at the place where it bites. */
export const Caution = ({ children }: { readonly children: string }) => (
  <p className="border border-dashed border-edge px-3 py-2 text-[14px]">
    <b className="mr-1 font-semibold">Take care.</b>
    {children}
  </p>
);
