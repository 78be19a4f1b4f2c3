import type { Notice } from '@zubric/core/contract';
import { trainStages } from '@zubric/core/drive';
import { linkDefinition, type LinkReport, type Report } from '@zubric/core/judge';
import { showNumber } from '@zubric/core/quantity';
import { mountPull, stagePull, type Stage, type StageFigures } from '@zubric/core/transmission';
import { useSay, useSentence } from '../../common/units.tsx';
import { useBuild } from '../../session/BuildSession.tsx';
import { useHardestLoads } from './hardest-loads.ts';
import { OpensMargin } from '../../working/OpensOf.tsx';

/** What follows from the numbers of a stage: how far apart, how much wrapped, and how hard it pulls. */
export function Facts({ stage, figures }: { readonly stage: Stage; readonly figures: StageFigures }) {
  const say = useSay();
  const hardest = useHardestLoads();
  const at = hardest?.stages.find((loaded) => loaded.stage.id === stage.id);
  const pull = at && figures.problem === undefined ? stagePull(stage, at.load) : undefined;
  return (
    <ul className="text-[14px] leading-tight">
      {(figures.facts ?? []).map(({ title, value, dimension }) => (
        <li key={title}>
          {title} {say(value, dimension, 4)}
        </li>
      ))}
      {hardest && pull && (
        <li title={`On “${hardest.duty}”, across each of its shafts`}>
          pulls {say(mountPull.run({ ...pull, leverMm: 0 }).shaftN, 'force')}
        </li>
      )}
      {pull && stage.kind === 'timing-belt' && (
        <li title="Each strand, standing still: about the pull of the hardest job">
          set to {say((pull.tightN + pull.slackN) / 2, 'force')}
        </li>
      )}
    </ul>
  );
}

const worstOf = (links: readonly LinkReport[], stageId: string): LinkReport | undefined =>
  links.filter((l) => l.stageId === stageId).sort((a, b) => a.ratio / a.rule - b.ratio / b.rule)[0];

/** When a load works: on a duty, at a stall, or while the motors brake. */
function whenOf({ link, dutyId }: LinkReport, { duties }: Report): string {
  if (link === 'stage-stall') return 'if the wheels jam';
  const duty = duties.find(({ id }) => id === dutyId)?.name ?? '';
  return link === 'stage-brake' ? `braking, ${duty}` : duty;
}

/** The load that is nearest to what the stage stands, on whichever duty. */
export function Strength({
  stage,
  problem,
}: {
  readonly stage: Stage;
  readonly problem: Notice | undefined;
}) {
  const { build, report } = useBuild();
  const say = useSay();
  const sentence = useSentence();
  if (problem !== undefined) return <span className="text-short">{sentence(problem.sentence)}</span>;
  const link = worstOf(report.links, stage.id);
  if (!link) return <span className="text-soft">no load known</span>;
  const { dimension } = linkDefinition(link.link);
  const at = trainStages(build).findIndex(({ id }) => id === stage.id);
  return (
    <span className={link.verdict === 'fails' ? 'text-short' : ''}>
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
      <span className="block text-[14px] text-soft">{whenOf(link, report)}</span>
    </span>
  );
}
