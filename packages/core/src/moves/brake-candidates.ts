import { brakedAll, type Generator } from './candidate.ts';
import { scaled } from '../quantity/index.ts';

/** A brake on every axle. */
export const brake: Generator = ({ build }) => [brakedAll(build)];

/** A friction brake, where there is none. */
export const frictionBrake: Generator = (asked) =>
  asked.build.brake.kind === 'friction' ? [] : brake(asked);

/** More force at the brake. */
export const quickerBrake: Generator = ({ build }) =>
  build.brake.force
    ? [
        {
          text: 'A brake of twice the force',
          cost: 'a larger brake, and a lever that works it',
          build: { ...build, brake: { ...build.brake, force: scaled(build.brake.force, 2) } },
        },
      ]
    : [];
