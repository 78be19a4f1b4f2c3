import type { Build, Duty } from '../build/index.ts';
import { show, showNumber, type UnitSystem } from '../quantity/index.ts';
import type { Driveline } from './driveline.ts';
import { onDuty, said } from './finding.ts';
import { groundFindings } from './ground-findings.ts';
import { linkDefinition, type LinkId } from './links.ts';
import { closeness } from './margin.ts';
import type { DutyReport, Finding, LinkReport, RatioWindow, TrainReport } from './report.ts';

export interface FindingContext {
  readonly build: Build;
  readonly duties: readonly DutyReport[];
  readonly governing: readonly LinkReport[];
  readonly train: TrainReport;
  readonly line?: Driveline;
  readonly system: UnitSystem;
}

const times = (n: number): string => `${showNumber(n)} ×`;

/** Running above the data sheet's voltage by more than this is worth a word (common practice, no source). */
const OVERVOLTAGE = 1.1;
/** Above this a licensed person is called for: volts, direct current. */
const EXTRA_LOW_VOLTAGE = 60;

/** What a sentence is made of: the link, on which duty, and its figures in the builder's units. */
interface Said {
  readonly l: LinkReport;
  readonly where: string;
  readonly needs: string;
  readonly has: string;
  readonly context: FindingContext;
}

type Sayer = (said: Said) => string;

function saidOf(l: LinkReport, context: FindingContext): Said {
  const { dimension } = linkDefinition(l.link);
  const say = (si: number): string => show(si, dimension, context.system).text;
  return { l, where: onDuty(context.build, l.dutyId), needs: say(l.needs), has: say(l.has), context };
}

function sayWindow({ l: link, where, has, context }: Said): string {
  const window: RatioWindow | undefined = context.duties.find((d) => d.id === link.dutyId)?.ratioWindow;
  if (!window?.just)
    return `No ratio does it${where} with this motor: the best, ${showNumber(link.needs)} : 1, gives ${times(link.ratio)} of the torque.`;
  return link.has < link.needs
    ? `The ratio of ${has} is too low${where}: it takes ${showNumber(window.just.low)} : 1 or more.`
    : link.verdict === 'short'
      ? `The ratio of ${has} is too high${where}: at most ${showNumber(window.just.high)} : 1 keeps the speed.`
      : `The ratio of ${has} is near the end of its window${where} (${showNumber(window.just.low)} to ${showNumber(window.just.high)} : 1).`;
}

/** What mends a slip: weight does not where all of it scrubs in the turn, or leans. */
function gripCure(duty: Duty, report: DutyReport | undefined): string {
  if (duty.lean) return 'Let it catch less of a lean, or give it tyres that grip this floor.';
  if (report?.turn && report.turn.momentNm > 0 && report.turn.turning !== 'pivot')
    return 'More weight would scrub as much more: stand shorter on the ground, wider apart, or turn along a bend.';
  return 'Put weight on them.';
}

/** The sentence of each link: what is asked, what there is. */
const SENTENCES: Readonly<Record<LinkId, Sayer>> = {
  grip: ({ l, where, needs, has, context }) => {
    const duty = context.build.duties.find(({ id }) => id === l.dutyId);
    const cure =
      duty &&
      gripCure(
        duty,
        context.duties.find(({ id }) => id === l.dutyId),
      );
    return l.ratio < 1
      ? `The driven wheels slip${where}: they need ${needs}, grip gives ${has}. ${cure ?? ''}`
      : `Grip is ${times(l.ratio)} what is needed${where} (${has} for ${needs}); the rule asks ${times(l.rule)}.`;
  },
  'tip-along': ({ l, where, needs, has }) =>
    l.ratio < 1
      ? `It tips over${where}: slope and speeding up come to ${needs}, it stands to ${has}.`
      : `It tips at ${has}; slope and speeding up come to ${needs}${where}. Lower the load, or bring it towards the middle.`,
  'tip-side': ({ l, where, needs, has }) =>
    l.ratio < 1
      ? `It tips sideways${where}: ${needs} across, it stands to ${has}. Widen the track or lower the load.`
      : `It tips sideways at ${has}; ${needs} is asked${where}.`,
  corner: ({ where, needs, has }) =>
    `The turn is taken at ${needs}${where}; from ${has} on it slides or tips. Slow down, or take it wider.`,
  step: ({ l, where, needs, has }) =>
    l.ratio < 1
      ? `It does not get over the step${where}: grip and push come to ${has}, the edge asks ${needs}. A larger wheel, a ramp, or more driven weight.`
      : `It just gets over the step${where}: grip and push come to ${has}, the edge asks ${needs}.`,
  clearance: ({ where, needs, has }) => `The step of ${needs}${where} is met by a body that clears ${has}.`,
  'push-on': ({ l, where, needs, has }) =>
    l.ratio < 1
      ? `It pushes straight ahead${where}: turning the locked axle asks ${needs} of the steered wheels, they hold ${has}. A differential, a narrower axle, or more weight in front.`
      : `Steering against the driven axle asks ${needs}${where}; the steered wheels hold ${has}.`,
  steering: ({ where, needs, has }) =>
    `Turning the wheels at a stand asks ${needs} of the steering${where}; it has ${has}. A slower linkage, a narrower tyre or a stronger actuator.`,
  'brake-hold': ({ l, where, needs, has }) =>
    l.has === 0
      ? `Nothing holds it${where}: ${needs} pull it downhill. A motor or worm is no parking brake: fit one.`
      : `The brake holds ${has}${where}; the slope pulls with ${needs}. Brake the wheels that carry the weight.`,
  'brake-stop': ({ l, where, needs, has }) =>
    l.has === 0
      ? `Nothing stops it${where} within the distance asked: fit a brake.`
      : `To stop in time${where} it must slow by ${needs}; it can by ${has}.`,
  torque: ({ l, where, needs, has }) =>
    `Each wheel gets ${times(l.ratio)} the torque it needs${where} (${has} for ${needs}); the rule asks ${times(l.rule)}.`,
  speed: ({ l, where, needs, has }) =>
    l.has === 0
      ? `It does not get moving${where}.`
      : `It reaches ${has}${where}, ${times(l.ratio)} the ${needs} asked; the rule asks ${times(l.rule)}.`,
  ratio: sayWindow,
  'chain-pull': ({ where, needs, has }) =>
    `The chain is pulled with ${needs}${where}; a seventh of its strength is ${has}.`,
  'tooth-stress': ({ where, needs, has }) =>
    `The teeth of the smaller gear bend with ${needs}${where}; they may carry ${has}. Wider, a larger module, or a stronger material.`,
  'belt-pull': ({ where, needs, has }) =>
    `The toothed belt is pulled with ${needs}${where}; it may work with ${has}. Wider, or larger pulleys.`,
  slip: ({ l, where, needs, has }) =>
    l.ratio < 1
      ? `It slips${where}: ${needs} are asked, friction holds ${has}. More tension or press, larger pulleys, or a chain or toothed belt.`
      : `Belt or roller hold ${has}${where} of ${needs} asked: a little wet, and they slip.`,
  'gearhead-torque': ({ where, needs, has }) =>
    `The gearhead carries ${needs}${where}; it is rated for ${has}.`,
  'motor-heat': ({ l, where, needs, has }) =>
    l.dutyId === null
      ? `Over the whole outing each motor heats as with ${needs}; it stands ${has} all day.`
      : `Each motor draws ${needs}${where}; it stands ${has} all day.`,
  'driver-current': ({ l, where, needs, has }) =>
    `A driver channel carries ${needs}${where}; it stands ${has} all day, ${times(l.ratio)}, and the rule asks ${times(l.rule)}.`,
  'driver-peak': ({ needs, has }) =>
    `A stalled motor draws ${needs}; the driver stands ${has}. Take a driver that limits current, or a larger one.`,
  'driver-voltage': ({ needs, has }) => `The battery has ${needs} when full; the driver stands ${has}.`,
  'battery-current': ({ l, where, needs, has }) =>
    `The battery gives ${needs}${where}; it may give ${has}, and the rule asks ${times(l.rule)}.`,
  'battery-peak': ({ needs, has }) =>
    `A start at full command draws up to ${needs} from the battery; it may give ${has} for some seconds. Limit the current, or start gently.`,
  'battery-voltage': ({ where, needs, has }) =>
    `The battery sags to ${has}${where}; under ${needs} it cuts out.`,
  energy: ({ l, needs, has }) =>
    `One outing takes ${needs}; the battery gives ${has}, ${times(l.ratio)}, and the rule asks ${times(l.rule)}.`,
};

/** One finding for each link whose governing duty is short or tight, the nearest to failing first. */
const marginFindings = (context: FindingContext): Finding[] =>
  context.governing
    .filter((link) => link.verdict !== 'ample')
    .sort((a, b) => closeness(a) - closeness(b))
    .map((link) => ({
      severity: link.verdict === 'short' ? 'stop' : 'tight',
      text: SENTENCES[link.link](saidOf(link, context)),
      link: link.link,
      dutyId: link.dutyId,
    }));

function missingParts({ build, line }: FindingContext): Finding[] {
  const findings: Finding[] = [];
  if (build.duties.length === 0)
    findings.push(said('stop', 'No duty is stated yet: say in the Brief what it must do.'));
  if (!line) return [...findings, said('stop', 'No motor is chosen yet: choose one in Power.', 'torque')];
  if (!line.driver)
    findings.push(
      said(
        'stop',
        'No driver is chosen yet: reckoned with one that lets every current through.',
        'driver-current',
      ),
    );
  if (!line.battery)
    findings.push(
      said(
        'stop',
        `No battery is chosen yet: reckoned with ${showNumber(line.motor.voltageV)} V that does not sag.`,
        'battery-current',
      ),
    );
  const channels = (line.driver?.channels ?? 0) * build.supply.driverCount;
  if (line.driver && channels < line.circuit.motors)
    findings.push(
      said(
        'stop',
        `${line.circuit.motors} motors need as many channels; the driver has ${channels}. Add another driver.`,
        'driver-current',
      ),
    );
  return findings;
}

function partNotes({ line, train }: FindingContext): Finding[] {
  const findings = train.stages.flatMap((stage) => [
    ...(stage.problem === undefined ? [] : [said('stop', stage.problem, 'ratio')]),
    ...stage.warnings.map((text) => said('tight', text, 'ratio')),
  ]);
  if (!line) return findings;
  findings.push(...line.warnings.map((text) => said('tight', text, 'torque')));
  const { nominalV = 0, fullV = 0 } = line.pack ?? {};
  if (nominalV > OVERVOLTAGE * line.motor.voltageV)
    findings.push(
      said(
        'note',
        `The battery’s ${showNumber(nominalV)} V is above the motor’s ${showNumber(line.motor.voltageV)} V: for a tight spot, not a habit.`,
        'motor-heat',
      ),
    );
  if (fullV > EXTRA_LOW_VOLTAGE)
    findings.push(
      said('note', `${showNumber(fullV)} V is above 60 V: leave the wiring to a licensed person.`),
    );
  return findings;
}

/** All findings: what stops it first, then what is tight, then notes. */
export function findingsOf(context: FindingContext): Finding[] {
  const all = [
    ...missingParts(context),
    ...marginFindings(context),
    ...partNotes(context),
    ...groundFindings(context),
  ];
  const order: readonly Finding['severity'][] = ['stop', 'tight', 'note'];
  return order.flatMap((severity) => all.filter((f) => f.severity === severity));
}
