import type { Finding, FindingCode } from '../judge/index.ts';
import { inUnits, showNumber } from '../quantity/index.ts';
import type { About, Sayer } from './about.ts';

/** What a calculator says, passed on in the builder's units. */
export const passedOn = ({ notice }: Pick<Finding, 'notice'>, { system }: About): string =>
  notice ? inUnits(notice.sentence, system) : '';

/** A count is said in full. */
const count = ({ value }: { readonly value: number }): string => String(value);

/** What is missing, and what chosen parts say of each other. */
export const ON_PARTS = {
  'no-duty': () => 'No job is stated yet: say in the Brief what it must do.',
  'no-motor': () => 'No motor is chosen yet: choose one in Power.',
  'no-fuse': ({ figures }, { say }) =>
    `No main fuse is said: one of ${say(figures.suits)}, close to the battery, suits what is drawn and protects its cable.`,
  'no-fuse-yet': () =>
    'No main fuse is said: close to the battery, at least a quarter over what is drawn, and no more than its cable carries.',
  'unlike-packs': () =>
    'Packs side by side must be alike: the fuller or stronger one is pushed into the other, and may burn. In series, or alike packs.',
  'first-empty': ({ figures }, { say }) =>
    `The packs in series hold ${say(figures.least)} and ${say(figures.most)}: the smaller is empty first and is then driven on by the other. Watch each, or take alike ones.`,
  'no-source': () =>
    'A charger or a solar panel alone does not feed motors: put a battery between them, and say the charger or panel beside it.',
  'turns-off': ({ figures }, { say }) =>
    `This power bank turns itself off under ${say(figures.least)}, and at rest only ${say(figures.idle)} are drawn: it goes off while the vehicle stands. A load that keeps it awake, or one that stays on.`,
  'on-a-lead': () =>
    'Fed from a supply on a lead: it drives as far as its lead reaches; keep the lead clear of the wheels.',
  'full-battery': () =>
    'A battery that has just been charged cannot take what the motors give back: the first hill down after charging, the brake does not hold. Begin with a little out of it, or fit a friction brake.',
  'cable-drop': ({ figures }, { say }) =>
    `The battery’s cable loses ${say(figures.lost)} of ${say(figures.of)} at the hardest job: a thicker or shorter one.`,
  'no-interlock': ({ title }) =>
    `“${title ?? ''}” goes on turning when it is let go, with people near: a switch that cuts it, in the handle, at the lid or on the lift.`,
  'charges-in': ({ figures }, { say }) => `After an outing it charges for ${say(figures.time)}.`,
  'sun-gives': ({ figures }, { say }) =>
    figures.outings.value > 0
      ? `The panel gives ${say(figures.energy)} a day: ${showNumber(figures.outings.value)} outings a day.`
      : `The panel gives ${say(figures.energy)} a day: less than it draws standing by.`,
  'needs-spool': () => 'A lift is pulled up by a rope on a spool: let its stages end in one, in Drivetrain.',
  'no-driver': () => 'No driver is chosen yet: reckoned with one that lets every current through.',
  'stops-short': () =>
    'This servo turns from stop to stop only: it steers or lifts. To drive a wheel take one that turns on and on, or a motor.',
  'cannot-brake': () =>
    'Its brake is said to be electronic, and this motor or its driver cannot brake: a series-wound motor does not push back, and a switch only lets go. Fit a friction brake.',
  'switches-only': () =>
    'This driver gives all or nothing: it starts with its full pull, and goes no slower than it can. With people near or riding take one that works by degrees.',
  'no-battery': ({ figures }, { say }) =>
    `No battery is chosen yet: reckoned with ${say(figures.rated)} that does not sag.`,
  'few-channels': ({ figures }) =>
    `${count(figures.motors)} motors need as many channels; the driver has ${count(figures.channels)}. Add another driver.`,
  'parts-heavier': ({ figures }, { say }) =>
    `The chosen parts weigh ${say(figures.parts)} together, and the Brief says ${say(figures.said)} of the whole vehicle: put right what it weighs, or take lighter parts.`,
  'inner-outside': ({ figures }, { say }) =>
    `What climbs inside would lie ${say(figures.offset)} off the middle of a sphere of ${say(figures.radius)} radius: it does not fit. A larger shell, or nearer to its middle.`,
  'stage-problem': passedOn,
  'stage-warning': passedOn,
  'motor-warning': passedOn,
  'motor-caution': passedOn,
  misfit: passedOn,
  'encoder-way': ({ figures }, { say }) =>
    `The encoders give ${say(figures.counts)} counts for a metre of road, by the wheel’s own size: measure it once on the floor.`,
  'burns-held': ({ figures }, { say }) =>
    `Held at full command each motor draws ${say(figures.current)}, and its winding is at ${say(figures.limit)} in about ${say(figures.time)}, at the earliest in ${say(figures.least)}: let go at once where it stalls, or hold current or command back.`,
  'drives-fight': ({ title, figures }, { say }) =>
    `At ${say(figures.speed)} “${title ?? ''}” is past its free speed: the others drag it round with ${say(figures.drag)}, which its battery may be asked to take. Gear it to about ${say(figures.ratio)} or longer, or let it freewheel.`,
  'large-servo': () =>
    'The steering actuator is larger than what the 5 V supply on a controller feeds: give it a supply of its own.',
  'over-voltage': ({ figures }, { say }) =>
    `The battery’s ${say(figures.battery)} is above the motor’s ${say(figures.motor)}: for a tight spot, not a habit.`,
  'packs-in-series': ({ figures }) =>
    `${count(figures.packs)} packs in series have no cut-off in common: watch the voltage of each, and charge each by itself.`,
  'packs-in-parallel': ({ figures }) =>
    `${count(figures.packs)} packs in parallel: join them only at the same voltage and age, each with a fuse of its own, or the fuller one is pushed into the emptier.`,
  'guessed-figures': ({ title, figures }, { say }) =>
    `What is reckoned with of “${title ?? ''}” is partly guessed, up to ${say(figures.off)} off: read it on the bench before you rely on it.`,
  'above-60-v': ({ figures }, { say }) =>
    `${say(figures.full)} is above 60 V: leave the wiring to a licensed person.`,
  'event-limit': ({ title, figures }, { say }) =>
    `Over the limit of its event: ${title ?? ''} is ${say(figures.value)}, at most ${say(figures.most)} is allowed.`,
} satisfies Partial<{ [Code in FindingCode]: Sayer<Code> }>;
