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
  shell: 'It rolls on its shell.',
  'first-run': 'It has to run on the level first.',
  slope: 'It has to stop and hold before it is driven faster.',
};

/** What is built round the axle: what runs on it, or to it, is in its place before. */
const ROUND_THE_AXLE: readonly string[] = ['axle', 'hubs', 'wheels', 'track'];
const BEFORE_THE_AXLE: Readonly<Record<string, string>> = {
  motors: 'It is lined up with the motor.',
  sprockets: 'What turns with it is on before it closes the way.',
  mesh: 'What turns with it is on before it closes the way.',
  couple: 'It is lined up with what is coupled to it.',
  loop: 'A closed loop cannot pass once it is in.',
};

/** Why one step waits for another, where no rule of the trade says it. */
export function usualReason(before: string, step: string): Reason {
  if (step === 'first-power') return { why: 'All that turns is on, tight and guarded before it is fed.' };
  const round = ROUND_THE_AXLE.includes(step) ? BEFORE_THE_AXLE[before] : undefined;
  return { why: round ?? BY_ROLE[before] ?? 'It builds on that.' };
}
