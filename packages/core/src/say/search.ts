import { linkDefinition, standsStill, type LinkReport } from '../judge/index.ts';
import { show, showNumber, type UnitSystem } from '../quantity/index.ts';
import { inFull, type Rejected, type SetOfParts } from '../search/index.ts';
import { chainSize, stageName, type Stage } from '../transmission/index.ts';
import type { Build } from '../vehicle/index.ts';

/** Which chain or belt goes round it, as it is bought. */
function loopInWords(stage: Stage): string {
  if (stage.kind === 'chain') return `${chainSize(stage.chain).title.split(',')[0] ?? ''} `;
  return stage.kind === 'timing-belt'
    ? `of ${stage.beltTeeth} teeth, ${show(stage.pitch.value, 'length', 'metric').text}, `
    : '';
}

const stageInWords = (stage: Stage): string =>
  'teethDriver' in stage
    ? `${stageName(stage.kind)} ${loopInWords(stage)}${stage.teethDriver} to ${stage.teethDriven}`
    : stageName(stage.kind);

/**
 * A set as it is told: its stages and, where they are others, its wheels.
 *
 * @example setInWords({ motor: motorOf(puffin), battery: batteryOf(puffin), stages: driveOf(puffin).stages }) // 'chain ANSI 35 10 to 40'
 */
export function setInWords({ stages, wheelDiameterM }: SetOfParts, system: UnitSystem = 'metric'): string {
  const train = stages.length === 0 ? 'no stage behind the motor' : stages.map(stageInWords).join(', then ');
  return wheelDiameterM === undefined
    ? train
    : `${train}; driven wheels of ${show(wheelDiameterM, 'length', system).text}`;
}

/** Why a part is not looked at, or fits no other. */
const UNFIT = {
  'left-out': 'You left it out.',
  'sort-left-out': 'You left out all of its sort.',
  'not-on-hand': 'It is not on hand.',
  'over-budget': 'It alone costs more than you, or your event, allow.',
  'no-price': 'Its price is not known, and you set a budget: write down what it costs.',
  'too-heavy': 'It alone weighs more than you allow, or than the whole vehicle is said to.',
  burdens: 'These motors would weigh more than a quarter of the vehicle.',
  'no-encoder': 'It has no encoder.',
  'stops-short': 'It turns from stop to stop only: it drives no wheel.',
  'only-switches': 'It gives all or nothing: with people near or riding take one that works by degrees.',
  'too-many-volts': 'Charged full it has more volts than you, or your event, allow.',
  'no-ratio': 'At no ratio that is to be had does it give both the torque and the speed that every job asks.',
  'no-partner':
    'Nothing that is left suits it: its voltage or kind fits no motor, driver and battery within what you allow.',
} as const;

/** What a set is better in. */
function betterIn({ best, by }: Extract<Rejected, { why: 'outdone' }>): string {
  const said = [
    ...((by.cost ?? Infinity) < (best.cost ?? Infinity) ? ['costs less'] : []),
    ...(by.massKg < best.massKg ? ['weighs less'] : []),
    ...(by.runTimeS > best.runTimeS ? ['runs longer'] : []),
    ...(by.near > best.near ? ['has more to spare'] : []),
  ];
  if (said.length === 0) return 'is as good in everything';
  return said.length === 1 ? (said[0] ?? '') : `${said.slice(0, -1).join(', ')} and ${said.at(-1) ?? ''}`;
}

/** What a set lacks most. */
function lacks(link: LinkReport | undefined): string {
  if (!link) return 'does not do what is asked';
  if (standsStill(link)) return 'does not get moving';
  return `has ${showNumber(link.ratio)}\u00a0× of what is needed for “${linkDefinition(link.link).title}”`;
}

/**
 * Why a part is in none of the sets that are worth choosing from, in one or two sentences.
 *
 * @example whyNot({ part: motorOf(puffin), why: 'no-encoder' }, puffin) // 'It has no encoder.'
 */
export function whyNot(rejected: Rejected, build: Build, system: UnitSystem = 'metric'): string {
  switch (rejected.why) {
    case 'fails': {
      const { best } = rejected;
      const { fails, ofSet } = inFull(build, best);
      // What fails is told before what is only short of a high rule.
      const link = fails ?? ofSet;
      const duty = build.duties.find(({ id }) => id === link?.dutyId);
      const where = duty ? ` on “${duty.name}”` : '';
      return `At its best (${partsInWords(best)}; ${setInWords(best, system)}) it ${lacks(link)}${where}.`;
    }
    case 'outdone':
      return `It works (${partsInWords(rejected.best)}), but another set ${betterIn(rejected)}: ${partsInWords(rejected.by)}.`;
    default:
      return UNFIT[rejected.why];
  }
}

const partsInWords = ({ motor, driver, battery }: SetOfParts): string =>
  [motor, driver, battery].flatMap((part) => (part ? part.name : [])).join(' + ');
