import type { Build, Duty } from '../../build/index.ts';
import { axleLoads, gripForce, loadedMass, roadLoad } from '../../ground/index.ts';
import { axleLoadInput, groundOf, loadedMassInput, roadLoadInput } from '../demand.ts';
import { calculated, fixed, from, readFor, worked, type Calculation } from './working.ts';

export function massWorking(build: Build, duty: Duty): Calculation {
  const { own, payload } = build.masses;
  return calculated(loadedMass, loadedMassInput(build, duty.payloadShare.value), 'massKg', [
    from('ownKg', own.mass, 'Brief, the vehicle itself'),
    from('ownAheadM', own.aheadOfRearAxle, 'Brief, the vehicle itself'),
    from('ownHeightM', own.height, 'Brief, the vehicle itself'),
    from('payloadKg', payload.mass, 'Brief, payload'),
    from('payloadShare', duty.payloadShare, `Brief, ${duty.name}`),
    from('payloadAheadM', payload.aheadOfRearAxle, 'Brief, payload'),
    from('payloadHeightM', payload.height, 'Brief, payload'),
  ]);
}

/** The force along the ground, at the duty's speed unless another is given. */
export function forceWorking(build: Build, duty: Duty, speedMps = duty.speed.value): Calculation {
  const where = `Brief, ${duty.name}`;
  const ground = groundOf(build, duty);
  return calculated(roadLoad, roadLoadInput(build, duty, speedMps), 'totalN', [
    worked('massKg', where, massWorking(build, duty)),
    from('rollingCoefficient', ground.rolling, `Brief, ${ground.name}`),
    from('gradeDeg', duty.grade, where),
    speedMps === duty.speed.value
      ? from('speedMps', duty.speed, where)
      : fixed('speedMps', 'air is counted beside it'),
    from('dragAreaM2', build.dragArea, 'Brief, the vehicle'),
    fixed('airDensityKgM3', 'air at 20 °C, sea level'),
    from('accelerationMps2', duty.acceleration, where),
    fixed('rotatingMassFactor', 'wheels and armatures not counted yet'),
    from('drawbarN', duty.drawbar, where),
  ]);
}

function loadsWorking(build: Build, duty: Duty): Calculation {
  const where = `Brief, ${duty.name}`;
  const mass = massWorking(build, duty);
  return calculated(
    axleLoads,
    axleLoadInput(build, duty),
    build.layout.drivenEnd === 'front' ? 'frontN' : 'rearN',
    [
      worked('massKg', where, mass),
      from('wheelbaseM', build.layout.wheelbase, 'Brief, the vehicle'),
      worked('cgAheadOfRearAxleM', where, readFor(mass, 'cgAheadOfRearAxleM')),
      worked('cgHeightM', where, readFor(mass, 'cgHeightM')),
      from('gradeDeg', duty.grade, where),
      from('accelerationMps2', duty.acceleration, where),
      from('drawbarN', duty.drawbar, where),
      from('hitchHeightM', build.layout.wheelDiameter, 'half the wheel diameter'),
      fixed('hitchVerticalN', 'nothing presses on the hitch'),
      fixed('hitchBehindRearAxleM', 'nothing presses on the hitch'),
    ],
  );
}

export function gripWorking(build: Build, duty: Duty): Calculation {
  const loads = loadsWorking(build, duty);
  const ground = groundOf(build, duty);
  const given = { loadN: Math.max(0, Number(loads.found[loads.key])), friction: ground.friction.value };
  return calculated(gripForce, given, 'gripN', [
    worked('loadN', `the driven axle, ${build.layout.drivenEnd}`, loads),
    from('friction', ground.friction, `Brief, ${ground.name}`),
  ]);
}
