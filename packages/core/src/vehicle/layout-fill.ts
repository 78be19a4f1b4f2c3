import type { Drive } from './drive.ts';
import { assumed } from '../quantity/index.ts';
import type { InnerDrive, Steering } from './document.ts';
import type { Axle, DrivenTogether, Layout } from './layout/index.ts';

/** Measures that a layout is filled with, metres. */
export interface Size {
  readonly wheelbaseM: number;
  readonly trackM: number;
  readonly wheelM: number;
}

/** A layout filled with sizes, and how it is driven. */
export interface Filled {
  readonly layout: Layout;
  readonly together: DrivenTogether;
  readonly differential?: Drive['differential'];
  readonly steering?: Steering;
  readonly innerDrive?: InnerDrive;
}

/** A layout to start from: it fills the axles, and every number of it is assumed. */
export interface LayoutTemplate {
  readonly id: string;
  readonly title: string;
  readonly sentence: string;
  readonly fill: (size: Size) => Filled;
}

/** A guessed length. */
export const mm = (metres: number) => assumed(metres, 'mm');

type AxleSketch = Pick<Axle, 'id' | 'name'> &
  Partial<Pick<Axle, 'form' | 'tyre' | 'driven' | 'steered' | 'braked'>> & {
    readonly ahead: number;
    readonly track: number;
    readonly diameter: number;
    readonly contactLength?: number;
    readonly width?: number;
  };

/** An axle, with what is not said as usual. */
export const axle = ({ ahead, track, diameter, width, contactLength, ...sketch }: AxleSketch): Axle => ({
  form: 'wheel',
  tyre: 'pneumatic',
  driven: false,
  steered: false,
  braked: false,
  ...sketch,
  ahead: mm(ahead),
  track: mm(track),
  diameter: mm(diameter),
  width: mm(width ?? diameter / 5),
  ...(contactLength === undefined ? {} : { contactLength: mm(contactLength) }),
});

/** How it is steered: the geometry. Of what steers it nothing is assumed. */
export const linkage = (): Steering => ({
  linkageRatio: assumed(1, ': 1'),
  kingpinOffset: mm(0.02),
  lockToLock: assumed((60 * Math.PI) / 180, '°'),
  knowsPosition: false,
});

/** Two driven wheels behind and something free in front. */
export const twoDriven = (
  id: string,
  title: string,
  sentence: string,
  free: (size: Size) => Omit<AxleSketch, 'id' | 'ahead'>,
): LayoutTemplate => ({
  id,
  title,
  sentence,
  fill: (size) => ({
    layout: {
      kind: 'two-driven',
      axles: [
        axle({
          id: 'driven',
          name: 'Driven wheels',
          ahead: 0,
          track: size.trackM,
          diameter: size.wheelM,
          driven: true,
        }),
        axle({ id: 'free', ahead: size.wheelbaseM, ...free(size) }),
      ],
    },
    together: 'wheel',
  }),
});

/** Fixed wheels on both sides, all driven. */
export const fixedWheels = (id: string, title: string, axles: number): LayoutTemplate => ({
  id,
  title,
  sentence: `${axles * 2} fixed wheels, all driven: it turns by dragging them sideways.`,
  fill: ({ wheelbaseM, trackM, wheelM }) => ({
    layout: {
      kind: 'skid',
      axles: Array.from({ length: axles }, (_, n) =>
        axle({
          id: `axle-${n + 1}`,
          name: n === 0 ? 'Rear wheels' : n === axles - 1 ? 'Front wheels' : 'Middle wheels',
          ahead: (wheelbaseM * n) / (axles - 1),
          track: trackM,
          diameter: wheelM,
          driven: true,
        }),
      ),
    },
    together: 'side',
  }),
});

interface SteeredSketch {
  readonly driven: 'rear' | 'front' | 'all';
  readonly singleFront?: boolean;
  readonly differential?: Drive['differential'];
}

/** Two axles, one of which steers. */
export const steered = (
  id: string,
  title: string,
  sentence: string,
  { driven, singleFront = false, differential = 'open' }: SteeredSketch,
): LayoutTemplate => ({
  id,
  title,
  sentence,
  fill: ({ wheelbaseM, trackM, wheelM }) => ({
    layout: {
      kind: 'steered',
      axles: [
        axle({
          id: 'rear',
          name: 'Rear axle',
          ahead: 0,
          track: trackM,
          diameter: wheelM,
          driven: driven !== 'front',
          braked: true,
        }),
        axle({
          id: 'front',
          name: singleFront ? 'Front wheel' : 'Front axle',
          ahead: wheelbaseM,
          track: singleFront ? 0 : trackM,
          diameter: wheelM,
          driven: driven !== 'rear',
          steered: true,
          braked: true,
        }),
      ],
    },
    together: driven === 'all' ? 'all' : 'axle',
    differential,
    steering: linkage(),
  }),
});
