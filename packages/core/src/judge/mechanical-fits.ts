import { notice, type Notice } from '../contract/index.ts';
import { figure, sentence } from '../quantity/index.ts';
import { motorOf, type Part, drivesOf } from '../vehicle/index.ts';
import type { Finding } from './finding.ts';
import type { StandingContext } from './finding-context.ts';
import { misfit, type Fitted } from './fitted.ts';

/** Sizes nearer than this are the same, mm. */
const SAME_MM = 0.06;

/** A bored part, and a shaft that it may sit on. */
interface Bored {
  readonly part: Part;
  readonly mm: number;
  readonly shape: string | undefined;
  readonly keyMm: number | undefined;
}

const boredOf = (part: Part): Bored[] => {
  if (!('boreMm' in part) || part.boreMm === undefined) return [];
  if (part.kind === 'bearing' || part.kind === 'spacer') return [];
  const shape = 'shape' in part ? part.shape : undefined;
  const keyMm = 'keyMm' in part ? part.keyMm : undefined;
  const first = { part, mm: part.boreMm, shape, keyMm };
  return 'otherBoreMm' in part && part.otherBoreMm !== undefined
    ? [first, { ...first, mm: part.otherBoreMm }]
    : [first];
};

/** Round bores go on shafts with a flat too; every other shape only on its own. */
const shapesFit = (bore: string | undefined, shaft: string | undefined): boolean =>
  bore === undefined || shaft === undefined || bore === shaft || (bore === 'round' && shaft === 'D');

/** Everything with a bore must find a shaft of its size and shape. */
function bores({ build }: StandingContext, fitted: Fitted): Finding[] {
  const motors = drivesOf(build).flatMap((seen) => motorOf(seen) ?? []);
  const shafts = [
    ...motors.flatMap(({ name, shaftDiameterMm: mm, shape, shaftKeyMm: keyMm }) =>
      mm === undefined ? [] : [{ name, mm, shape, keyMm }],
    ),
    ...fitted
      .of('shaft')
      .map(({ part: { name, diameterMm, shape, keyMm } }) => ({ name, mm: diameterMm, shape, keyMm })),
  ];
  if (shafts.length === 0) return [];
  return fitted.all
    .flatMap(({ part }) => boredOf(part))
    .flatMap(({ part, mm, shape, keyMm }) => {
      const sized = shafts.filter((shaft) => Math.abs(shaft.mm - mm) <= SAME_MM);
      const shaped = sized.filter((shaft) => shapesFit(shape, shaft.shape));
      const keyed = shaped.filter(
        (shaft) =>
          keyMm === undefined || shaft.keyMm === undefined || Math.abs(shaft.keyMm - keyMm) <= SAME_MM,
      );
      if (keyed.length > 0) return [];
      const [nearest] = [...shafts].sort((a, b) => Math.abs(a.mm - mm) - Math.abs(b.mm - mm));
      const [alike] = shaped.length > 0 ? shaped : sized;
      return nearest
        ? [misfit(`${part.id}/${mm}`, boreNotice({ part, mm, shape, keyMm }, alike, nearest))]
        : [];
    });
}

interface Shaft {
  readonly name: string;
  readonly mm: number;
  readonly shape: string | undefined;
  readonly keyMm: number | undefined;
}

/** Why a bore finds no shaft, and what joins it to the nearest. */
function boreNotice({ part, mm, shape, keyMm }: Bored, alike: Shaft | undefined, nearest: Shaft): Notice {
  const size = figure(mm / 1000, 'length');
  if (alike && shapesFit(shape, alike.shape))
    return notice(
      'key',
      sentence`“${part.name}” is cut for a key of ${figure((keyMm ?? 0) / 1000, 'length')} and “${alike.name}” for one of ${figure((alike.keyMm ?? 0) / 1000, 'length')}: a stepped key.`,
    );
  if (alike)
    return notice(
      'bore-shape',
      sentence`“${part.name}” has a ${shape ?? 'round'} bore of ${size} and “${alike.name}” a ${alike.shape ?? 'round'} shaft: a hub with that bore, or a clamping hub on a shaft turned round.`,
    );
  const shaft = figure(nearest.mm / 1000, 'length');
  return notice(
    'bore',
    mm > nearest.mm
      ? sentence`“${part.name}” has a bore of ${size}, and the nearest shaft, of “${nearest.name}”, has ${shaft}: a bush from one to the other.`
      : sentence`“${part.name}” has a bore of ${size}, and the nearest shaft, of “${nearest.name}”, has ${shaft}: bore it out, or a coupler and a stepped shaft.`,
  );
}

/** Wheels and sprockets that are bolted to hubs meet their holes. */
function boltCircles(_: StandingContext, fitted: Fitted): Finding[] {
  const hubs = fitted
    .of('hub')
    .map(({ part }) => part)
    .filter(({ boltCircleMm }) => boltCircleMm !== undefined);
  const bolted = [...fitted.of('wheel'), ...fitted.of('sprocket')].map(({ part }) => part);
  if (hubs.length === 0) return [];
  return bolted.flatMap((part) => {
    const { boltCircleMm: circle, bolts } = part;
    if (circle === undefined) return [];
    const fits = hubs.some(
      (hub) =>
        Math.abs((hub.boltCircleMm ?? 0) - circle) <= SAME_MM &&
        (hub.bolts === undefined || bolts === undefined || hub.bolts === bolts),
    );
    const [hub] = hubs;
    if (fits || !hub) return [];
    return [
      misfit(
        part.id,
        notice(
          'bolt-circle',
          sentence`“${part.name}” is bolted on a circle of ${figure(circle / 1000, 'length')} with ${figure(bolts ?? 0, 'number')} holes, and “${hub.name}” on ${figure((hub.boltCircleMm ?? 0) / 1000, 'length')} with ${figure(hub.bolts ?? 0, 'number')}: a plate with both circles between them.`,
        ),
      ),
    ];
  });
}

/** The motor's holes and those of its mount. */
export function mounts({ build }: StandingContext, fitted: Fitted): Finding[] {
  const motor = motorOf(build);
  const circle = motor?.mountCircleMm;
  const drilled = fitted
    .of('mount')
    .map(({ part }) => part)
    .filter(({ mountCircleMm }) => mountCircleMm !== undefined);
  const [mount] = drilled;
  if (!motor || circle === undefined || !mount) return [];
  const fits = drilled.some(
    ({ mountCircleMm = 0, mountHoles }) =>
      Math.abs(mountCircleMm - circle) <= SAME_MM &&
      (mountHoles === undefined || motor.mountHoles === undefined || mountHoles % motor.mountHoles === 0),
  );
  return fits
    ? []
    : [
        misfit(
          motor.id,
          notice(
            'mounting-holes',
            sentence`“${motor.name}” is held by ${figure(motor.mountHoles ?? 0, 'number')} holes on a circle of ${figure(circle / 1000, 'length')}, and “${mount.name}” has ${figure(mount.mountHoles ?? 0, 'number')} on ${figure((mount.mountCircleMm ?? 0) / 1000, 'length')}: drill it, or a plate with both between them.`,
          ),
        ),
      ];
}

/** Rollers set to the tube or rail that they run on. */
function rails(_: StandingContext, fitted: Fitted): Finding[] {
  const [rail] = fitted.of('rail').map(({ part }) => part);
  if (!rail) return [];
  return fitted.of('wheel').flatMap(({ part }) => {
    const { tubeLeastMm: least = 0, tubeMostMm: most = Infinity } = part;
    if (least === 0 && most === Infinity) return [];
    if (rail.diameterMm >= least - SAME_MM && rail.diameterMm <= most + SAME_MM) return [];
    const takes = figure((rail.diameterMm < least ? least : most) / 1000, 'length');
    return [
      misfit(
        part.id,
        notice(
          'rail',
          rail.diameterMm < least
            ? sentence`“${part.name}” takes tubes from ${takes}, and “${rail.name}” has ${figure(rail.diameterMm / 1000, 'length')}: set the rollers closer, or take ones with a narrower groove.`
            : sentence`“${part.name}” takes tubes up to ${takes}, and “${rail.name}” has ${figure(rail.diameterMm / 1000, 'length')}: set the rollers wider, or take ones with a wider groove.`,
        ),
      ),
    ];
  });
}

/** What holds mechanical parts together. */
export const MECHANICAL_FITS = [bores, boltCircles, rails] as const;
