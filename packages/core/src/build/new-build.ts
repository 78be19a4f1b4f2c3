import { newAssemblyPlan } from './assembly-plan.ts';
import { FORMAT, FORMAT_VERSION, type Build, type Duty, type Ground } from './document.ts';
import { DOUBLE_RULE } from './margin-policy.ts';
import { degreesToRadians } from '../contract/index.ts';
import { assumed } from '../quantity/index.ts';

/** An id of the form `prefix-n` that none of these has. */
export function freeId(prefix: string, taken: readonly { readonly id: string }[]): string {
  let n = taken.length + 1;
  while (taken.some((item) => item.id === `${prefix}-${n}`)) n++;
  return `${prefix}-${n}`;
}

/** A duty to start from: level, walking pace, fully loaded. */
export const newDuty = (id: string, name: string, groundId: string): Duty => ({
  id,
  name,
  groundId,
  grade: assumed(0, '°'),
  speed: assumed(1, 'm/s'),
  acceleration: assumed(0, 'm/s²'),
  payloadShare: assumed(1, '%'),
  drawbar: assumed(0, 'N'),
  duration: assumed(600, 'min'),
  mayRunHot: false,
});

/** A ground to start from: dry concrete under rubber (Wong and Gillespie tables, from memory). */
export const newGround = (id: string, name: string): Ground => ({
  id,
  name,
  rolling: assumed(0.02, ''),
  friction: assumed(0.7, ''),
});

/** A vehicle with every number assumed and no parts chosen: two driven wheels and castors. */
export const newBuild = (name: string): Build => ({
  format: FORMAT,
  formatVersion: FORMAT_VERSION,
  name,
  purpose: '',
  readyBy: null,
  layout: {
    kind: 'two-driven-castors',
    drivenEnd: 'rear',
    wheelbase: assumed(0.6, 'm'),
    track: assumed(0.5, 'm'),
    wheelDiameter: assumed(0.3, 'mm'),
  },
  dragArea: assumed(0, 'm²'),
  masses: {
    own: { mass: assumed(30, 'kg'), aheadOfRearAxle: assumed(0.2, 'mm'), height: assumed(0.25, 'mm') },
    payload: { mass: assumed(20, 'kg'), aheadOfRearAxle: assumed(0.2, 'mm'), height: assumed(0.4, 'mm') },
  },
  grounds: [newGround('ground-1', 'Dry concrete')],
  duties: [
    newDuty('duty-1', 'Level, loaded', 'ground-1'),
    {
      ...newDuty('duty-2', 'Ramp, loaded', 'ground-1'),
      grade: assumed(degreesToRadians(5), '°'),
      speed: assumed(0.6, 'm/s'),
      duration: assumed(120, 'min'),
    },
  ],
  drive: {
    id: 'drive-1',
    name: 'Driven wheels',
    motorId: null,
    motorsPerWheel: 1,
    stages: [],
  },
  supply: {
    batteryId: null,
    driverId: null,
    driverCount: 1,
    cableResistance: assumed(0.005, 'mΩ'),
    motorLeadResistance: assumed(0.01, 'mΩ'),
    auxiliaryPower: assumed(2, 'W'),
    usableShare: assumed(0.8, '%'),
  },
  marginPolicy: DOUBLE_RULE,
  parts: [],
  assembly: newAssemblyPlan(),
});
