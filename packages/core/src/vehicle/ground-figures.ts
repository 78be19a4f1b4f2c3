import type { Quantity } from '../quantity/index.ts';
import type { Build, Ground } from './document.ts';
import type { Axle } from './layout/index.ts';

/** What a ground does to an axle: what it drags, and how it grips. */
export interface GroundFigures {
  readonly rolling: Quantity;
  readonly friction: Quantity;
  readonly across: Quantity;
}

/**
 * What a ground does to an axle: that of its tyre, or of driven and free axles where the tyre has none of its own.
 *
 * @example figuresOf(ground, puffin.layout.axles[0]).friction.value // 0.55
 */
export function figuresOf(ground: Ground, axle: Axle): GroundFigures {
  const own = ground.tyres?.find(({ tyre }) => tyre === axle.tyre);
  if (own) return axle.form === 'slider' ? { ...own, rolling: own.friction } : own;
  const { rolling, freeRolling, friction, across } = ground;
  return { rolling: axle.driven ? rolling : freeRolling, friction, across };
}

/**
 * A ground's figure for an axle, changed where it stands: with its tyre, or with driven or free axles.
 *
 * @example groundOf(changeFigure(puffin, ground.id, puffin.layout.axles[0], 'rolling', typed(0.2, '')), duty).name
 *   // 'Wet cobbles, castors included'
 */
export function changeFigure(
  build: Build,
  groundId: string,
  axle: Axle,
  key: keyof GroundFigures,
  value: Quantity,
): Build {
  const changed = (ground: Ground): Ground => {
    if (ground.tyres?.some(({ tyre }) => tyre === axle.tyre)) {
      const own = key === 'rolling' && axle.form === 'slider' ? 'friction' : key;
      return {
        ...ground,
        tyres: ground.tyres.map((t) => (t.tyre === axle.tyre ? { ...t, [own]: value } : t)),
      };
    }
    return { ...ground, [key === 'rolling' && !axle.driven ? 'freeRolling' : key]: value };
  };
  return { ...build, grounds: build.grounds.map((g) => (g.id === groundId ? changed(g) : g)) };
}
