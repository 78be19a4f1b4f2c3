import { show } from '../quantity/index.ts';
import { type Build, type PartOf, bankOf } from '../vehicle/index.ts';

/** Above this, direct current is work for a licensed person (the extra-low-voltage limit of most wiring codes is higher). */
const LICENSED_V = 60;

const LITHIUM = new Set(['lipo', 'li-ion', 'lifepo4']);

/** Cells that are thrown away when they are empty. */
export const isPrimary = ({ chemistry }: PartOf<'battery'>): boolean => chemistry === 'alkaline';

/** Whether a battery is of a lithium chemistry, which burns when it is mishandled. */
export const isLithium = ({ chemistry }: PartOf<'battery'>): boolean => LITHIUM.has(chemistry);

/**
 * What to heed while a battery is handled and charged, by its chemistry.
 *
 * @example cautionForBattery(batteryOf(puffin)) // 'Lithium: only with a charger made for this pack, w…'
 */
export function cautionForBattery(battery: PartOf<'battery'> | undefined): string {
  if (battery && isLithium(battery))
    return 'Lithium: only with a charger made for this pack, watched, on a surface that cannot burn; never a swollen or unknown one.';
  if (battery?.chemistry === 'lead-acid')
    return 'Lead-acid gives off gas that burns: charge it in moving air, away from sparks.';
  if (battery && isPrimary(battery))
    return 'Primary cells leak or burst when charged or mixed old with new; never short their terminals.';
  return 'Only with a charger made for it, as its maker says; never short its terminals.';
}

/** The caution that a voltage asks for; none where it is low. */
export function cautionForVoltage(build: Build): string | undefined {
  const fullV = bankOf(build)?.fullV ?? 0;
  const motorsV = build.parts.flatMap((part) => (part.kind === 'motor' ? [part.voltageV] : []));
  if (Math.max(fullV, ...motorsV) <= LICENSED_V) return undefined;
  return `Over ${show(LICENSED_V, 'voltage', 'metric').text}: let a licensed person do or check this, to the local code.`;
}

/** What a charger asks for, whatever it charges. */
export const CAUTION_FOR_CHARGER =
  'A charger is a mains part: a bought one, its case closed, dry and watched; what is wired to the mains is for a licensed person, to the local code. Charge with the main switch off and everything that turns clear.';

/** What a battery’s terminals ask for while it is wired. */
export const CAUTION_FOR_SHORTS =
  'Plus that touches minus welds and burns: cover the terminals, no rings or bare tools, fuse it close to the battery, and connect the battery last.';
