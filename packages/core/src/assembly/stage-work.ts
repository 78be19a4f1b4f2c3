import {
  chainGeometry,
  stageFigures,
  type Stage,
  type StageKind,
  type StageOf,
} from '../transmission/index.ts';
import { show, showNumber } from '../quantity/index.ts';

import { HOUR_S, MINUTE_S, type StepPlan } from './step.ts';
import type { Wanted } from './wanted.ts';

/** What a kind of stage brings to the shed: its parts (for one wheel) and its steps (for all). */
interface StageWork<S extends Stage> {
  parts(stage: S): readonly Wanted[];
  /** Steps before the wheels go on, and after. Ids are the stage's own; the caller puts its id before them. */
  before(stage: S): readonly StepPlan[];
  after(stage: S): readonly StepPlan[];
}

/** Thread lock reaches its strength in a day (common practice; the maker's sheet stands). */
const CURE_S = 24 * HOUR_S;

const chain: StageWork<StageOf<'chain'>> = {
  parts: (stage) => {
    const size = stage.chain.toUpperCase().replace('-', ' ');
    const links = stageFigures(stage).problem === undefined ? `, ${chainGeometry(stage).links} links` : '';
    return [
      { id: 'driver', name: `Sprocket, ${size}, ${stage.teethDriver} teeth`, count: 1 },
      { id: 'driven', name: `Sprocket, ${size}, ${stage.teethDriven} teeth`, count: 1 },
      { id: 'chain', name: `Chain, ${size}${links}, with connecting link`, count: 1 },
      { id: 'guard', name: 'Chain guard', count: 1 },
    ];
  },
  before: () => [
    {
      id: 'sprockets',
      title: 'Fit both sprockets, still loose',
      detail:
        'Two set screws at an angle to each other, one on the flat of the shaft. Do not tighten them yet.',
      handsOnS: HOUR_S,
      parts: ['driver', 'driven'],
    },
    {
      id: 'loop',
      title: 'Loop the chain over the sprockets',
      detail: 'Before the wheel goes on: afterwards the loop cannot pass it.',
      handsOnS: 30 * MINUTE_S,
      parts: ['chain'],
      after: ['sprockets'],
    },
  ],
  after: (stage) => [
    {
      id: 'align',
      title: 'Align the sprockets and tension the chain',
      detail: `Straight edge across both faces; collars against float. Play in the slack run about 2 % of the centre distance: ${show(stage.centre.value * 0.02, 'length', 'as-typed', { typedUnit: stage.centre.unit }).text}.`,
      handsOnS: HOUR_S,
      after: ['loop'],
    },
    {
      id: 'lock',
      title: 'Thread lock the set screws and tighten them',
      detail: 'Only now that the line is true.',
      handsOnS: 30 * MINUTE_S,
      waitingS: CURE_S,
      waitingFor: 'the thread lock to cure',
      after: ['align'],
    },
    {
      id: 'guard',
      title: 'Put the chain guard on',
      handsOnS: HOUR_S,
      parts: ['guard'],
      after: ['align'],
      caution: 'A chain takes fingers: no power while the guard is off.',
    },
  ],
};

const gearhead: StageWork<StageOf<'gearhead'>> = {
  parts: (stage) => [{ id: 'gearhead', name: `Gearhead, ${showNumber(stage.ratio.value)} : 1`, count: 1 }],
  before: () => [
    {
      id: 'mesh',
      title: 'Bolt the gearhead to the motor',
      detail: 'Mesh and align the gears before their set screws are tightened; it must turn freely by hand.',
      handsOnS: HOUR_S,
      parts: ['gearhead'],
      needs: ['motor'],
    },
  ],
  after: () => [],
};

const STAGE_WORK: { readonly [K in StageKind]: StageWork<StageOf<K>> } = { gearhead, chain };

/** The table's type ties each kind to its work; the compiler cannot follow that through a union. */
export const stageWork = (stage: Stage): StageWork<Stage> => STAGE_WORK[stage.kind];
