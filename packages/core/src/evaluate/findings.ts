import { showNumber } from '../quantity/index.ts';
import { driveFindings } from './drive-findings.ts';
import { cured, said } from './finding.ts';
import { groundFindings } from './ground-findings.ts';
import { closeness } from './margin.ts';
import type { Finding } from './report.ts';
import { SENTENCES, saidOf, type FindingContext } from './sentences.ts';

/** Running above the data sheet's voltage by more than this is worth a word (common practice, no source). */
const OVERVOLTAGE = 1.1;
/** Above this a licensed person is called for: volts, direct current. */
const EXTRA_LOW_VOLTAGE = 60;

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

/** More than this a controller's own 5 V supply does not feed (common practice, no source): N·m. */
const LARGE_SERVO = 0.5;

function partNotes({ build, line, train }: FindingContext): Finding[] {
  const findings = train.stages.flatMap((stage) => [
    ...(stage.problem === undefined
      ? []
      : [cured(said('stop', stage.problem, 'ratio'), { kind: 'stage', stageId: stage.id })]),
    ...stage.warnings.map((text) =>
      cured(said('tight', text, 'ratio'), { kind: 'stage', stageId: stage.id }),
    ),
  ]);
  if (build.steering && build.steering.actuatorTorque.value > LARGE_SERVO)
    findings.push(
      said(
        'note',
        'The steering actuator is larger than what the 5 V supply on a controller feeds: give it a supply of its own.',
        'steering',
      ),
    );
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
  const packs = line.battery?.packsInSeries ?? 1;
  if (packs > 1)
    findings.push(
      said(
        'note',
        `${packs} packs in series have no cut-off in common: watch the voltage of each, and charge each by itself.`,
        'battery-voltage',
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
    ...driveFindings(context),
    ...groundFindings(context),
  ];
  const order: readonly Finding['severity'][] = ['stop', 'tight', 'note'];
  return order.flatMap((severity) => all.filter((f) => f.severity === severity));
}
