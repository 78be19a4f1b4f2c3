export {
  firmwareHeader,
  firmwareJson,
  firmwareLines,
  firmwareOf,
  type Firmware,
  type FirmwareConstant,
  type FirmwarePin,
} from './firmware.ts';
export { bodiesOf, type Bodies, type RigidBody, type RollingBody } from './solid-links.ts';
export { urdfOf } from './urdf.ts';
export { nameWithin } from './written-name.ts';
