import { trainStages } from '@zubric/core/evaluate';
import { drivenDiameter, motorOf, type Build } from '@zubric/core/build';
import { chainGeometry, chainSize, stageFigures, type StageOf } from '@zubric/core/transmission';

interface Circle {
  readonly x: number;
  readonly y: number;
  readonly radius: number;
}

/** One chain from the side, mm; x forward, y up, the wheel's axle at 0, 0. */
export interface ChainDrawing {
  readonly id: string;
  readonly pitchMm: number;
  readonly driver: Circle & { readonly teeth: number };
  readonly driven: Circle & { readonly teeth: number };
  readonly links: number;
  readonly drivenOutsideMm: number;
}

export interface SideDrawing {
  readonly wheelRadiusMm: number;
  readonly motor: Circle | undefined;
  readonly chains: readonly ChainDrawing[];
  /** Lowest point of any sprocket over the ground, mm. */
  readonly clearanceMm: number | undefined;
}

/** How the shafts are laid out for the drawing: each further from the wheel, rising a little. */
const RISE = (12 * Math.PI) / 180;

/** A body is drawn this wide where the motor's diameter is not known, mm. */
const MOTOR_WIDTH = 60;

type Chain = StageOf<'chain'>;

function drawChain(stage: Chain, x: number, y: number): ChainDrawing {
  const g = chainGeometry(stage);
  const driverIsSmall = stage.teethDriver <= stage.teethDriven;
  const [small, large] = [g.pitchDiameterSmallMm / 2, g.pitchDiameterLargeMm / 2];
  const centre = stage.centre.value * 1000;
  return {
    id: stage.id,
    pitchMm: chainSize(stage.chain).pitchMm,
    driven: { x, y, radius: driverIsSmall ? large : small, teeth: stage.teethDriven },
    driver: {
      x: x - centre * Math.cos(RISE),
      y: y + centre * Math.sin(RISE),
      radius: driverIsSmall ? small : large,
      teeth: stage.teethDriver,
    },
    links: g.links,
    drivenOutsideMm: driverIsSmall ? g.outsideDiameterLargeMm : g.outsideDiameterSmallMm,
  };
}

/** The drive of one wheel from the side, from the wheel back to the motor. Stages that cannot be built are left out. */
export function sideDrawing(build: Build): SideDrawing {
  const wheelRadiusMm = drivenDiameter(build.layout).value * 500;
  const chains: ChainDrawing[] = [];
  let [x, y] = [0, 0];
  for (const stage of [...trainStages(build)].reverse()) {
    if (stage.kind !== 'chain' || stageFigures(stage).problem !== undefined) continue;
    const drawing = drawChain(stage, x, y);
    chains.push(drawing);
    ({ x, y } = drawing.driver);
  }
  const motor = motorOf(build);
  const lowest = Math.min(...chains.map((c) => c.driven.y - c.drivenOutsideMm / 2));
  return {
    wheelRadiusMm,
    chains,
    motor: motor && { x, y, radius: (motor.bodyDiameterMm ?? MOTOR_WIDTH) / 2 },
    clearanceMm: chains.length > 0 ? wheelRadiusMm + lowest : undefined,
  };
}

/** A chain as a closed path round both sprockets. */
export function chainPath({ driver, driven }: ChainDrawing): string {
  const along = Math.atan2(driven.y - driver.y, driven.x - driver.x);
  const distance = Math.hypot(driven.x - driver.x, driven.y - driver.y);
  const lean = Math.acos((driver.radius - driven.radius) / distance);
  const at = (c: Circle, angle: number): string =>
    `${c.x + c.radius * Math.cos(angle)} ${c.y + c.radius * Math.sin(angle)}`;
  const [up, down] = [along + lean, along - lean];
  const arc = (c: Circle, large: boolean, to: number): string =>
    `A${c.radius} ${c.radius} 0 ${large ? 1 : 0} 1 ${at(c, to)}`;
  const drivenIsLarge = driven.radius >= driver.radius;
  return `M${at(driver, up)}${arc(driver, !drivenIsLarge, down)}L${at(driven, down)}${arc(driven, drivenIsLarge, up)}Z`;
}

/** The outline of a sprocket: a tooth between each two rollers. */
export function sprocketPath(
  { x, y, radius, teeth }: Circle & { readonly teeth: number },
  pitchMm: number,
): string {
  const height = 0.22 * pitchMm;
  const point = (angle: number, r: number): string => `${x + r * Math.cos(angle)} ${y + r * Math.sin(angle)}`;
  const step = (2 * Math.PI) / teeth;
  const corners = Array.from({ length: teeth }, (_, n) => {
    const a = n * step;
    return [
      point(a - step * 0.34, radius - height),
      point(a - step * 0.12, radius + height),
      point(a + step * 0.12, radius + height),
      point(a + step * 0.34, radius - height),
    ].join('L');
  });
  return `M${corners.join('L')}Z`;
}
