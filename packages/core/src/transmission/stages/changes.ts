import { type Quantity, figure, sentence } from '../../quantity/index.ts';
import type { StageChange } from './member.ts';

/** How far the middles of two wheels stand apart where they would touch, metres. */
export const touching = (diametersM: readonly number[]): number =>
  diametersM.reduce((sum, d) => sum + d / 2, 0);

/** Diameter of a wheel whose teeth are a pitch apart, metres. */
export const acrossTeeth = (teeth: number, pitchM: number): number => (teeth * pitchM) / Math.PI;

/** Room between two wheels, as shares of where they touch. */
export const ROOM = [1.2, 1.6, 2.4] as const;

/** Its shafts further apart than now, and than where its wheels touch. */
export const further = <S extends { readonly centre: Quantity }>(
  stage: S,
  touchM: number,
  { what }: { readonly what: string },
): StageChange<S>[] =>
  [...[1.5, 2, 3].map((by) => by * stage.centre.value), ...ROOM.map((room) => room * touchM)].map(
    (apart) => ({
      text: sentence`${what} ${figure(apart, 'length')} apart`,
      stage: { ...stage, centre: { ...stage.centre, value: apart, origin: 'typed' } },
    }),
  );

/** Stages whose ratio is that of two tooth counts. */
export interface TeethPair {
  readonly teethDriver: number;
  readonly teethDriven: number;
}

/** Tooth counts by one factor: the ratio stays near. */
export const resizedPair = ({ teethDriver, teethDriven }: TeethPair, by: number): TeethPair => ({
  teethDriver: Math.round(teethDriver * by),
  teethDriven: Math.round(teethDriven * by),
});

/** Teeth as they are said: "10 to 40". */
export const teethOf = ({ teethDriver, teethDriven }: TeethPair): string =>
  `${teethDriver} to ${teethDriven}`;
