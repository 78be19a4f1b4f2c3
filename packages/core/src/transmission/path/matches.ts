import type { Quantity } from '../../quantity/index.ts';
import { areApart } from './common.ts';
import { facesOf, mismatchWithin, type PathElement } from './elements.ts';
import type { Face, Mismatch } from './member.ts';

/** The shaft that a motor brings, where its data sheet says so. */
export interface MotorShaft {
  readonly diameter: Quantity;
  readonly keyWidth?: Quantity;
}

/** What is wrong between a shaft and the bore beside it; the finding is of the hub. */
function between(shaft: Face, bore: Face, elementId: string): Mismatch[] {
  const found: Mismatch[] = [];
  if (areApart(shaft.diameter, bore.diameter))
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
  else if (bore.keyWidth && shaft.keyWidth && areApart(bore.keyWidth, shaft.keyWidth))
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
 *
 * @example mismatchesOf(pathInOrder(puffin)) // []
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
        const [other, own] = [before, faces?.before];
        before = faces && { ...faces.behind, of: element.id };
        if (!other || !own || other.kind === own.kind) return [];
        return own.kind === 'bore' ? between(other, own, element.id) : between(own, other, other.of);
      });
  });
  const within = path.flatMap((element): Mismatch[] => {
    const mismatch = mismatchWithin(element);
    return mismatch ? [{ elementId: element.id, ...mismatch }] : [];
  });
  return [...touching, ...within];
}
