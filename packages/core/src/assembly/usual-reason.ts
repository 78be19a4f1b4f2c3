import type { Reason } from './step.ts';

/** Why other steps come after one of a role, by how a vehicle is put together (common practice, no source). */
const BY_ROLE: Readonly<Record<string, string>> = {
  frame: 'It is fastened to the frame.',
  motors: 'It goes onto the motor’s shaft, or its leads.',
  bearings: 'The shaft runs in them.',
  axle: 'It sits on the axle.',
  hubs: 'It is bolted to the hub.',
  sprockets: 'It runs over them.',
  loop: 'The loop has to be in its place.',
  mesh: 'It must mesh first.',
  align: 'It must run true first.',
  wheels: 'It is set once the wheels carry it.',
  steering: 'The wheel sits on what steers.',
  wiring: 'There is nothing to measure or feed before it is wired.',
  polarity: 'A wrong pole burns what is fed.',
  drivers: 'Its leads go to the boards.',
  tray: 'The cables end at the battery.',
  charge: 'It needs a charged battery.',
  fuse: 'Nothing is fed before the fuse is in.',
  join: 'It is reached once the modules are on.',
  program: 'Without its limits the first command may be full speed.',
  'first-power': 'It has to turn the right way before it stands on the ground.',
  'first-run': 'It has to run on the level first.',
  slope: 'It has to stop and hold before it is driven faster.',
};

/** Why one step waits for another, where no rule of the trade says it. */
export const usualReason = (before: string, step: string): Reason => ({
  why:
    step === 'first-power'
      ? 'All that turns is on, tight and guarded before it is fed.'
      : (BY_ROLE[before] ?? 'It builds on that.'),
});
