import { isJson, type Json } from '../contract/index.ts';
import { firmLoss, soilOfSurface, TYRES, type SurfaceId, type Tyre } from '../ground/index.ts';
import { assumed, isQuantity } from '../quantity/index.ts';
import { beltWidthFor, usualPullPerWidth } from '../transmission/index.ts';

const items = (x: unknown): readonly unknown[] => (Array.isArray(x) ? x : []);

/** A toothed belt said what it may pull in all; now its width and what that pulls. What it carries stays. */
function stageOf(stage: unknown): unknown {
  if (!isJson(stage) || stage.kind !== 'timing-belt') return stage;
  const { allowablePull, ...rest } = stage;
  const { pitch } = stage;
  if (!isQuantity(allowablePull) || !isQuantity(pitch)) return stage;
  const width = beltWidthFor(allowablePull.value, usualPullPerWidth(pitch.value));
  return {
    ...rest,
    width: assumed(width, 'mm'),
    pullPerWidth: { value: allowablePull.value / width, unit: 'N/mm', origin: allowablePull.origin },
  };
}

const tyreOf = (document: Json, driven: boolean): Tyre => {
  const axles = items(isJson(document.layout) ? document.layout.axles : []).filter(isJson);
  const axle = axles.find((a) => a.driven === driven) ?? axles[0];
  return TYRES.find((tyre) => tyre === axle?.tyre) ?? 'pneumatic';
};

/** Ground that gives way was counted twice: in the table's rolling, and in its sinkage. The wheel's own loss stays. */
function groundOf(ground: unknown, document: Json): unknown {
  if (!isJson(ground) || !isJson(ground.soil) || typeof ground.surface !== 'string') return ground;
  if (soilOfSurface(ground.surface as SurfaceId) === undefined) return ground;
  const own = (key: 'rolling' | 'freeRolling') => {
    const now = ground[key];
    if (!isQuantity(now) || now.origin !== 'assumed') return {};
    const [low, high] = firmLoss(tyreOf(document, key === 'rolling'));
    const value = Number(((low + high) / 2).toPrecision(3));
    return { [key]: { ...assumed(value, now.unit), spread: Number(((high - low) / 2).toPrecision(3)) } };
  };
  return { ...ground, ...own('rolling'), ...own('freeRolling') };
}

/** Format 5 gave tyres their own figures, belts their width, and builds a speed cap; what can be hanging or steered by hand. */
export const toFormat5 = (document: Json): Json => ({
  ...document,
  formatVersion: 5,
  ...(Array.isArray(document.grounds)
    ? { grounds: document.grounds.map((ground) => groundOf(ground, document)) }
    : {}),
  ...(isJson(document.drive) && Array.isArray(document.drive.stages)
    ? { drive: { ...document.drive, stages: document.drive.stages.map(stageOf) } }
    : {}),
});
