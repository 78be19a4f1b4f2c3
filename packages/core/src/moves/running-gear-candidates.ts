import { groundOf } from '../demand/index.ts';
import { TYRES, TYRE_TITLES, surfacePair, type Tyre } from '../ground/index.ts';
import { figure, scaled, sentence, showNumber } from '../quantity/index.ts';
import { layoutKind, changeAxle, driveOf, changeDrive, type Axle } from '../vehicle/index.ts';
import type { Generator, MoveContext } from './candidate.ts';

/** Smaller or larger driven wheels. */
export const wheels: Generator = ({ build }) =>
  build.layout.drum
    ? []
    : [0.9, 1.1, 1.25].map((by) => {
        const axles = build.layout.axles.map((axle) =>
          axle.driven ? { ...axle, diameter: scaled(axle.diameter, by) } : axle,
        );
        const size = axles.find(({ driven }) => driven)?.diameter.value ?? 0;
        return {
          text: sentence`Driven wheels of ${figure(size, 'length')}`,
          cost: 'other wheels, and the frame at another height',
          build: { ...build, layout: { ...build.layout, axles } },
        };
      });

/** Whether a duty's ground gives way under the wheels. */
const onSoft = ({ build, duty }: MoveContext): boolean =>
  duty !== undefined && groundOf(build, duty).soil !== undefined;

/** How many times as wide: the same wheels with wider tyres, two side by side, balloon wheels. */
const WIDER = [1.5, 2, 3] as const;

/** No wheel is wider than it is high, and a pair leaves room between its two (common practice, no source). */
const hasRoom = ({ form, diameter, track: apart, width }: Axle, by: number): boolean =>
  (form === 'track' || width.value * by <= diameter.value) &&
  (apart.value === 0 || width.value * by < apart.value);

/** Wider wheels or tracks where the ground gives way: they sink less deep. */
export const wider: Generator = (asked) => {
  const { axles } = asked.build.layout;
  const first = axles.find(({ driven }) => driven);
  if (!first || first.form === 'roller' || !onSoft(asked)) return [];
  return WIDER.filter((by) => axles.every((axle) => hasRoom(axle, by))).map((by) => ({
    text: sentence`${first.form === 'track' ? 'Tracks' : 'Driven wheels'} ${figure(first.width.value * by, 'length')} wide${axles.length > 1 ? ', the others in proportion' : ''}`,
    cost: 'other wheels, and the room for them',
    build: {
      ...asked.build,
      layout: {
        ...asked.build.layout,
        axles: axles.map((axle) =>
          axle.form === 'roller' ? axle : { ...axle, width: scaled(axle.width, by) },
        ),
      },
    },
  }));
};

/** Smaller or larger driven wheels where the ground gives way. */
export const wheelsOnSoft: Generator = (asked) => (onSoft(asked) ? wheels(asked) : []);

/** A second axle driven, where one is and its motors are each a wheel's or an axle's own. */
export const secondAxle: Generator = ({ build }) => {
  const { axles, kind } = build.layout;
  if (!layoutKind(kind).steersAxle && !layoutKind(kind).onRails) return [];
  const undriven = axles.filter((axle) => !axle.driven);
  return undriven.length === 0
    ? []
    : [
        {
          text: 'Every axle driven, all as one',
          cost: 'shafts or chains to the other axle',
          build: {
            ...build,
            layout: { ...build.layout, axles: axles.map((axle) => ({ ...axle, driven: true })) },
            drives: changeDrive(build, { together: 'all' }).drives,
          },
        },
      ];
};

/** Axles driven together that could be driven wheel by wheel. */
export const differential: Generator = ({ build }) =>
  driveOf(build).together === 'wheel' || driveOf(build).together === 'side'
    ? []
    : [
        driveOf(build).differential === 'locked'
          ? {
              text: 'A differential instead of the live axle',
              cost: 'a differential to buy and fit; it gives all to the wheel that spins',
              build: changeDrive(build, { differential: 'open' as const }),
            }
          : {
              text: 'A live axle instead of the differential',
              cost: 'it pushes straight on in bends',
              build: changeDrive(build, { differential: 'locked' as const }),
            },
      ];

/** A narrower or wider stand. */
export const track: Generator = ({ build }) =>
  [0.7, 0.85, 1.2, 1.4].map((by) => {
    const axles = build.layout.axles.map((axle) => ({ ...axle, track: scaled(axle.track, by) }));
    const widest = Math.max(...axles.map((axle) => axle.track.value));
    const apart = figure(widest, 'length');
    return {
      text: layoutKind(build.layout.kind).onTracks
        ? sentence`The tracks ${apart} apart`
        : sentence`A track of ${apart}`,
      cost: by > 1 ? 'a wider vehicle: mind gates and doors' : 'a narrower stand',
      build: { ...build, layout: { ...build.layout, axles } },
    };
  });

/** Tracks that stand shorter on the ground scrub less. */
export const shorterTracks: Generator = ({ build }) =>
  layoutKind(build.layout.kind).onTracks
    ? [0.8, 0.65].map((by) => {
        const axles = build.layout.axles.map((axle) =>
          axle.contactLength ? { ...axle, contactLength: scaled(axle.contactLength, by) } : axle,
        );
        const longest = Math.max(...axles.map((axle) => axle.contactLength?.value ?? 0));
        return {
          text: sentence`Tracks of ${figure(longest, 'length')} on the ground`,
          cost: 'more weight on less ground',
          build: { ...build, layout: { ...build.layout, axles } },
        };
      })
    : [];

/** A steering geared down further. */
export const steeringLinkage: Generator = ({ build }) =>
  build.steering
    ? [1.5, 2].map((by) => {
        const linkageRatio = scaled(
          build.steering?.linkageRatio ?? { value: 1, unit: ': 1', origin: 'typed' },
          by,
        );
        return {
          text: sentence`A steering linkage of ${figure(linkageRatio.value, 'ratio')}`,
          cost: `${showNumber(by)} times the way from lock to lock`,
          build: { ...build, steering: build.steering && { ...build.steering, linkageRatio } },
        };
      })
    : [];

/** Both wheels of a pair driven, where only one is. */
export const bothWheels: Generator = ({ build }) =>
  build.layout.axles.some(({ drivenSide }) => drivenSide)
    ? [
        {
          text: 'Both wheels of the pair driven',
          cost: 'a drive for the other wheel',
          build: {
            ...build,
            layout: {
              ...build.layout,
              axles: build.layout.axles.map(({ drivenSide: _one, ...axle }) => axle),
            },
          },
        },
      ]
    : [];

/** Other tyres on what is driven, where its ground is one of the table. */
export const otherTyres: Generator = ({ build, duty }) => {
  const ground = build.grounds.find(({ id }) => id === duty?.groundId);
  const axles = build.layout.axles.filter(
    ({ driven, form }) => driven && (form === 'wheel' || form === 'track'),
  );
  const [first] = axles;
  if (!first || !ground?.surface) return [];
  const surface = ground.surface;
  const grips = (tyre: Tyre): number => surfacePair(surface, tyre).friction[0];
  return TYRES.filter(
    (tyre) => /track/.test(tyre) === (first.form === 'track') && grips(tyre) > grips(first.tyre),
  )
    .sort((a, b) => grips(b) - grips(a))
    .slice(0, 2)
    .map((tyre) => ({
      text: `Driven wheels with ${TYRE_TITLES[tyre]} instead of ${TYRE_TITLES[first.tyre]}`,
      cost: 'other tyres',
      build: axles.reduce((b, { id }) => changeAxle(b, id, { tyre }), build),
    }));
};
