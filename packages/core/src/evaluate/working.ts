import type { Build, Duty } from '../build/index.ts';
import { NotPhysical } from '../contract/index.ts';
import { axleLoads, gripForce, loadedMass, roadLoad, wheelTorque } from '../ground/index.ts';
import { dcMotorConstants, dcMotorPoint } from '../motor/index.ts';
import type { Origin, Quantity } from '../quantity/index.ts';
import { motorLoad } from '../transmission/index.ts';
import { axleLoadInput, groundOf, loadedMassInput, roadLoadInput } from './demand.ts';
import { drivelineOf, trainOf, type Driveline } from './driveline.ts';
import { dutyPoint, motorLoadInput, wheelTorqueInput } from './operating.ts';

/** Where a number that went into a calculation came from. */
export type WorkingOrigin = Origin | 'worked' | 'fixed';

export interface WorkingInput {
  /** The key of the calculator's input. */
  readonly key: string;
  readonly origin: WorkingOrigin;
  /** Where it stands: "Payload", "the slip". */
  readonly where: string;
  /** How it was worked out itself: one step further. */
  readonly working?: Working;
}

/** How a number of the report came about: a calculator of the registry and what went into it. */
export interface Working {
  readonly calculator: string;
  /** The key of the output that is the number. */
  readonly key: string;
  readonly given: Readonly<Record<string, number>>;
  readonly found: Readonly<Record<string, unknown>>;
  readonly inputs: readonly WorkingInput[];
}

/** The numbers of a duty that can be opened. */
export const OPENED = ['mass', 'force', 'grip', 'wheel-torque', 'motor-torque', 'motor-current'] as const;
export type Opened = (typeof OPENED)[number];

const from = (key: string, { origin }: Quantity, where: string): WorkingInput => ({ key, origin, where });
const fixed = (key: string, where: string): WorkingInput => ({ key, origin: 'fixed', where });
const worked = (key: string, where: string, working: Working): WorkingInput => ({
  key,
  origin: 'worked',
  where,
  working,
});

function massWorking(build: Build, duty: Duty, key = 'massKg'): Working {
  const given = loadedMassInput(build, duty.payloadShare.value);
  const { own, payload } = build.masses;
  return {
    calculator: loadedMass.name,
    key,
    given,
    found: loadedMass.run(given),
    inputs: [
      from('ownKg', own.mass, 'Brief, the vehicle itself'),
      from('ownAheadM', own.aheadOfRearAxle, 'Brief, the vehicle itself'),
      from('ownHeightM', own.height, 'Brief, the vehicle itself'),
      from('payloadKg', payload.mass, 'Brief, payload'),
      from('payloadShare', duty.payloadShare, `Brief, ${duty.name}`),
      from('payloadAheadM', payload.aheadOfRearAxle, 'Brief, payload'),
      from('payloadHeightM', payload.height, 'Brief, payload'),
    ],
  };
}

function forceWorking(build: Build, duty: Duty): Working {
  const given = roadLoadInput(build, duty);
  const where = `Brief, ${duty.name}`;
  return {
    calculator: roadLoad.name,
    key: 'totalN',
    given,
    found: roadLoad.run(given),
    inputs: [
      worked('massKg', where, massWorking(build, duty)),
      from('rollingCoefficient', groundOf(build, duty).rolling, `Brief, ${groundOf(build, duty).name}`),
      from('gradeDeg', duty.grade, where),
      from('speedMps', duty.speed, where),
      from('dragAreaM2', build.dragArea, 'Brief, the vehicle'),
      fixed('airDensityKgM3', 'air at 20 °C, sea level'),
      from('accelerationMps2', duty.acceleration, where),
      fixed('rotatingMassFactor', 'wheels and armatures not counted yet'),
      from('drawbarN', duty.drawbar, where),
    ],
  };
}

function loadsWorking(build: Build, duty: Duty): Working {
  const given = axleLoadInput(build, duty);
  const where = `Brief, ${duty.name}`;
  return {
    calculator: axleLoads.name,
    key: build.layout.drivenEnd === 'front' ? 'frontN' : 'rearN',
    given,
    found: axleLoads.run(given),
    inputs: [
      worked('massKg', where, massWorking(build, duty)),
      from('wheelbaseM', build.layout.wheelbase, 'Brief, the vehicle'),
      worked('cgAheadOfRearAxleM', where, massWorking(build, duty, 'cgAheadOfRearAxleM')),
      worked('cgHeightM', where, massWorking(build, duty, 'cgHeightM')),
      from('gradeDeg', duty.grade, where),
      from('accelerationMps2', duty.acceleration, where),
      from('drawbarN', duty.drawbar, where),
      from('hitchHeightM', build.layout.wheelDiameter, 'half the wheel diameter'),
      fixed('hitchVerticalN', 'nothing presses on the hitch'),
      fixed('hitchBehindRearAxleM', 'nothing presses on the hitch'),
    ],
  };
}

function gripWorking(build: Build, duty: Duty): Working {
  const loads = loadsWorking(build, duty);
  const ground = groundOf(build, duty);
  const given = { loadN: Math.max(0, Number(loads.found[loads.key])), friction: ground.friction.value };
  return {
    calculator: gripForce.name,
    key: 'gripN',
    given,
    found: gripForce.run(given),
    inputs: [
      worked('loadN', `the driven axle, ${build.layout.drivenEnd}`, loads),
      from('friction', ground.friction, `Brief, ${ground.name}`),
    ],
  };
}

function wheelWorking(build: Build, duty: Duty, line: Driveline): Working {
  const force = forceWorking(build, duty);
  const given = wheelTorqueInput(line, Number(force.found.totalN));
  return {
    calculator: wheelTorque.name,
    key: 'torqueNm',
    given,
    found: wheelTorque.run(given),
    inputs: [
      worked('forceN', `Brief, ${duty.name}`, force),
      from('wheelDiameterM', build.layout.wheelDiameter, 'Brief, the vehicle'),
      fixed('wheels', 'by the layout'),
    ],
  };
}

function motorWorking(build: Build, duty: Duty, line: Driveline): Working {
  const wheel = wheelWorking(build, duty, line);
  const given = motorLoadInput(line, Number(wheel.found.torqueNm), duty.speed.value);
  return {
    calculator: motorLoad.name,
    key: 'torqueNm',
    given,
    found: motorLoad.run(given),
    inputs: [
      worked('wheelTorqueNm', `Brief, ${duty.name}`, wheel),
      from('speedMps', duty.speed, `Brief, ${duty.name}`),
      from('wheelDiameterM', build.layout.wheelDiameter, 'Brief, the vehicle'),
      fixed('ratio', 'the stages at Drivetrain, multiplied'),
      fixed('efficiency', 'the stages at Drivetrain, multiplied'),
      fixed('motorsPerWheel', 'Drivetrain'),
    ],
  };
}

function constantsWorking(line: Driveline, key: string): Working {
  const { voltageV, noLoadRpm, noLoadA, stallTorqueNm, stallA } = line.motor;
  const given = { voltageV, noLoadRpm, noLoadA, stallTorqueNm, stallA };
  const inputs = Object.keys(given).map((k): WorkingInput => ({
    key: k,
    origin: 'shelf',
    where: line.motor.name,
  }));
  return { calculator: dcMotorConstants.name, key, given, found: dcMotorConstants.run(given), inputs };
}

/** Undefined where the motor is pushed, or the duty is past what it can do: the point is then none of its own. */
function currentWorking(build: Build, duty: Duty, line: Driveline): Working | undefined {
  const motor = motorWorking(build, duty, line);
  const torqueNm = Number(motor.found.torqueNm);
  const { motorV } = dutyPoint(line, duty, roadLoad.run(roadLoadInput(build, duty)).totalN);
  const { resistanceOhm, ktNmPerA, noLoadA } = line.circuit;
  const given = { resistanceOhm, ktNmPerA, noLoadA, voltageV: motorV, torqueNm };
  if (torqueNm < 0 || motorV <= 0) return undefined;
  try {
    return {
      calculator: dcMotorPoint.name,
      key: 'currentA',
      given,
      found: dcMotorPoint.run(given),
      inputs: [
        worked(
          'resistanceOhm',
          'the winding; its leads and the driver added',
          constantsWorking(line, 'resistanceOhm'),
        ),
        worked(
          'ktNmPerA',
          'the lesser of the two that its data sheet gives',
          constantsWorking(line, 'ktNmPerA'),
        ),
        { key: 'noLoadA', origin: 'shelf', where: line.motor.name },
        fixed('voltageV', 'what the driver lets through for the speed, sag counted'),
        worked('torqueNm', `Brief, ${duty.name}`, motor),
      ],
    };
  } catch (error) {
    if (error instanceof NotPhysical) return undefined;
    throw error;
  }
}

/**
 * The working of one number of a duty, by the calculators that the report itself was made with. Undefined where the
 * build has no such number: no such duty, no motor yet.
 */
export function workingOf(build: Build, opened: Opened, dutyId: string): Working | undefined {
  const duty = build.duties.find((d) => d.id === dutyId);
  if (!duty) return undefined;
  switch (opened) {
    case 'mass':
      return massWorking(build, duty);
    case 'force':
      return forceWorking(build, duty);
    case 'grip':
      return gripWorking(build, duty);
    default: {
      const line = drivelineOf(build, trainOf(build));
      if (!line) return undefined;
      if (opened === 'wheel-torque') return wheelWorking(build, duty, line);
      return opened === 'motor-torque' ? motorWorking(build, duty, line) : currentWorking(build, duty, line);
    }
  }
}
