import { wheelLoads } from '../ground/index.ts';
import { contactsOf, layoutKind, type Build, type Duty, driveOf } from '../vehicle/index.ts';
import { drivenGrip, groupedBy, wheelOf } from './driven-grip.ts';
import { gripOf, groundOf, massOf, stanceOf, wheelLoadInput } from './footing.ts';
import type { ContactLoad, Footing, HangingReport } from './report.ts';

/** Loads and grip of the contacts with one wheel in the air; undefined where it would not stand so: then none hangs. */
function without(build: Build, duty: Duty, contacts: readonly ContactLoad[], wheel: string) {
  const places = contactsOf(build.layout);
  const input = wheelLoadInput(build, duty, massOf(build, duty), stanceOf(build, duty));
  const on = contacts.map((c) => wheelOf(c) !== wheel);
  if (!on.includes(true)) return undefined;
  const { loads, stands } = wheelLoads.run({ ...input, contacts: input.contacts.filter((_, at) => on[at]) });
  if (!stands) return undefined;
  let next = 0;
  const ground = groundOf(build, duty);
  return contacts.map((c, at): ContactLoad => {
    const place = places[at];
    const loadN = on[at] ? (loads[next++]?.loadN ?? 0) : 0;
    return { ...c, loadN, gripN: place ? gripOf(ground, place, loadN) : 0 };
  });
}

/** Grip with a wheel in the air: motors of their own still push by the others; an open differential gives all to the one that spins. */
function gripLeft(build: Build, contacts: readonly ContactLoad[]): number {
  return driveOf(build).together === 'wheel'
    ? contacts.reduce((sum, c) => sum + (c.driven ? c.gripN : 0), 0)
    : drivenGrip(build, contacts);
}

/**
 * Any driven wheel lifted in turn on ground that a duty says is uneven: the one that is missed most. Undefined on even
 * ground, for what is kept in balance, and where the others could not carry the vehicle so.
 */
export function hangingOf(
  build: Build,
  duty: Duty,
  { contacts, stands }: Footing,
): HangingReport | undefined {
  if (!groundOf(build, duty).uneven || layoutKind(build.layout.kind).balanced !== 'none') return undefined;
  if (layoutKind(build.layout.kind).pullsByRope) return undefined;
  if (!stands) return undefined;
  const lifted = groupedBy(
    contacts.filter((c) => c.driven),
    wheelOf,
  ).flatMap(([wheel]): HangingReport[] => {
    const left = wheel && without(build, duty, contacts, wheelOf(wheel));
    return left ? [{ axleId: wheel.axleId, side: wheel.side, gripN: gripLeft(build, left) }] : [];
  });
  return lifted.reduce<HangingReport | undefined>(
    (least, h) => (least && least.gripN <= h.gripN ? least : h),
    undefined,
  );
}
