import { withoutLostAxles } from './through.ts';
import type { Quantity } from '../quantity/index.ts';
import type { Build, PlacedMass } from './document.ts';
import { figuresOf } from './ground-figures.ts';
import { layoutKind, type Axle } from './layout/index.ts';
import { freeId, onSurface } from './new-build.ts';

const moved = (q: Quantity, by: number): Quantity => ({ ...q, value: q.value + by });

const movedMass = <M extends PlacedMass>(mass: M, by: number): M => ({
  ...mass,
  aheadOfRearAxle: moved(mass.aheadOfRearAxle, by),
});

/** Everything measured from the rear axle, told anew after that moved: nothing on the vehicle moves. */
function measuredAnew(build: Build, by: number): Build {
  if (by === 0) return build;
  const { own, payload, others } = build.masses;
  return {
    ...build,
    layout: {
      ...build.layout,
      axles: build.layout.axles.map((axle) => ({ ...axle, ahead: moved(axle.ahead, by) })),
    },
    masses: {
      own: movedMass(own, by),
      payload: movedMass(payload, by),
      others: others.map((mass) => movedMass(mass, by)),
    },
    hitch: { ...build.hitch, behind: moved(build.hitch.behind, -by) },
  };
}

/** Keys with the value undefined are taken out. */
function changedAxle(axle: Axle, part: { readonly [K in keyof Axle]?: Axle[K] | undefined }): Axle {
  const { drivenSide, ...rest } = { ...axle, ...part } as Axle;
  return drivenSide ? { ...rest, drivenSide } : rest;
}

/** Axles are measured from the rearmost; rounding of a typed unit must not move the rest. */
const SAME_PLACE_M = 1e-9;

/**
 * Grounds of the table know the tyre that an axle comes to have: as it is for the axles that have it already, else from
 * the table. Figures that were typed for no surface stay as they are.
 */
function groundsFor(build: Build, changed: Axle): Build['grounds'] {
  return build.grounds.map((ground) => {
    const { surface, tyres = [] } = ground;
    if (surface === null || tyres.some(({ tyre }) => tyre === changed.tyre)) return ground;
    const like = build.layout.axles.find(
      ({ id, tyre, form }) => id !== changed.id && tyre === changed.tyre && form !== 'slider',
    );
    if (like?.driven === changed.driven) return ground;
    const own = like
      ? { tyre: like.tyre, ...pick(figuresOf(ground, like)) }
      : onSurface(surface, changed.tyre);
    return { ...ground, tyres: [...tyres, own] };
  });
}

const pick = ({ rolling, friction, across }: ReturnType<typeof figuresOf>) => ({ rolling, friction, across });

/**
 * An axle changed. With another tyre its grounds change. Where it moves, the vehicle's masses stay where they are on the frame: with the rear axle moved,
 * what is measured from it is told anew.
 *
 * @example changeAxle(puffin, puffin.layout.axles[0].id, { name: 'back' }).layout.axles[0]?.name // 'back'
 */
export function changeAxle(
  build: Build,
  axleId: string,
  part: { readonly [K in keyof Axle]?: Axle[K] | undefined },
): Build {
  const axles = build.layout.axles.map((axle) => (axle.id === axleId ? changedAxle(axle, part) : axle));
  const rear = Math.min(...axles.map(({ ahead }) => ahead.value));
  const axle = axles.find(({ id }) => id === axleId);
  const grounds = axle && part.tyre !== undefined ? groundsFor(build, axle) : build.grounds;
  const changed = { ...build, grounds, layout: { ...build.layout, axles } };
  return Math.abs(rear) < SAME_PLACE_M ? changed : measuredAnew(changed, -rear);
}

/**
 * One more pair of wheels, free and like the first axle, half-way along.
 *
 * @example addAxle(puffin).layout.axles.length // 3
 */
export function addAxle(build: Build): Build {
  const { axles } = build.layout;
  const [first] = axles;
  if (!first) return build;
  const id = freeId('axle', axles);
  const reach = Math.max(...axles.map(({ ahead }) => ahead.value)) || first.diameter.value * 2;
  const { contactLength: _length, ...like } = first;
  const added: Axle = {
    ...like,
    id,
    name: `Axle ${axles.length + 1}`,
    form: first.form === 'track' || first.form === 'shell' ? 'wheel' : first.form,
    ahead: { ...first.ahead, value: reach / 2, origin: 'assumed' },
    driven: false,
    steered: false,
    braked: false,
  };
  return { ...build, layout: { ...build.layout, axles: [...axles, added] } };
}

/**
 * The build without an axle; one that is the last driven stays.
 *
 * @example removeAxle(puffin, puffin.layout.axles[1].id).layout.axles.length // 2
 */
export function removeAxle(build: Build, axleId: string): Build {
  const left = build.layout.axles.filter(({ id }) => id !== axleId);
  const drives = layoutKind(build.layout.kind).pullsByRope || left.some(({ driven }) => driven);
  if (left.length === 0 || !drives) return build;
  const rear = Math.min(...left.map(({ ahead }) => ahead.value));
  return measuredAnew(withoutLostAxles({ ...build, layout: { ...build.layout, axles: left } }), -rear);
}

/**
 * The diameter at which the drive meets the ground, changed for every driven axle, or for a winch's drum.
 *
 * @example drivenDiameter(changeDrivenDiameter(puffin, typed(0.3, 'mm')).layout).value // 0.3
 */
export function changeDrivenDiameter(build: Build, diameter: Quantity): Build {
  const { layout } = build;
  if (layout.drum) return { ...build, layout: { ...layout, drum: diameter } };
  return {
    ...build,
    layout: { ...layout, axles: layout.axles.map((axle) => (axle.driven ? { ...axle, diameter } : axle)) },
  };
}

/**
 * The track of the driven axles, changed.
 *
 * @example trackOf(changeTrack(puffin, typed(0.5, 'mm')).layout).value // 0.5
 */
export const changeTrack = (build: Build, track: Quantity): Build => ({
  ...build,
  layout: {
    ...build.layout,
    axles: build.layout.axles.map((axle) =>
      axle.driven && axle.track.value > 0 ? { ...axle, track } : axle,
    ),
  },
});
