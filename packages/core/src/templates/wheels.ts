import { gearOutline, stageFigures, type Stage } from '../transmission/index.ts';
import type { Build } from '../vehicle/index.ts';
import { bore, shaftOf } from './bore.ts';
import { rollerMiddles, sprocketCircles, sprocketOutline } from './sprocket.ts';
import {
  drawnCircle,
  inMm,
  onCircle,
  outline,
  type SheetPoint,
  type Mark,
  type Template,
} from './template.ts';

const MM = 1000;
const MIDDLE: SheetPoint = [0, 0];

type Wheel = 'driver' | 'driven';

function wheelOf(stage: Stage, which: Wheel, [shaft, key]: readonly [number, number], n: number): Template[] {
  const teeth = 'teethDriver' in stage ? (which === 'driver' ? stage.teethDriver : stage.teethDriven) : 0;
  const place = `stage ${n + 1}, ${which}`;
  if (stage.kind === 'chain') {
    const { pitchDiameter, rollerDiameter } = sprocketCircles(stage.chain, teeth);
    return [
      {
        name: `sprocket-${n + 1}-${which}`,
        title: `Sprocket of ${teeth} teeth, ${place}; drill the roots ${inMm(rollerDiameter)}`,
        marks: [
          outline(sprocketOutline(stage.chain, teeth)),
          drawnCircle(MIDDLE, pitchDiameter),
          ...rollerMiddles(stage.chain, teeth).map((at) => drawnCircle(at, 1)),
          ...bore(shaft, key),
        ],
      },
    ];
  }
  if (stage.kind === 'spur') {
    const moduleMm = stage.module.value * MM;
    return [
      {
        name: `gear-${n + 1}-${which}`,
        title: `Spur gear of ${teeth} teeth, module ${inMm(moduleMm)}, ${place}`,
        marks: [
          outline(gearOutline({ moduleMm, teeth, points: 12 })),
          drawnCircle(MIDDLE, moduleMm * teeth),
          ...rootMiddles(moduleMm, teeth).map((at) => drawnCircle(at, 1)),
          ...bore(shaft, key),
        ],
      },
    ];
  }
  return pulleyOf(stage, which, [shaft, key], n);
}

/** Of a spur gear, a place in the middle of each tooth root, where a drill begins (ISO 53: 1.25 modules under the pitch circle). */
const rootMiddles = (moduleMm: number, teeth: number): SheetPoint[] =>
  Array.from({ length: teeth }, (_, n) =>
    onCircle(MIDDLE, (moduleMm * teeth) / 2 - 1.25 * moduleMm, (Math.PI * (2 * n + 1)) / teeth),
  );

/** How far a flange stands over its belt, mm (common practice, no source). */
const FLANGE = 3;

/** A pulley as a blank to be turned, with its flanges: the belt's own height stands over a V-pulley's pitch line no more. */
function pulleyOf(
  stage: Stage,
  which: Wheel,
  [shaft, key]: readonly [number, number],
  n: number,
): Template[] {
  const { loop } = stageFigures(stage);
  if (!loop || (stage.kind !== 'timing-belt' && stage.kind !== 'friction-belt')) return [];
  const pitch = 2 * MM * (which === 'driver' ? loop.driverRadiusM : loop.drivenRadiusM);
  const flange = pitch + 2 * FLANGE;
  const marks: Mark[] = [
    { kind: 'circle', at: MIDDLE, diameter: flange, cut: true },
    drawnCircle(MIDDLE, pitch),
    ...bore(shaft, key),
  ];
  const place = `stage ${n + 1}, ${which}`;
  const of =
    stage.kind === 'timing-belt'
      ? `toothed pulley of ${which === 'driver' ? stage.teethDriver : stage.teethDriven} teeth, ${place}: pitch circle ${inMm(pitch)}; its belt’s maker says how far the teeth lie under it`
      : `pulley, ${place}: ${inMm(pitch)} across, ${inMm(loop.wideM * MM)} wide`;
  return [{ name: `pulley-${n + 1}-${which}`, title: `Flange and blank of the ${of}`, marks }];
}

/** Sprockets, spur gears and pulleys of every drive, the wheels before the first stage bored for the motor. */
export const wheelsOf = (build: Build): Template[] =>
  build.drives.flatMap(({ id, motorId, stages }, at) =>
    stages.flatMap((stage, n) =>
      (['driver', 'driven'] as const).flatMap((which) =>
        wheelOf(
          stage,
          which,
          n === 0 && which === 'driver' ? shaftOf(build.parts.find((part) => part.id === motorId)) : [0, 0],
          n,
        ).map((template) =>
          build.drives.length > 1 && at > 0 ? { ...template, name: `${template.name}-${id}` } : template,
        ),
      ),
    ),
  );
