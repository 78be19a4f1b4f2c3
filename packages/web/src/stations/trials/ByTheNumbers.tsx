import { linkDefinition, marginAlone, type LinkId } from '@zubric/core/judge';
import { movesInWords } from '@zubric/core/say';
import { useUnits } from '../../common/units.tsx';
import { Moves } from '../../findings/Moves.tsx';
import { useMoves } from '../../findings/use-moves.ts';
import { useBuild } from '../../session/BuildSession.tsx';

/** What the build's own numbers say of a cause: the nearest of its margins, and the moves that would mend it. */
export function ByTheNumbers({ links }: { readonly links: readonly LinkId[] }) {
  const { build, report } = useBuild();
  const { system } = useUnits();
  const { moves } = useMoves(build);
  const nearest = report.governing
    .filter(({ link }) => links.includes(link))
    .reduce<(typeof report.governing)[number] | undefined>(
      (worst, one) => (!worst || one.ratio / one.rule < worst.ratio / worst.rule ? one : worst),
      undefined,
    );
  if (!nearest) return null;
  const { title } = linkDefinition(nearest.link);
  const found = movesInWords(moves, system).find(({ link }) => link === nearest.link);
  const holds = nearest.ratio >= nearest.rule;
  return (
    <div className="text-[15px]">
      <p>
        By the build’s own numbers: {title.charAt(0).toLowerCase() + title.slice(1)} has{' '}
        {marginAlone(nearest)}.{' '}
        {holds && (
          <span className="text-soft">
            That holds: if it is this all the same, one of its numbers is off. Measure it.
          </span>
        )}
      </p>
      <Moves moves={found?.moves ?? []} />
    </div>
  );
}
