import { driveOf } from '../vehicle/index.ts';
import type { FindingCode } from '../judge/index.ts';
import { figure } from '../quantity/index.ts';
import { stageKind } from '../transmission/index.ts';
import { dutyOf, elementName, onDuty, stageTitle, type About, type Sayer } from './about.ts';

/** The torque under which a mount's twist is measured, N·m. */
const TWIST_NM = 10;

/** A loop by its name, and which of several it is. */
function loopName({ build }: About, stageId: string | undefined): string {
  const { stages } = driveOf(build);
  const at = stages.findIndex(({ id }) => id === stageId);
  const kind = stages[at]?.kind;
  const name = (kind && stageKind(kind).loop?.name) ?? 'loop';
  return stages.filter((stage) => stage.kind === kind).length > 1 ? `${name} of stage ${at + 1}` : name;
}

/** Torque path, loops, disengaging, play, rotors. */
export const ON_DRIVE = {
  'mismatch-bush': ({ elementId, figures: { has, wants } }, about) =>
    `“${elementName(about, elementId)}” has a bore of ${about.say(has)} on a shaft of ${about.say(wants)}: take a bush from ${about.say(has)} to ${about.say(wants)}, or a hub of that bore.`,
  'mismatch-stepped-shaft': ({ elementId, figures: { has, wants } }, about) =>
    `“${elementName(about, elementId)}” has a bore of ${about.say(has)} and does not go on a shaft of ${about.say(wants)}: bore it out, or take an adapter from ${about.say(wants)} to ${about.say(has)}.`,
  'mismatch-stepped-key': ({ elementId, figures: { has, wants } }, about) =>
    `The key of “${elementName(about, elementId)}” is ${about.say(has)} wide, the keyway of its shaft ${about.say(wants)}: take a stepped key, or a hub of that width.`,
  'mismatch-cut-keyway': ({ elementId, figures: { has } }, about) =>
    `“${elementName(about, elementId)}” is held by a key of ${about.say(has)}, and its shaft has no keyway: cut one, or hold the hub another way.`,
  'mismatch-plate': ({ elementId, figures: { has, wants, holesHas, holesWants } }, about) =>
    `“${elementName(about, elementId)}” joins ${holesHas.value} holes on ${about.say(has)} to ${holesWants.value} on ${about.say(wants)}: take an adapter plate with both circles.`,
  'lost-element': ({ elementId }, about) =>
    `“${elementName(about, elementId)}” stands behind a stage that is no longer there: say in Drivetrain where it sits, or remove it.`,
  'no-path': () =>
    'Nothing is said yet of shafts and hubs between motor and wheel: a set screw or key is often what lets go first.',
  'large-wheel': ({ stageId, figures: { across, room } }, about) =>
    `The larger wheel of the ${stageTitle(about, stageId)} is ${about.say(across)} across, and the vehicle ${about.say(room)} high: fewer teeth, a finer pitch, or two stages. If it may stand out, the body is higher than the Brief says.`,
  'say-tensioner': ({ stageId }, about) =>
    `Say how the ${loopName(about, stageId)} is tensioned: every belt or chain needs slots or an idler.`,
  'no-tensioner': ({ stageId }, about) =>
    `Nothing tensions the ${loopName(about, stageId)}: it goes slack as it wears, and comes off or jumps. Slots for the motor, or an idler.`,
  'chain-throws': (_, { say }) =>
    `Chains come off by misalignment, float along the axle, slack and mounts that give: collars, a straight edge, and a mount whose twist under ${say(figure(TWIST_NM, 'torque'))} you have measured.`,
  'jockey-needs-loop': () => 'A jockey lets a belt or chain go slack: say at which of them it disengages.',
  'still-locks': () =>
    'Disengaged where it is, a stage that locks is still between it and the wheel: disengage behind that stage.',
  'released-holds-nothing': ({ dutyId }, about) =>
    `Disengaged, the drive holds nothing${onDuty(about, dutyId)}: it needs a brake that works without the drive.`,
  'rider-needs-brake': () =>
    'Somebody rides, and nothing but the drive slows it: fit a friction brake. Motors brake only while there is current, and neither a worm nor a chain holds a person.',
  'balancer-play': ({ figures: { atWheel, atGround } }, { say }) =>
    `The stages have ${say(atWheel)} of play at the wheel, ${say(atGround)} on the ground: a balancer chatters in it. Belts, or fewer gears near the wheel.`,
  play: ({ figures: { atWheel, atGround } }, { say }) =>
    `Backlash adds up: ${say(atWheel)} at the wheel, ${say(atGround)} on the ground, and run-out of wheels and sprockets on top. It knocks at each start and blurs slow or measured driving.`,
  rotors: ({ figures: { ratio, more } }, { say }) =>
    `The rotors behind ${say(ratio)} count as ${say(more)} more mass to be sped up, empty: less reduction or a slimmer rotor starts sooner.`,
  'quick-motor': ({ dutyId }, about) =>
    `The motor lives at high speed, and “${dutyOf(about, dutyId)?.name ?? ''}” starts it often: much reduction and much draw. Geared brushed motors suit all-day, stop-and-go work.`,
  creeps: ({ dutyId, figures: { speed, rotation, share } }, about) =>
    `At ${about.say(speed)}${onDuty(about, dutyId)} the motor turns ${about.say(rotation)}, ${about.say(share)} of its no-load speed: it creeps unevenly. More reduction, an encoder, or a stepping motor.`,
} satisfies Partial<{ [Code in FindingCode]: Sayer<Code> }>;
