import { loadedMassInput } from '../demand/index.ts';
import { propelling, type Driveline } from '../drive/index.ts';
import { loadedMass } from '../ground/index.ts';
import { inertiaOf } from '../layout/index.ts';
import { GRAM_CM2 } from '../quantity/index.ts';
import { usualWheelKg, WHEEL_INERTIA } from '../simulate/index.ts';
import {
  contactsOf,
  driveOf,
  drivenDiameter,
  layoutKind,
  CASTOR_TRAIL,
  servedLayout,
  steeringLock,
  type Build,
  type Contact,
} from '../vehicle/index.ts';
import type { Free, Led, RigContact, RigMotor, RigSpin } from './rig.ts';

/** A gear that cannot be driven backwards still gives way a little, so that the law stays a law. */
const LEAST_BACK_EFFICIENCY = 0.05;

/** A vehicle as it is driven, and what was taken for want of a figure. */
export interface DrivenRig extends Led {
  readonly assumed: readonly ('wheels-mass' | 'no-rotors' | 'straight-law')[];
}

/** Why a build is not driven over a course. */
export type NotDriven = 'no-motor' | 'balances' | 'by-rope' | 'rolls-inside';

const FREE: Readonly<Record<Contact['axle']['form'], Free>> = {
  wheel: 'rolls',
  roller: 'rolls',
  track: 'rolls',
  shell: 'rolls',
  castor: 'swings',
  omni: 'drags',
  slider: 'drags',
};

/** What turns as one with a contact: itself, its side, its axle, all; a differential leaves both sides of an axle their own. */
function groupOf({ axle, side }: Contact, seen: Build): { readonly spin: string; readonly motor: string } {
  const { id, together, differential } = driveOf(seen);
  const whole = together === 'axle' ? axle.id : 'all';
  if (together === 'wheel') return { spin: `${axle.id} ${side}`, motor: `${id} ${axle.id} ${side}` };
  if (together === 'side') return { spin: side, motor: `${id} ${side}` };
  return {
    spin: differential === 'locked' ? whole : `${axle.id} ${side}`,
    motor: `${id} ${whole}`,
  };
}

/** Resistance, constants and friction of a motor; of another law than that of magnets, of the straight line from stall to its fastest. */
function constantsOf({ circuit, motor }: Driveline) {
  const { motor: model, openCircuitV } = circuit;
  if (model.constants) return { ...model.constants, straight: false };
  const ke = openCircuitV / model.fastestRadS(openCircuitV);
  const ohm = (openCircuitV * ke) / Math.max(1e-9, model.torqueAt(openCircuitV, 0));
  return {
    resistanceOhm: ohm,
    keVsPerRad: ke,
    ktNmPerA: ke,
    noLoadA: 'noLoadA' in motor ? motor.noLoadA : 0,
    straight: true,
  };
}

interface Grouped {
  readonly spins: Map<string, { name: string; contacts: Contact[]; inertiaKgM2: number }>;
  readonly spinOf: Map<Contact, string>;
  readonly motors: RigMotor[];
}

/** The motors of one drive, and what each turns. */
function motorsOf({ seen, line }: ReturnType<typeof propelling>[number], group: Grouped): void {
  const constants = constantsOf(line);
  const byMotor = new Map<string, Contact[]>();
  const drivenHere = new Set(
    servedLayout(seen)
      .axles.filter(({ driven }) => driven)
      .map(({ id }) => id),
  );
  for (const contact of contactsOf(seen.layout).filter((c) => c.driven && drivenHere.has(c.axle.id))) {
    const { spin, motor } = groupOf(contact, seen);
    byMotor.set(motor, [...(byMotor.get(motor) ?? []), contact]);
    if (group.spinOf.has(contact)) continue;
    group.spinOf.set(contact, spin);
    const kept = group.spins.get(spin) ?? { name: nameOf(contact), contacts: [], inertiaKgM2: 0 };
    kept.contacts.push(contact);
    kept.inertiaKgM2 += wheelInertia(contact);
    group.spins.set(spin, kept);
  }
  const keys = [...group.spins.keys()];
  for (const contacts of byMotor.values()) {
    const turned = [...new Set(contacts.map((c) => keys.indexOf(group.spinOf.get(c) ?? '')))];
    const sides = new Set(contacts.map(({ side }) => side));
    const [only] = sides;
    group.motors.push({
      name: sides.size === 1 && only !== 'middle' ? `${only ?? ''} motor` : driveOf(seen).name,
      side: sides.size === 1 && only !== undefined ? only : 'middle',
      count: driveOf(seen).motorsPerWheel,
      ratio: line.ratio,
      efficiency: line.efficiency,
      backEfficiency: Math.max(LEAST_BACK_EFFICIENCY, line.backEfficiency),
      resistanceOhm: constants.resistanceOhm,
      keVsPerRad: constants.keVsPerRad,
      ktNmPerA: constants.ktNmPerA,
      noLoadA: constants.noLoadA,
      limitA: line.circuit.currentLimitA,
      rotorKgM2: (line.motor.rotorGcm2 ?? 0) * GRAM_CM2,
      turns: turned.map((spin) => ({ spin, share: 1 / turned.length })),
    });
  }
}

const nameOf = ({ axle, side }: Contact): string => (side === 'middle' ? axle.name : `${axle.name}, ${side}`);

/** Of a wheel by its size; a track by that of its sprocket and as much again for the belt. */
const wheelInertia = ({ axle }: Contact): number =>
  (axle.contactLength ? 2 / 7 : 1) * WHEEL_INERTIA * usualWheelKg(axle) * (axle.diameter.value / 2) ** 2;

/** How fast the steered wheels turn, rad/s. */
function steeringRate({ steering }: Build): number {
  const seconds = steering?.secondsPer60?.value;
  return steering && seconds !== undefined ? Math.PI / 3 / seconds / steering.linkageRatio.value : Infinity;
}

/** Mass, its place, and its inertia with a share of the payload: a point where its middle is. */
function massesOf(build: Build, payloadShare: number) {
  const mass = loadedMass.run(loadedMassInput(build, payloadShare));
  const empty = loadedMass.run(loadedMassInput(build, 0));
  const { payload } = build.masses;
  const kg = payload.mass.value * payloadShare;
  const { yawKgM2, rollKgM2, pitchKgM2 } = inertiaOf(build);
  const about = (massKg: number, aheadM: number, leftM: number): number =>
    massKg * ((aheadM - mass.cgAheadOfRearAxleM) ** 2 + (leftM - mass.cgLeftM) ** 2);
  const yawInertiaKgM2 =
    yawKgM2 +
    about(empty.massKg, empty.cgAheadOfRearAxleM, empty.cgLeftM) +
    about(kg, payload.aheadOfRearAxle.value, payload.left.value);
  return { ...mass, yawInertiaKgM2, rollInertiaKgM2: Math.min(rollKgM2, pitchKgM2) };
}

/** The middle of what its path is the path of: of a steered vehicle its fixed axle, else of what drives. */
function middleOf(build: Build): number {
  const { axles } = build.layout;
  const fixed = axles.filter(({ steered, form }) => !steered && (form === 'wheel' || form === 'track'));
  const taken =
    axles.some(({ steered }) => steered) && fixed.length > 0 ? fixed : axles.filter((a) => a.driven);
  return taken.reduce((sum, { ahead }) => sum + ahead.value, 0) / Math.max(1, taken.length);
}

/**
 * Why it is not driven over a course, or undefined where it is.
 *
 * @example whyNotDriven(teasel) // 'balances'
 */
export function whyNotDriven(build: Build): NotDriven | undefined {
  const kind = layoutKind(build.layout.kind);
  if (kind.balances) return 'balances';
  if (kind.pullsByRope) return 'by-rope';
  if (kind.rollsInside) return 'rolls-inside';
  return propelling(build).length === 0 ? 'no-motor' : undefined;
}

/**
 * The vehicle that a build is, as its driving is simulated, with a share of its payload. Undefined for what is not driven over
 * the ground by wheels or tracks that stand by themselves, or has no motor yet.
 *
 * @example rigOf(puffin, 1)?.rig.massKg // 178
 */
export function rigOf(build: Build, payloadShare: number): DrivenRig | undefined {
  if (whyNotDriven(build) !== undefined) return undefined;
  const kind = layoutKind(build.layout.kind);
  const drives = propelling(build);
  const group: Grouped = { spins: new Map(), spinOf: new Map(), motors: [] };
  for (const drive of drives) motorsOf(drive, group);
  const keys = [...group.spins.keys()];
  const mass = massesOf(build, payloadShare);
  const [first] = drives;
  // A spool or sprocket at the end of the drive sets the diameter that rolls.
  const rolls = first ? (2 * first.line.wheelRadiusM) / drivenDiameter(build.layout).value : 1;
  const contacts = contactsOf(build.layout).map((c): RigContact => {
    const spun = group.spinOf.get(c);
    return {
      name: nameOf(c),
      aheadM: c.aheadM - mass.cgAheadOfRearAxleM,
      leftM: c.leftM - mass.cgLeftM,
      radiusM: (c.axle.diameter.value / 2) * (spun === undefined ? 1 : rolls),
      ...(spun === undefined ? {} : { spin: keys.indexOf(spun) }),
      free: FREE[c.axle.form],
      trailM: CASTOR_TRAIL * c.axle.diameter.value,
      steered: c.axle.steered || kind.swivels,
    };
  });
  const { circuit } = first?.line ?? {};
  return {
    rig: {
      massKg: mass.massKg,
      yawInertiaKgM2: mass.yawInertiaKgM2,
      rollInertiaKgM2: mass.rollInertiaKgM2,
      cgHeightM: mass.cgHeightM,
      heldUpright: kind.balanced !== 'none' || kind.onRails,
      dragAreaM2: build.dragArea.value,
      contacts,
      spins: [...group.spins.values()].map(({ name, inertiaKgM2 }): RigSpin => ({ name, inertiaKgM2 })),
      motors: group.motors,
      supply: {
        openCircuitV: circuit?.openCircuitV ?? 0,
        resistanceOhm: circuit?.supplyResistanceOhm ?? 0,
        auxiliaryW: circuit?.auxiliaryW ?? 0,
      },
      commandShare: circuit?.commandShare ?? 1,
      steering: {
        rateRadS: steeringRate(build),
        offRad: 0,
        playRad: 0,
        lockRad: steeringLock(build),
        swivels: kind.swivels,
      },
    },
    middleAheadM: middleOf(build) - mass.cgAheadOfRearAxleM,
    middleLeftM: -mass.cgLeftM,
    onTheSpot: kind.onTheSpot,
    assumed: [
      'wheels-mass',
      ...(drives.some(({ line }) => line.motor.rotorGcm2 === undefined) ? (['no-rotors'] as const) : []),
      ...(drives.some(({ line }) => constantsOf(line).straight) ? (['straight-law'] as const) : []),
    ],
  };
}
