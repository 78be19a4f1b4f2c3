import { stageFigures, trackInput, trackLoop, type StageOf } from '@zubric/core/transmission';
import { sprocket } from '../../drawings/gear.ts';
import { at, circle, line, openLoop, type At } from '../../drawings/shapes.ts';
import { mm, type DrawnStage } from './drawn-stage.ts';

export function spoolDrawn(stage: StageOf<'spool'>, axis: At): DrawnStage {
  const outer = mm(stageFigures(stage).rollsM ?? 0) / 2;
  const core = mm(stage.coreDiameter.value) / 2;
  return {
    stage,
    driver: axis,
    driven: axis,
    driverRadius: outer,
    drivenRadius: outer,
    width: 60,
    across: 'none',
    sized: true,
    side: [
      circle(axis, outer * 1.15, 'mech'),
      circle(axis, outer, 'mech', { filled: true }),
      circle(axis, core, 'soft', { dashed: true }),
      line([at(axis.x, axis.y - outer), at(axis.x + outer * 3, axis.y - outer)], 'ink', { heavy: true }),
    ],
  };
}

export function trackDrawn(stage: StageOf<'track'>, axis: At): DrawnStage {
  const { sprocketPitchDiameterMm, centreForLinksMm } = trackLoop.run(trackInput(stage));
  const [driverRadius, idler] = [sprocketPitchDiameterMm / 2, mm(stage.idlerDiameter.value) / 2];
  // Both stand on the same run of track.
  const far = at(
    axis.x + Math.sqrt(Math.max(0, centreForLinksMm ** 2 - (idler - driverRadius) ** 2)),
    axis.y + idler - driverRadius,
  );
  return {
    stage,
    driver: axis,
    driven: axis,
    driverRadius,
    drivenRadius: driverRadius,
    width: 30,
    across: 'none',
    sized: true,
    side: [
      sprocket(mm(stage.pitch.value), stage.sprocketTeeth, axis),
      circle(far, idler, 'mech', { filled: true }),
      line(openLoop({ at: axis, radius: driverRadius }, { at: far, radius: idler }), 'ink', {
        closed: true,
        heavy: true,
      }),
    ],
  };
}
