import { layoutFindingInWords, layoutMoveInWords } from '@zubric/core/say';
import { withLayoutMove, type LayoutFinding } from '@zubric/core/layout';
import { useUnits } from '../../common/units.tsx';
import { useBuild } from '../../session/BuildSession.tsx';

interface Props {
  readonly findings: readonly LayoutFinding[];
  readonly onChoose: (id: string) => void;
}

/** What stands in the way of where things are, each with what would mend it. */
export function LayoutFindings({ findings, onChoose }: Props) {
  const { build, edit } = useBuild();
  const { system } = useUnits();
  return (
    <ul aria-label="What stands in the way of the layout">
      {findings.length === 0 && (
        <li className="py-1 text-soft">Nothing is in another’s way, and all is reached.</li>
      )}
      {findings.map((finding, n) => (
        <li key={n} className="border-t border-line py-2 first:border-0">
          <b
            className={`mr-2 text-[14px] font-semibold ${finding.severity === 'stop' ? 'text-short' : 'text-soft'}`}
          >
            {finding.severity}
          </b>
          {layoutFindingInWords(finding, build, system)}
          {'partId' in finding && (
            <button
              type="button"
              className="push-plain ml-2 text-[14px]"
              onClick={() => onChoose(finding.partId)}
            >
              show it
            </button>
          )}
          {finding.moves.map((move) => {
            const text = layoutMoveInWords(move, build, system);
            return (
              <span key={text} className="mt-1 flex items-start justify-between gap-2 text-[14px]">
                <span>{text}</span>
                <button
                  type="button"
                  className="push push-small shrink-0 self-start"
                  aria-label={`Try: ${text}`}
                  onClick={() => edit((b) => withLayoutMove(b, move))}
                >
                  Try
                </button>
              </span>
            );
          })}
        </li>
      ))}
    </ul>
  );
}
