import { planetary, type StageOf } from '@zubric/core/transmission';
import { gear } from '../../drawings/gear.ts';
import { at, box, circle, line, type At } from '../../drawings/shapes.ts';
import { RISE, behind, mm, type DrawnStage } from './drawn-stage.ts';

/** Stages of which only teeth are known are drawn as if of this module, mm. */
const USUAL_MODULE = 1.5;

export function gearsDrawn(stage: StageOf<'spur'>, driven: At): DrawnStage {
  const module = mm(stage.module.value);
  const [driverRadius, drivenRadius] = [(module * stage.teethDriver) / 2, (module * stage.teethDriven) / 2];
  const driver = behind(driven, driverRadius + drivenRadius);
  const along = Math.PI - RISE;
  return {
    stage,
    driver,
    driven,
    driverRadius: driverRadius + module,
    drivenRadius: drivenRadius + module,
    width: mm(stage.faceWidth.value),
    across: 'mesh',
    sized: true,
    // A tooth of the driven gear lies in a gap of the driver on the line between the shafts.
    side: [
      gear(module, stage.teethDriven, driven, along),
      gear(module, stage.teethDriver, driver, along + Math.PI + Math.PI / stage.teethDriver),
    ],
  };
}

/** From the side the driver of a bevel pair is seen across its axis: a cone on the rim of the driven gear. */
export function bevelDrawn(stage: StageOf<'bevel'>, driven: At): DrawnStage {
  const module = mm(stage.module.value);
  const [driverRadius, drivenRadius] = [(module * stage.teethDriver) / 2, (module * stage.teethDriven) / 2];
  const driver = at(driven.x - drivenRadius - mm(stage.faceWidth.value) / 2, driven.y);
  const depth = mm(stage.faceWidth.value);
  return {
    stage,
    driver,
    driven,
    driverRadius,
    drivenRadius,
    width: 2 * driverRadius,
    across: 'mesh',
    sized: true,
    side: [
      circle(driven, drivenRadius, 'mech', { filled: true }),
      circle(driven, Math.max(1, drivenRadius - depth), 'soft', { dashed: true }),
      line(
        [
          at(driver.x - depth / 2, driven.y - driverRadius),
          at(driver.x - depth / 2, driven.y + driverRadius),
          at(driver.x + depth / 2, driven.y + driverRadius * 0.7),
          at(driver.x + depth / 2, driven.y - driverRadius * 0.7),
        ],
        'mech',
        { closed: true, filled: true },
      ),
    ],
  };
}

export function planetaryDrawn(stage: StageOf<'planetary'>, axis: At): DrawnStage {
  const { sunTeeth, ringTeeth, planets } = stage;
  const { planetTeeth } = planetary.run({ sunTeeth, ringTeeth, planets });
  const module = stage.module ? mm(stage.module.value) : USUAL_MODULE / 2;
  const orbit = ((sunTeeth + planetTeeth) * module) / 2;
  const ring = (ringTeeth * module) / 2;
  return {
    stage,
    driver: axis,
    driven: axis,
    driverRadius: ring + 3,
    drivenRadius: ring + 3,
    width: 16,
    across: 'none',
    sized: stage.module !== undefined,
    side: [
      circle(axis, ring + 3, 'mech', { filled: true }),
      circle(axis, ring, 'soft'),
      circle(axis, (sunTeeth * module) / 2, 'mech', { filled: true }),
      ...Array.from({ length: planets }, (_, n) => {
        const angle = (2 * Math.PI * n) / planets + Math.PI / 2;
        const middle = at(axis.x + orbit * Math.cos(angle), axis.y + orbit * Math.sin(angle));
        return circle(middle, (planetTeeth * module) / 2, 'mech', { filled: true });
      }),
    ],
  };
}

export function wormDrawn(stage: StageOf<'worm'>, driven: At): DrawnStage {
  const module = stage.module ? mm(stage.module.value) : USUAL_MODULE;
  const wheel = (module * stage.wheelTeeth) / 2;
  const worm = Math.min(wheel, (stage.starts * module) / Math.tan(stage.leadAngle.value) / 2);
  const driver = at(driven.x, driven.y + wheel + worm);
  const length = Math.max(30, wheel * 1.2);
  const threads = Array.from({ length: 7 }, (_, n) => {
    const x = driver.x + (n / 6 - 0.5) * (length - 8);
    return line([at(x - 3, driver.y - worm), at(x + 3, driver.y + worm)], 'mech');
  });
  return {
    stage,
    driver: at(driver.x - length / 2, driver.y),
    driven,
    driverRadius: worm + module,
    drivenRadius: wheel + module,
    width: 2 * worm,
    across: 'mesh',
    sized: stage.module !== undefined,
    side: [
      gear(module, stage.wheelTeeth, driven, 0),
      line(box(driver, length, 2 * (worm + module)), 'mech', { closed: true, filled: true }),
      ...threads,
    ],
  };
}

export function rollerDrawn(stage: StageOf<'friction-wheel'>, driven: At): DrawnStage {
  const [driverRadius, drivenRadius] = [
    mm(stage.driverDiameter.value) / 2,
    mm(stage.drivenDiameter.value) / 2,
  ];
  const driver = behind(driven, driverRadius + drivenRadius);
  return {
    stage,
    driver,
    driven,
    driverRadius,
    drivenRadius,
    width: 25,
    across: 'mesh',
    sized: true,
    side: [
      circle(driven, drivenRadius, 'soft', { dashed: true }),
      circle(driver, driverRadius, 'mech', { filled: true }),
    ],
  };
}
