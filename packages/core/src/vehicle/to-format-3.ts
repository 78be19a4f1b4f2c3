import { isJson, type Json } from '../contract/index.ts';
import { assumed, isQuantity, type Quantity } from '../quantity/index.ts';

const fields = (x: unknown): Json => (isJson(x) ? x : {});
const items = (x: unknown): readonly Json[] => (Array.isArray(x) ? x.map(fields) : []);
const mm = (metres: number): Quantity => assumed(metres, 'mm');
const metres = (x: unknown, otherwise: number): number => (isQuantity(x) ? x.value : otherwise);

/** Castors were drawn at so many times the driven wheels' track and diameter. */
const CASTOR_TRACK = 0.7;
const CASTOR_DIAMETER = 0.5;

/** The one layout of formats 1 and 2: two driven wheels at one end, castors at the other. */
function layoutOf(before: Json): unknown {
  if (before.kind !== 'two-driven-castors') return before;
  const { wheelbase, track, wheelDiameter, drivenEnd } = before;
  const zero = mm(0);
  const wheelM = metres(wheelDiameter, 0.1);
  const driven = {
    id: 'driven',
    name: 'Driven wheels',
    form: 'wheel',
    tyre: 'pneumatic',
    ahead: drivenEnd === 'front' ? wheelbase : zero,
    track,
    diameter: wheelDiameter,
    width: mm(wheelM / 5),
    driven: true,
    steered: false,
    braked: false,
  };
  const castors = {
    ...driven,
    id: 'free',
    name: 'Castors',
    form: 'castor',
    tyre: 'solid-rubber',
    ahead: drivenEnd === 'front' ? zero : wheelbase,
    track: mm(metres(track, 0.5) * CASTOR_TRACK),
    diameter: mm(wheelM * CASTOR_DIAMETER),
    width: mm((wheelM * CASTOR_DIAMETER) / 5),
    driven: false,
  };
  return { kind: 'two-driven', axles: drivenEnd === 'front' ? [castors, driven] : [driven, castors] };
}

/**
 * Format 3 said what the vehicle stands on axle by axle, gave it a body, hitch, brake and aims, and gave grounds and
 * duties what turning, stopping and soft ground ask. What a file of format 2 meant is kept number by number.
 */
export function toFormat3(document: Json): Json {
  const layout = fields(document.layout);
  const masses = fields(document.masses);
  const wheelM = metres(layout.wheelDiameter, 0.1);
  const wheelbaseM = metres(layout.wheelbase, 0.5);
  const placed = (mass: unknown): unknown => (isJson(mass) ? { ...mass, left: mm(0) } : mass);
  return {
    ...document,
    formatVersion: 3,
    people: 'beside',
    layout: layoutOf(layout),
    body: {
      length: mm(wheelbaseM + wheelM),
      width: mm(metres(layout.track, 0.5) + wheelM / 4),
      height: mm(wheelM * 1.5),
      clearance: mm(wheelM / 4),
    },
    hitch: { behind: mm(0), height: mm(wheelM / 2), load: assumed(0, 'N') },
    brake: { kind: 'none', reaction: assumed(0.5, 's') },
    aims: { maximise: 'none' },
    ...(isJson(document.masses)
      ? { masses: { ...masses, own: placed(masses.own), payload: placed(masses.payload), others: [] } }
      : {}),
    ...(Array.isArray(document.grounds)
      ? {
          grounds: items(document.grounds).map((ground) => ({
            ...ground,
            surface: null,
            freeRolling: ground.rolling,
            across: ground.friction,
          })),
        }
      : {}),
    ...(Array.isArray(document.duties)
      ? {
          duties: items(document.duties).map((duty) => ({
            ...duty,
            task: 'drive',
            extent: { kind: 'time' },
          })),
        }
      : {}),
    ...(isJson(document.drive)
      ? { drive: { ...document.drive, together: 'wheel', differential: 'open' } }
      : {}),
  };
}
