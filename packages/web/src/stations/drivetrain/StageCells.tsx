import { linkDefinition, trainStages, type LinkReport } from '@zubric/core/evaluate';
import { showNumber } from '@zubric/core/quantity';
import type { Stage, StageFigures } from '@zubric/core/transmission';
import { useSay } from '../../app/units.tsx';
import { useBuild } from '../../session/BuildSession.tsx';
import { OpensMargin } from '../../working/OpensOf.tsx';

/** What follows from the numbers of a stage: how far apart, how much wrapped. */
export function Facts({ figures }: { readonly figures: StageFigures }) {
  const say = useSay();
  return (
    <ul className="text-[14px] leading-tight">
      {(figures.facts ?? []).map(({ title, value, dimension }) => (
        <li key={title}>
          {title} {say(value, dimension, 4)}
        </li>
      ))}
    </ul>
  );
}

const worstOf = (links: readonly LinkReport[], stageId: string): LinkReport | undefined =>
  links.filter((l) => l.stageId === stageId).sort((a, b) => a.ratio / a.rule - b.ratio / b.rule)[0];

/** The load that is nearest to what the stage stands, on whichever duty. */
export function Strength({
  stage,
  problem,
}: {
  readonly stage: Stage;
  readonly problem: string | undefined;
}) {
  const { build, report } = useBuild();
  const say = useSay();
  if (problem !== undefined) return <span className="text-short">{problem}</span>;
  const link = worstOf(report.links, stage.id);
  if (!link) return <span className="text-soft">no load known</span>;
  const { dimension } = linkDefinition(link.link);
  const at = trainStages(build).findIndex(({ id }) => id === stage.id);
  return (
    <span className={link.verdict === 'short' ? 'text-short' : ''}>
      <OpensMargin link={link} side="needs" title={`the load on stage ${at + 1}`}>
        {say(link.needs, dimension)}
      </OpensMargin>{' '}
      of{' '}
      <OpensMargin link={link} side="has" title={`what stage ${at + 1} stands`}>
        {say(link.has, dimension)}
      </OpensMargin>
      ,{' '}
      <b className="font-semibold">
        {showNumber(link.ratio)} ×{link.verdict === 'ample' ? '' : ` ${link.verdict}`}
      </b>
    </span>
  );
}
