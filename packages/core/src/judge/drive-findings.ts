import { pathInOrder, stillLocks } from '../capability/index.ts';
import { degreesToRadians } from '../contract/index.ts';
import { motorShaftOf } from '../drive/index.ts';
import { show, showNumber, type Quantity, type UnitSystem } from '../quantity/index.ts';
import { isLoop, mismatchesOf, type Loop, type Mismatch } from '../transmission/index.ts';
import { rollsAway, type Build } from '../vehicle/index.ts';
import { cured, degrees, onDuty, said } from './finding.ts';
import type { Finding } from './report.ts';
import type { FindingContext } from './sentences.ts';

const NAMES: Readonly<Record<Loop['kind'], string>> = {
  chain: 'chain',
  'timing-belt': 'toothed belt',
  'friction-belt': 'belt',
};

/** A loop by its name, and which of several it is. */
function loopName({ drive: { stages } }: Build, stage: Loop & { readonly id: string }): string {
  const alike = stages.filter(({ kind }) => kind === stage.kind);
  return alike.length > 1
    ? `${NAMES[stage.kind]} of stage ${stages.findIndex(({ id }) => id === stage.id) + 1}`
    : NAMES[stage.kind];
}

/** Where two parts of the path do not fit, and what joins them. */
function sayMismatch(
  { what, has, wants, adapter, holes }: Mismatch,
  name: string,
  system: UnitSystem,
): string {
  const size = ({ value, unit }: Quantity): string => show(value, 'length', system, { typedUnit: unit }).text;
  switch (adapter) {
    case 'bush':
      return `“${name}” has a bore of ${size(has)} on a shaft of ${size(wants)}: take a bush from ${size(has)} to ${size(wants)}, or a hub of that bore.`;
    case 'stepped-shaft':
      return `“${name}” has a bore of ${size(has)} and does not go on a shaft of ${size(wants)}: bore it out, or take an adapter from ${size(wants)} to ${size(has)}.`;
    case 'stepped-key':
      return `The ${what} of “${name}” is ${size(has)} wide, the keyway of its shaft ${size(wants)}: take a stepped key, or a hub of that width.`;
    case 'cut-keyway':
      return `“${name}” is held by a key of ${size(has)}, and its shaft has no keyway: cut one, or hold the hub another way.`;
    case 'plate':
      return `“${name}” joins ${holes?.[0]} holes on ${size(has)} to ${holes?.[1]} on ${size(wants)}: take an adapter plate with both circles.`;
  }
}

function pathFindings({ build, system }: FindingContext): Finding[] {
  const { path, stages } = build.drive;
  const ordered = pathInOrder(build);
  const lost = path.filter((element) => !ordered.includes(element));
  return [
    ...mismatchesOf(ordered, motorShaftOf(build)).map((mismatch) => {
      const name = path.find(({ id }) => id === mismatch.elementId)?.name ?? '';
      return cured(
        said(
          'stop',
          `mismatch/${mismatch.elementId}/${mismatch.what}`,
          sayMismatch(mismatch, name, system),
          'path',
        ),
        {
          kind: 'fit',
          elementId: mismatch.elementId,
        },
      );
    }),
    ...lost.map(({ id, name }) =>
      said(
        'tight',
        `lost-element/${id}`,
        `“${name}” stands behind a stage that is no longer there: say in Drivetrain where it sits, or remove it.`,
        'path',
      ),
    ),
    ...(path.length === 0 && stages.length > 0
      ? [
          said(
            'note',
            'no-path',
            'Nothing is said yet of shafts and hubs between motor and wheel: a set screw or key is often what lets go first.',
            'path',
          ),
        ]
      : []),
  ];
}

/** What loops need to stay on. */
function loopFindings({ build }: FindingContext): Finding[] {
  const loops = build.drive.stages.filter(isLoop);
  const found = loops.flatMap((stage): Finding[] => {
    const name = loopName(build, stage);
    if (stage.tensioner === undefined)
      return [
        said(
          'note',
          `say-tensioner/${stage.id}`,
          `Say how the ${name} is tensioned: every belt or chain needs slots or an idler.`,
          'ratio',
        ),
      ];
    if (stage.tensioner !== 'none') return [];
    return [
      cured(
        said(
          'tight',
          `no-tensioner/${stage.id}`,
          `Nothing tensions the ${name}: it goes slack as it wears, and comes off or jumps. Slots for the motor, or an idler.`,
          'ratio',
        ),
        { kind: 'tension', stageId: stage.id },
      ),
    ];
  });
  const first = build.drive.stages[0];
  if (first?.kind === 'chain' && !build.drive.mount.twist)
    found.push(
      said(
        'note',
        'chain-throws',
        'Chains come off by misalignment, float along the axle, slack and mounts that give: collars, a straight edge, and a mount whose twist under 10 N·m you have measured.',
        'mount-twist',
      ),
    );
  return found;
}

/** Disengaging, and what it means on a slope. */
function releaseFindings({ build }: FindingContext): Finding[] {
  const { release, stages } = build.drive;
  if (release.kind === 'none') return [];
  const at = stages.find(({ id }) => id === release.at);
  const steep = build.duties.find(rollsAway);
  return [
    ...(release.kind === 'jockey' && !(at && isLoop(at))
      ? [
          cured(
            said(
              'stop',
              'jockey-needs-loop',
              'A jockey lets a belt or chain go slack: say at which of them it disengages.',
              'ratio',
            ),
            { kind: 'release' },
          ),
        ]
      : []),
    ...(stillLocks(build)
      ? [
          cured(
            said(
              'stop',
              'still-locks',
              'Disengaged where it is, a stage that locks is still between it and the wheel: disengage behind that stage.',
              'ratio',
            ),
            { kind: 'release' },
          ),
        ]
      : []),
    ...(steep && build.brake.kind !== 'friction'
      ? [
          cured(
            said(
              'tight',
              'released-holds-nothing',
              `Disengaged, the drive holds nothing${onDuty(build, steep.id)}: it needs a brake that works without the drive.`,
              'brake-hold',
            ),
            { kind: 'brake' },
          ),
        ]
      : []),
  ];
}

/** Play at a balancer’s wheel from which its control chatters (common practice, no source): radians. */
const CHATTERS = degreesToRadians(1);
/** From so much play on any vehicle is felt (common practice, no source): radians. */
const MUCH_PLAY = degreesToRadians(3);
/** Rotors that add more than this share to the mass to be sped up are worth a word (common practice, no source). */
const MUCH_ROTATING = 1.1;
/** Motors that turn faster than this unloaded are small and quick (common practice, no source): rpm. */
const QUICK_RPM = 12_000;
/** So many starts an hour are stop-and-go work (common practice, no source). */
const STOP_AND_GO = 20;
/** A motor slower than this share of its no-load speed turns by its cogs (common practice, no source). */
const CREEP = 0.03;

function trainFindings({ build, duties, train, line, system }: FindingContext): Finding[] {
  const found: Finding[] = [];
  if (build.people === 'riding' && build.brake.kind !== 'friction')
    found.push(
      cured(
        said(
          'stop',
          'rider-needs-brake',
          'Somebody rides, and nothing but the drive slows it: fit a friction brake. Motors brake only while there is current, and neither a worm nor a chain holds a person.',
          'brake-hold',
        ),
        { kind: 'brake' },
      ),
    );
  if (train.play && build.layout.kind === 'balancer' && train.play.atWheelRad > CHATTERS)
    found.push(
      said(
        'tight',
        'balancer-play',
        `The stages have ${degrees(train.play.atWheelRad)} of play at the wheel, ${show(train.play.atGroundM, 'length', system).text} on the ground: a balancer chatters in it. Belts, or fewer gears near the wheel.`,
        'ratio',
      ),
    );
  if (train.play && build.layout.kind !== 'balancer' && train.play.atWheelRad > MUCH_PLAY)
    found.push(
      said(
        'note',
        'play',
        `Backlash adds up: ${degrees(train.play.atWheelRad)} at the wheel, ${show(train.play.atGroundM, 'length', system).text} on the ground, and run-out of wheels and sprockets on top. It knocks at each start and blurs slow or measured driving.`,
        'ratio',
      ),
    );
  const speedsUp = build.duties.some(
    (d) => d.acceleration.value > 0 || d.upToSpeed !== undefined || (d.startsAnHour?.value ?? 0) > 0,
  );
  if (speedsUp && train.moved && train.moved.rotatingMassFactor > MUCH_ROTATING)
    found.push(
      said(
        'note',
        'rotors',
        `The rotors behind ${showNumber(train.ratio)} : 1 count as ${showNumber((train.moved.rotatingMassFactor - 1) * 100)} % more mass to be sped up, empty: less reduction or a slimmer rotor starts sooner.`,
        'torque',
      ),
    );
  if (!line) return found;
  const often = build.duties.find((d) => (d.startsAnHour?.value ?? 0) >= STOP_AND_GO);
  if (often && line.motor.noLoadRpm > QUICK_RPM)
    found.push(
      said(
        'note',
        'quick-motor',
        `The motor lives at high speed, and “${often.name}” starts it often: much reduction and much draw. Geared brushed motors suit all-day, stop-and-go work.`,
        'torque',
      ),
    );
  const slow = duties.find(
    (d) => d.point && d.point.motorRpm > 0 && d.point.motorRpm < CREEP * line.motor.noLoadRpm,
  );
  if (slow?.point)
    found.push(
      said(
        'note',
        `creeps/${slow.id}`,
        `At ${show(slow.speedMps, 'speed', system).text}${onDuty(build, slow.id)} the motor turns ${showNumber(slow.point.motorRpm)} rpm, ${showNumber((slow.point.motorRpm / line.motor.noLoadRpm) * 100, 2)} % of its no-load speed: it creeps unevenly. More reduction, an encoder, or a stepping motor.`,
        'speed',
      ),
    );
  return found;
}

/** What the way from motor to ground says beside its margins. */
export const driveFindings = (context: FindingContext): Finding[] => [
  ...pathFindings(context),
  ...loopFindings(context),
  ...releaseFindings(context),
  ...trainFindings(context),
];
