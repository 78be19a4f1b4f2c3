import { show, showNumber } from '../quantity/index.ts';
import { batteryOf, driverOf, motorOf, type Part } from '../vehicle/index.ts';
import { driveFindings } from './drive-findings.ts';
import { cured, marginId, said } from './finding.ts';
import { groundFindings } from './ground-findings.ts';
import type { LinkId } from './links.ts';
import { closeness, governingLinks, isUnderRule } from './margin.ts';
import { VERDICTS, type Finding, type LinkReport, type Verdict } from './report.ts';
import { SENTENCES, saidOf, type FindingContext } from './sentences.ts';

/** Running above the data sheet's voltage by more than this is worth a word (common practice, no source). */
const OVERVOLTAGE = 1.1;
/** Above this a licensed person is called for: volts, direct current. */
const EXTRA_LOW_VOLTAGE = 60;

/** What a margin under its rule is: it stops the build, or it is only short or tight. */
const SEVERITY: Readonly<Record<Exclude<Verdict, 'ample'>, Finding['severity']>> = {
  fails: 'stop',
  short: 'short',
  tight: 'tight',
};

/** Which margin is the cause where several fail on one duty: what it explains comes inside it. */
const EXPLAINS: readonly {
  readonly cause: LinkId;
  readonly explains: readonly LinkId[];
  readonly where?: (effect: LinkReport, cause: LinkReport) => boolean;
}[] = [
  // Wheels that slip do not get it moving, whatever the motors give.
  { cause: 'grip', explains: ['speed'] },
  // Outside its window a ratio gives too little torque or speed.
  { cause: 'ratio', explains: ['torque', 'speed'] },
  // What does not stop in its distance at the duty's speed, stops no better from a higher one.
  { cause: 'brake-stop', explains: ['over-speed'] },
  // Past the speed that the motors reach, they give no torque at all.
  { cause: 'speed', explains: ['torque'], where: (torque) => torque.has === 0 },
];

/** The margin that explains another one, if one of them does. */
function causeOf(link: LinkReport, under: readonly LinkReport[]): LinkReport | undefined {
  return EXPLAINS.flatMap(({ cause, explains, where }) =>
    explains.includes(link.link)
      ? under.filter(
          (other) =>
            other.link === cause &&
            other.verdict === 'fails' &&
            other.dutyId === link.dutyId &&
            (where?.(link, other) ?? true),
        )
      : [],
  )[0];
}

/** One finding for each cause among the links under their rule or just over it, the nearest to failing first. */
function marginFindings(context: FindingContext): Finding[] {
  const under = context.governing
    .filter((link) => link.verdict !== 'ample')
    .sort((a, b) => closeness(a) - closeness(b));
  const caused = under.filter(
    (link) => link.verdict === 'fails' || link.link === 'torque' || link.link === 'speed',
  );
  const explained = new Map(caused.map((link) => [link, causeOf(link, under)]));
  const say = (link: LinkReport): string => SENTENCES[link.link](saidOf(link, context));
  return under.flatMap((link): Finding[] => {
    if (link.verdict === 'ample' || explained.get(link)) return [];
    const within = under.filter((other) => explained.get(other) === link).map(say);
    return [
      {
        id: marginId(link.link),
        severity: SEVERITY[link.verdict],
        text: say(link),
        link: link.link,
        dutyId: link.dutyId,
        ...(link.stageId === undefined ? {} : { stageId: link.stageId }),
        ...(within.length > 0 ? { within } : {}),
      },
    ];
  });
}

function missingParts({ build, line }: FindingContext): Finding[] {
  const findings: Finding[] = [];
  if (build.duties.length === 0)
    findings.push(said('short', 'no-duty', 'No duty is stated yet: say in the Brief what it must do.'));
  if (!line)
    return [...findings, said('short', 'no-motor', 'No motor is chosen yet: choose one in Power.', 'torque')];
  if (!line.driver)
    findings.push(
      said(
        'short',
        'no-driver',
        'No driver is chosen yet: reckoned with one that lets every current through.',
        'driver-current',
      ),
    );
  if (!line.battery)
    findings.push(
      said(
        'short',
        'no-battery',
        `No battery is chosen yet: reckoned with ${showNumber(line.motor.voltageV)} V that does not sag.`,
        'battery-current',
      ),
    );
  const channels = (line.driver?.channels ?? 0) * build.supply.driverCount;
  if (line.driver && channels < line.circuit.motors)
    findings.push(
      said(
        'stop',
        'few-channels',
        `${line.circuit.motors} motors need as many channels; the driver has ${channels}. Add another driver.`,
        'driver-current',
      ),
    );
  return findings;
}

/** More than this a controller's own 5 V supply does not feed (common practice, no source): N·m. */
const LARGE_SERVO = 0.5;

function partNotes({ build, line, train }: FindingContext): Finding[] {
  const findings = train.stages.flatMap((stage) => [
    ...(stage.problem === undefined
      ? []
      : [
          cured(said('stop', `stage-problem/${stage.id}`, stage.problem, 'ratio'), {
            kind: 'stage',
            stageId: stage.id,
          }),
        ]),
    ...stage.warnings.map((text, at) =>
      cured(said('tight', `stage-warning/${stage.id}/${at}`, text, 'ratio'), {
        kind: 'stage',
        stageId: stage.id,
      }),
    ),
  ]);
  if ((build.steering?.actuatorTorque?.value ?? 0) > LARGE_SERVO)
    findings.push(
      said(
        'note',
        'large-servo',
        'The steering actuator is larger than what the 5 V supply on a controller feeds: give it a supply of its own.',
        'steering',
      ),
    );
  if (!line) return findings;
  findings.push(...line.warnings.map((text, at) => said('tight', `motor-warning/${at}`, text, 'torque')));
  const { nominalV = 0, fullV = 0 } = line.pack ?? {};
  if (nominalV > OVERVOLTAGE * line.motor.voltageV)
    findings.push(
      said(
        'note',
        'over-voltage',
        `The battery’s ${showNumber(nominalV)} V is above the motor’s ${showNumber(line.motor.voltageV)} V: for a tight spot, not a habit.`,
        'motor-heat',
      ),
    );
  const packs = line.battery?.packsInSeries ?? 1;
  if (packs > 1)
    findings.push(
      said(
        'note',
        'packs-in-series',
        `${packs} packs in series have no cut-off in common: watch the voltage of each, and charge each by itself.`,
        'battery-voltage',
      ),
    );
  if (fullV > EXTRA_LOW_VOLTAGE)
    findings.push(
      said(
        'note',
        'above-60-v',
        `${showNumber(fullV)} V is above 60 V: leave the wiring to a licensed person.`,
      ),
    );
  return findings;
}

/** What the battery still does at the start of an outing, and no longer at its end: of each link the worst. */
function endFindings({ duties, links, outing, ...context }: FindingContext): Finding[] {
  const { end } = outing ?? {};
  if (!end) return [];
  const begins = (link: LinkReport): LinkReport | undefined =>
    links.find((other) => other.link === link.link && other.dutyId === link.dutyId);
  const worse = end.links.filter((link) => {
    const before = begins(link);
    const rank = (v: Verdict): number => VERDICTS.indexOf(v);
    return isUnderRule(link.verdict) && (!before || rank(link.verdict) < rank(before.verdict));
  });
  return governingLinks(worse).map((link) => ({
    id: `at-the-end/${link.link}`,
    severity: link.verdict === 'fails' ? 'stop' : 'short',
    text: `At the end of the outing the battery rests at ${show(end.openCircuitV, 'voltage', context.system).text}. ${SENTENCES[link.link](saidOf(link, { duties, links, ...context }))}`,
    link: link.link,
    dutyId: link.dutyId,
  }));
}

/** More than this over what the brief says, parts are heavier than the vehicle (common practice, no source). */
const HEAVIER = 1;

/** Chosen parts that together weigh more than the brief says of all the vehicle. */
function heavierThanSaid({ build, line, system }: FindingContext): Finding[] {
  const { own, others } = build.masses;
  const saidKg = own.mass.value + others.reduce((sum, m) => sum + (m.kind === 'rider' ? 0 : m.mass.value), 0);
  const count = (part: Part): number =>
    part.kind === 'motor'
      ? (line?.circuit.motors ?? 1)
      : part.kind === 'driver'
        ? build.supply.driverCount
        : 1;
  const chosen = [motorOf(build), driverOf(build), batteryOf(build)].filter((part) => part !== undefined);
  const partsKg = chosen.reduce((sum, part) => sum + part.massKg * count(part), 0);
  if (partsKg <= HEAVIER * saidKg) return [];
  const say = (kg: number): string => show(kg, 'mass', system).text;
  return [
    said(
      'short',
      'parts-heavier',
      `The chosen parts weigh ${say(partsKg)} together, and the Brief says ${say(saidKg)} of the whole vehicle: put right what it weighs, or take lighter parts.`,
      'motor-heat',
    ),
  ];
}

/** A sphere whose inner mass lies outside its shell. */
function innerFindings({ build, system }: FindingContext): Finding[] {
  const { innerDrive: inner, layout } = build;
  const radiusM = (layout.axles[0]?.diameter.value ?? 0) / 2;
  if (!inner || inner.offset.value < radiusM) return [];
  const say = (m: number): string => show(m, 'length', system).text;
  return [
    said(
      'stop',
      'inner-outside',
      `What climbs inside would lie ${say(inner.offset.value)} off the middle of a sphere of ${say(radiusM)} radius: it does not fit. A larger shell, or nearer to its middle.`,
      'grip',
    ),
  ];
}

/** All findings: what stops it first, then what is tight, then notes. */
export function findingsOf(context: FindingContext): Finding[] {
  const all = [
    ...missingParts(context),
    ...marginFindings(context),
    ...endFindings(context),
    ...heavierThanSaid(context),
    ...innerFindings(context),
    ...partNotes(context),
    ...driveFindings(context),
    ...groundFindings(context),
  ];
  const order: readonly Finding['severity'][] = ['stop', 'short', 'tight', 'note'];
  return order.flatMap((severity) => all.filter((f) => f.severity === severity));
}
