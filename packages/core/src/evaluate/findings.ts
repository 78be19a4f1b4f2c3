import type { Build, Duty } from '../build/index.ts';
import { radiansToDegrees } from '../contract/index.ts';
import { show, showNumber, type UnitSystem } from '../quantity/index.ts';
import type { Driveline } from './driveline.ts';
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

/** Above this grade a vehicle left to itself rolls away (common practice, no source): radians. */
const ROLLS_AWAY = (2 * Math.PI) / 180;
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

/** The sentence of each link: what is asked, what there is. */
const SENTENCES: Readonly<Record<LinkId, Sayer>> = {
  grip: ({ l, where, needs, has }) =>
    l.ratio < 1
      ? `The driven wheels spin${where}: they need ${needs}, grip gives ${has}. Put weight on them.`
      : `Grip is ${times(l.ratio)} what is needed${where} (${has} for ${needs}); the rule asks ${times(l.rule)}.`,
  torque: ({ l, where, needs, has }) =>
    `Each wheel gets ${times(l.ratio)} the torque it needs${where} (${has} for ${needs}); the rule asks ${times(l.rule)}.`,
  speed: ({ l, where, needs, has }) =>
    l.has === 0
      ? `It does not get moving${where}.`
      : `It reaches ${has}${where}, ${times(l.ratio)} the ${needs} asked; the rule asks ${times(l.rule)}.`,
  ratio: sayWindow,
  'chain-pull': ({ where, needs, has }) =>
    `The chain is pulled with ${needs}${where}; a seventh of its strength is ${has}.`,
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

const onDuty = (build: Build, dutyId: string | null): string => {
  const duty: Duty | undefined = build.duties.find((d) => d.id === dutyId);
  return duty ? ` on “${duty.name}”` : '';
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

const said = (
  severity: Finding['severity'],
  text: string,
  link: LinkId | null = null,
  dutyId: string | null = null,
): Finding => ({ severity, text, link, dutyId });

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

function groundNotes({ build, duties, system }: FindingContext): Finding[] {
  const findings: Finding[] = duties
    .filter((d) => d.footing.lifts !== 'none')
    .map((d) =>
      said(
        'stop',
        `The ${d.footing.lifts} axle leaves the ground${onDuty(build, d.id)}: move weight towards it or lower the load.`,
        'grip',
        d.id,
      ),
    );
  const steepest = build.duties.reduce<Duty | undefined>(
    (most, d) => (Math.abs(d.grade.value) > Math.abs(most?.grade.value ?? 0) ? d : most),
    undefined,
  );
  if (steepest && Math.abs(steepest.grade.value) > ROLLS_AWAY)
    findings.push(
      said(
        'note',
        `Nothing in this build holds it on ${showNumber(Math.abs(radiansToDegrees(steepest.grade.value)))}° when the drive is off. A motor, chain or gearhead is no parking brake: fit one to the wheels that carry the weight going down.`,
        null,
        steepest.id,
      ),
    );
  return [
    ...findings,
    ...duties
      .filter((d) => d.resistance.totalN < 0)
      .map((d) =>
        said(
          'note',
          `It pushes itself along with ${show(-d.resistance.totalN, 'force', system).text}${onDuty(build, d.id)}: a brake must hold that, not the drive.`,
          null,
          d.id,
        ),
      ),
  ];
}

/** All findings: what stops it first, then what is tight, then notes. */
export function findingsOf(context: FindingContext): Finding[] {
  const all = [
    ...missingParts(context),
    ...marginFindings(context),
    ...partNotes(context),
    ...groundNotes(context),
  ];
  const order: readonly Finding['severity'][] = ['stop', 'tight', 'note'];
  return order.flatMap((severity) => all.filter((f) => f.severity === severity));
}
