import { XMLBuilder } from 'fast-xml-parser';
import { greatestWheelTorque, propelling } from '../drive/index.ts';
import { bodyBox, cylinderOf, middleOf } from '../layout/index.ts';
import {
  CASTOR_TRAIL,
  contactsOf,
  layoutKind,
  placesOf,
  steeringLock,
  type Build,
  type Contact,
  type PlacedPart,
} from '../vehicle/index.ts';
import { bodiesOf, type RigidBody, type RollingBody } from './solid-links.ts';
import { nameWithin } from './written-name.ts';

type Vector = readonly [number, number, number];
/** An element: its attributes begin with `@`, all else is inside it. */
type Element = Readonly<Record<string, unknown>>;

const DIGITS = 7;
const said = (value: number): string => String(Number(value.toPrecision(DIGITS)));
const saidAll = (of: readonly number[]): string => of.map(said).join(' ');
const NO_TURN: Vector = [0, 0, 0];
/** Cylinders stand upright in the format: turned about ahead, their middle line runs across, and about across, ahead. */
const ACROSS: Vector = [Math.PI / 2, 0, 0];
const ALONG: Vector = [0, Math.PI / 2, 0];

const origin = (xyz: Vector, rpy: Vector = NO_TURN): Element => ({
  '@xyz': saidAll(xyz),
  '@rpy': saidAll(rpy),
});
const cylinder = (radiusM: number, lengthM: number): Element => ({
  cylinder: { '@radius': said(radiusM), '@length': said(lengthM) },
});
const box = (sides: readonly number[]): Element => ({ box: { '@size': saidAll(sides) } });

const inertial = ({ massKg, inertia: [xx, yy, zz] }: RigidBody, at: Vector): Element => ({
  origin: origin(at),
  mass: { '@value': said(massKg) },
  inertia: { '@ixx': said(xx), '@ixy': '0', '@ixz': '0', '@iyy': said(yy), '@iyz': '0', '@izz': said(zz) },
});

const joint = (
  name: string,
  type: string,
  [parent, child]: readonly [string, string],
  more: Element,
): Element => ({
  ...{ '@name': name, '@type': type },
  ...{ parent: { '@link': parent }, child: { '@link': child }, ...more },
});

/** A placed part as it is seen. */
function visualOf(part: PlacedPart): Element {
  const at = middleOf(part);
  const turn = part.turn.value;
  if (part.form === 'box')
    return {
      '@name': nameWithin(part.id),
      origin: origin(at, [0, 0, turn]),
      geometry: box([part.length.value, part.width.value, part.height.value]),
    };
  const { along, length, diameter } = cylinderOf(part);
  const lies = along[0] === 1 ? ALONG : along[1] === 1 ? ACROSS : NO_TURN;
  return {
    '@name': nameWithin(part.id),
    origin: origin(at, [lies[0], lies[1], turn]),
    geometry: cylinder(diameter / 2, length),
  };
}

function baseLink(build: Build, base: RigidBody): Element {
  const { least, most } = bodyBox(build);
  const middle = least.map((low, n) => (low + (most[n] ?? low)) / 2) as unknown as Vector;
  const sides = least.map((low, n) => Math.max((most[n] ?? low) - low, LEAST_SIDE_M));
  const body = { origin: origin(middle), geometry: box(sides) };
  return {
    '@name': BASE,
    inertial: inertial(base, base.at),
    visual: [{ '@name': 'body', ...body }, ...(build.arrangement?.parts ?? []).map(visualOf)],
    collision: body,
  };
}
const BASE = 'base_link';
/** A body without height is drawn as a sheet, m. */
const LEAST_SIDE_M = 1e-3;

const contactName = ({ axle, side }: Contact, place: number): string =>
  [
    nameWithin(axle.id),
    ...(side === 'middle' ? [] : [side]),
    ...(placesOf(axle) > 1 ? [String(place + 1)] : []),
  ].join('_');

/** What a drive gives each wheel: the most torque at a stand, and its speed at which nothing is left. */
interface WheelLimit {
  readonly effortNm: number;
  readonly velocityRadS: number;
}

function limitOf(build: Build, { driven, axle }: Contact): WheelLimit | undefined {
  if (!driven) return undefined;
  for (const { seen, line } of propelling(build)) {
    const turned = contactsOf(seen.layout).filter((contact) => contact.driven);
    if (!turned.some((contact) => contact.axle.id === axle.id)) continue;
    return {
      effortNm: (greatestWheelTorque(line, 0) * line.outputs) / turned.length,
      velocityRadS: line.circuit.motor.fastestRadS(line.circuit.openCircuitV) / line.ratio,
    };
  }
  return undefined;
}

/** How a wheel hangs: on the base, on a knuckle that steers, or on a fork that swings. */
interface Hung {
  readonly links: readonly Element[];
  readonly joints: readonly Element[];
}

/** Of a wheel and what holds it so that it can swing, this share is what holds it (common practice, no source). */
const HOLDER = 0.1;

/** A wheel with its holder, if it swings or is steered, and its joints. */
function hung(build: Build, wheel: RollingBody, name: string, first: string | undefined): Hung {
  const { contact, radiusM, widthM, at } = wheel;
  const { axle } = contact;
  const swings = axle.form === 'castor';
  const swivels = layoutKind(build.layout.kind).swivels;
  const steered = !swings && (axle.steered || swivels);
  const trailM = swings ? CASTOR_TRAIL * axle.diameter.value : 0;
  const share = swings || steered ? 1 - HOLDER : 1;
  const part = (by: number): RigidBody => ({
    massKg: by * wheel.massKg,
    at: [0, 0, 0],
    inertia: wheel.inertia.map((m) => by * m) as unknown as Vector,
  });
  const shape = {
    origin: origin([0, 0, 0], ACROSS),
    geometry:
      axle.form === 'omni' || axle.form === 'shell'
        ? { sphere: { '@radius': said(radiusM) } }
        : cylinder(radiusM, widthM),
  };
  const link = { '@name': name, inertial: inertial(part(share), [0, 0, 0]), visual: shape, collision: shape };
  const limit = limitOf(build, contact);
  const turns = (parent: string, from: Vector): Element =>
    joint(`${name}_turns`, 'continuous', [parent, name], {
      ...{ origin: origin(from), axis: { '@xyz': '0 1 0' } },
      ...(limit ? { limit: { '@effort': said(limit.effortNm), '@velocity': said(limit.velocityRadS) } } : {}),
      ...(first === undefined
        ? {}
        : { mimic: { '@joint': `${first}_turns`, '@multiplier': '1', '@offset': '0' } }),
    });
  if (!swings && !steered) return { links: [link], joints: [turns(BASE, at)] };
  const holder = `${name}_${swings ? 'fork' : 'knuckle'}`;
  const lock = steeringLock(build);
  return {
    // The holder's middle is the wheel's, so that nothing of the whole is moved.
    links: [{ '@name': holder, inertial: inertial(part(HOLDER), [-trailM, 0, 0]) }, link],
    joints: [
      joint(holder, swings || swivels ? 'continuous' : 'revolute', [BASE, holder], {
        ...{ origin: origin([at[0] + trailM, at[1], at[2]]), axis: { '@xyz': '0 0 1' } },
        ...(swings || swivels
          ? {}
          : {
              limit: {
                ...{ '@lower': said(-lock), '@upper': said(lock) },
                ...{ '@effort': said(STEER_NM), '@velocity': said(STEER_RADS) },
              },
            }),
      }),
      turns(holder, [-trailM, 0, 0]),
    ],
  };
}
/** A steering that nobody described: more than a wheel needs, and a lock to lock in about a second (common practice, no source). */
const STEER_NM = 100;
const STEER_RADS = 1;

/** What drags: it stands on the ground and slides, part of no wheel. */
function sliderOf(contact: Contact, name: string): { link: Element; joint: Element } {
  const radiusM = contact.axle.diameter.value / 2;
  const shape = { geometry: { sphere: { '@radius': said(radiusM) } } };
  return {
    link: { '@name': name, visual: shape, collision: shape },
    joint: joint(`${name}_fixed`, 'fixed', [BASE, name], {
      origin: origin([contact.aheadM, contact.leftM, radiusM]),
    }),
  };
}

/** What is said at the head of the file. */
const REMARKS = [
  'Metres, kilograms, radians; x ahead, y to the left, z up. base_link lies on the ground under the rear axle.',
  'Payload left out. Wheels weigh what is usual of their size; the base is what is left of mass and inertia.',
];

/**
 * The vehicle as a URDF, for simulators of others: a base and each wheel with its joint, castors on forks, steered wheels on
 * knuckles; masses, middle and inertia add up to those of the build. A track is a row of wheels that turn together. Limits of
 * driven joints are what the drive gives at a stand, and its fastest.
 *
 * @example urdfOf(puffin).includes('<robot name="puffin">') // true
 */
export function urdfOf(build: Build): string {
  const { base, rolling, clipped } = bodiesOf(build);
  const links: Element[] = [baseLink(build, base)];
  const joints: Element[] = [];
  const firsts = new Map<string, string>();
  const places = new Map<string, number>();
  for (const contact of contactsOf(build.layout)) {
    const side = `${contact.axle.id} ${contact.side}`;
    const place = places.get(side) ?? 0;
    places.set(side, place + 1);
    const name = contactName(contact, place);
    const wheel = rolling.find((one) => one.contact === contact);
    if (!wheel) {
      const slider = sliderOf(contact, name);
      links.push(slider.link);
      joints.push(slider.joint);
      continue;
    }
    const one = hung(build, wheel, name, firsts.get(side));
    if (!firsts.has(side)) firsts.set(side, name);
    links.push(...one.links);
    joints.push(...one.joints);
  }
  const remarks = clipped
    ? [
        ...REMARKS,
        'By their size its wheels would be most of it: they are taken lighter, and its inertia is rounded up.',
      ]
    : REMARKS;
  const xml = new XMLBuilder({
    ignoreAttributes: false,
    attributeNamePrefix: '@',
    format: true,
    suppressEmptyNode: true,
    commentPropName: '#comment',
  });
  const body: string = xml.build({
    robot: {
      '@name': nameWithin(build.name),
      '#comment': remarks.map((line) => ` ${line} `),
      link: links,
      joint: joints,
    },
  });
  return `<?xml version="1.0" encoding="UTF-8"?>\n${body}`;
}
