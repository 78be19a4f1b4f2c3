import type { Footing } from '../demand/index.ts';
import { STANDARD_GRAVITY } from '../quantity/index.ts';
import { fittedOf, type Build, type PartOf } from '../vehicle/index.ts';

type Carrier = PartOf<'wheel'> | PartOf<'track'>;

/** A wheel whose diameter is within this of an axle's is meant for it. */
const MEANT_FOR = 1.1;

const apart = (a: number, b: number): number => Math.max(a / b, b / a);

/** The fitted wheel, tyre or track that an axle stands on; undefined where none was said that fits it. */
function carrierOf(build: Build, axleId: string): Carrier | undefined {
  const axle = build.layout.axles.find(({ id }) => id === axleId);
  if (!axle) return undefined;
  const parts = fittedOf(build).map(({ part }) => part);
  if (axle.form === 'track') return parts.find((part) => part.kind === 'track');
  const [nearest] = parts
    .filter((part) => part.kind === 'wheel')
    .map((part) => ({ part, off: apart(part.diameterMm / 1000, axle.diameter.value) }))
    .sort((a, b) => a.off - b.off);
  return nearest && nearest.off <= MEANT_FOR ? nearest.part : undefined;
}

/** What a wheel carries, and what it may. */
export interface CarriedLoad {
  readonly part: Carrier;
  readonly loadN: number;
  readonly carriesN: number;
}

/**
 * What the wheel nearest to its limit carries in a duty, and what it may; undefined where nothing fitted says what it carries.
 *
 * @example hardestLoad(puffin, footing) // undefined: none of its wheels is from the shelf
 */
export function hardestLoad(build: Build, { contacts }: Footing): CarriedLoad | undefined {
  const loads = contacts.flatMap(({ axleId, loadN }) => {
    const part = carrierOf(build, axleId);
    return part?.mostLoadKg === undefined
      ? []
      : [{ part, loadN, carriesN: part.mostLoadKg * STANDARD_GRAVITY }];
  });
  return loads.reduce<CarriedLoad | undefined>(
    (worst, load) => (worst && worst.loadN / worst.carriesN >= load.loadN / load.carriesN ? worst : load),
    undefined,
  );
}
