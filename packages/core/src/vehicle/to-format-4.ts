import { isJson, type Json } from '../contract/index.ts';
import { assumed } from '../quantity/index.ts';

/** Format 4 said what the torque passes beside the stages, how the motor is mounted and how the drive disengages. */
export const toFormat4 = (document: Json): Json => ({
  ...document,
  formatVersion: 4,
  ...(isJson(document.drive) ? { drive: { ...document.drive, ...bareDrive() } } : {}),
});

/** A drive of which only motor and stages are known. */
export const bareDrive = () => ({
  path: [],
  mount: { lever: assumed(0.04, 'mm') },
  release: { kind: 'none' as const, at: null, drag: assumed(0, 'N·m') },
});
