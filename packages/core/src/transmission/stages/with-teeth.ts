import type { Stage } from './index.ts';

/** Stages whose ratio is that of two tooth counts. */
export type Toothed = Extract<Stage, { teethDriver: number; teethDriven: number }>;
export const isToothed = (stage: Stage): stage is Toothed => 'teethDriver' in stage;

/** A stage with other tooth counts; its belt grows as much as its pulleys, so that the shafts stay about where they are. */
export function withTeeth<S extends Toothed>(stage: S, teethDriver: number, teethDriven: number): S {
  const same = { ...stage, teethDriver, teethDriven };
  if (stage.kind !== 'timing-belt') return same;
  const more = teethDriver - stage.teethDriver + teethDriven - stage.teethDriven;
  return { ...same, beltTeeth: stage.beltTeeth + Math.round(more / 2) };
}
