import type { Quantity } from '../../quantity/index.ts';
import { isHub, type PathElement } from './elements.ts';

/** What a part shows to its neighbour: a shaft with or without a keyway, a bore, or nothing that must match. */
interface Face {
  readonly kind: 'shaft' | 'bore';
  readonly diameter: Quantity;
  readonly keyWidth?: Quantity;
}

/** The shaft that a motor brings, where its data sheet says so. */
export interface MotorShaft {
  readonly diameter: Quantity;
  readonly keyWidth?: Quantity;
}

/** Two parts of the path that do not fit each other, and what joins them. */
export interface Mismatch {
  readonly elementId: string;
  readonly what: 'bore' | 'key' | 'bolt-circle';
  readonly has: Quantity;
  readonly wants: Quantity;
  /** Which of them is larger decides what joins them. */
  readonly adapter: 'bush' | 'stepped-shaft' | 'stepped-key' | 'cut-keyway' | 'plate';
  readonly holes?: readonly [number, number];
}

/** A bore is cut to its shaft: within this they fit. */
const FITS_M = 0.00005;

const apart = (a: Quantity, b: Quantity): boolean => Math.abs(a.value - b.value) > FITS_M;

const shaftOf = (element: PathElement): Face | undefined =>
  element.kind === 'shaft'
    ? {
        kind: 'shaft',
        diameter: element.diameter,
        ...(element.keyWidth ? { keyWidth: element.keyWidth } : {}),
      }
    : undefined;

/** What a part shows towards the motor, and towards the wheel. */
function facesOf(element: PathElement): { readonly in?: Face; readonly out?: Face } {
  if (element.kind === 'coupling')
    return {
      in: { kind: 'bore', diameter: element.bore },
      out: { kind: 'bore', diameter: element.otherBore },
    };
  const shaft = shaftOf(element);
  if (shaft) return { in: shaft, out: shaft };
  if (!isHub(element)) return {};
  const hub: Face = {
    kind: 'bore',
    diameter: element.bore,
    ...(element.kind === 'key' ? { keyWidth: element.width } : {}),
  };
  return { in: hub, out: hub };
}

/** What is wrong between a shaft and the bore beside it; the finding is of the hub. */
function between(shaft: Face, bore: Face, elementId: string): Mismatch[] {
  const found: Mismatch[] = [];
  if (apart(shaft.diameter, bore.diameter))
    found.push({
      elementId,
      what: 'bore',
      has: bore.diameter,
      wants: shaft.diameter,
      adapter: bore.diameter.value > shaft.diameter.value ? 'bush' : 'stepped-shaft',
    });
  if (bore.keyWidth && !shaft.keyWidth)
    found.push({
      elementId,
      what: 'key',
      has: bore.keyWidth,
      wants: { ...bore.keyWidth, value: 0 },
      adapter: 'cut-keyway',
    });
  else if (bore.keyWidth && shaft.keyWidth && apart(bore.keyWidth, shaft.keyWidth))
    found.push({
      elementId,
      what: 'key',
      has: bore.keyWidth,
      wants: shaft.keyWidth,
      adapter: 'stepped-key',
    });
  return found;
}

/**
 * Parts of the path that do not fit their neighbours: bore on shaft, key in keyway, bolt circle on bolt circle. Only
 * parts behind the same stage touch; what is between two hubs (a sprocket, a gear) is one with them.
 */
export function mismatchesOf(path: readonly PathElement[], motorShaft?: MotorShaft): Mismatch[] {
  const places = [...new Set(path.map(({ after }) => after))];
  const touching = places.flatMap((place) => {
    let before: (Face & { readonly of: string }) | undefined =
      place === null && motorShaft ? { kind: 'shaft', ...motorShaft, of: 'motor' } : undefined;
    return path
      .filter(({ after }) => after === place)
      .flatMap((element): Mismatch[] => {
        const faces = facesOf(element);
        const [other, own] = [before, faces.in];
        before = faces.out && { ...faces.out, of: element.id };
        if (!other || !own || other.kind === own.kind) return [];
        return own.kind === 'bore' ? between(other, own, element.id) : between(own, other, other.of);
      });
  });
  const holes = path.flatMap((element): Mismatch[] =>
    element.kind === 'bolt-circle' &&
    (element.bolts !== element.otherBolts || apart(element.circle, element.otherCircle))
      ? [
          {
            elementId: element.id,
            what: 'bolt-circle',
            has: element.circle,
            wants: element.otherCircle,
            adapter: 'plate',
            holes: [element.bolts, element.otherBolts],
          },
        ]
      : [],
  );
  return [...touching, ...holes];
}
