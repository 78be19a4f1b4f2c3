import { cableOhm } from '../drive/index.ts';
import { figure } from '../quantity/index.ts';
import { chargingBySun, SUN_EFFICIENCY } from '../supply/index.ts';
import { driveOf, drivesThat, packsOf, type Build } from '../vehicle/index.ts';
import { found, type Finding } from './finding.ts';
import type { FindingContext } from './finding-context.ts';
import { chargeTimeOf, fuseOf, fuseThatSuits, steadyMost } from './supply-links.ts';

declare module './finding.ts' {
  interface FindingFigures {
    /** No fuse is said; the one that suits. */
    'no-fuse': 'suits';
    'no-fuse-yet': never;
    /** Packs side by side that are not alike. */
    'unlike-packs': never;
    /** Packs in series of unlike charge: which is empty first. */
    'first-empty': 'least' | 'most';
    /** A charger or a panel taken as what feeds it. */
    'no-source': never;
    /** A power bank that turns itself off. */
    'turns-off': 'least' | 'idle';
    'on-a-lead': never;
    /** Motors that brake into a battery that is full. */
    'full-battery': never;
    /** Voltage lost in the battery's cable. */
    'cable-drop': 'lost' | 'of';
    /** What turns beside people, with nothing that cuts it. */
    'no-interlock': never;
    'charges-in': 'time';
    /** A panel: outings a day, and what it gives. */
    'sun-gives': 'outings' | 'energy';
  }
}

/** More than this of the voltage lost in a cable is worth a thicker one (common practice, no source). */
const MUCH_LOST = 0.03;
/** Capacities further apart than this are worth a word (common practice, no source). */
const APART = 1.05;
const SECONDS_PER_HOUR = 3600;

function fuseFindings({ build, duties }: FindingContext): Finding[] {
  const feeds = packsOf(build).some(({ part }) => part.kind === 'battery');
  if (!feeds || fuseOf(build) !== undefined) return [];
  const suits = fuseThatSuits(build, duties);
  return [
    suits === undefined
      ? found('no-fuse-yet', 'note', {}, { link: 'battery-current' })
      : found(
          'no-fuse',
          'note',
          { suits: figure(suits, 'current') },
          { link: 'battery-current', cures: [{ kind: 'fuse', suitsA: suits }] },
        ),
  ];
}

/** Packs that do not go together, and sources that feed no vehicle. */
function packFindings(build: Build): Finding[] {
  const packs = packsOf(build);
  const batteries = packs.flatMap(({ part }) => (part.kind === 'battery' ? part : []));
  const sources = packs.flatMap(({ part }) => (part.kind === 'source' ? part : []));
  const unlike = batteries.some(
    ({ chemistry, series }) => chemistry !== batteries[0]?.chemistry || series !== batteries[0].series,
  );
  const charges = batteries.map(({ cellAh, parallel, capacityLeft = 1 }) => cellAh * parallel * capacityLeft);
  const [least, most] = [Math.min(...charges), Math.max(...charges)];
  const aside = build.supply.joined === 'in parallel' && packs.length > 1;
  return [
    ...(aside && (unlike || sources.length > 0)
      ? [found('unlike-packs', 'stop', {}, { link: 'battery-current' })]
      : []),
    ...(!aside && batteries.length > 1 && most > APART * least
      ? [
          found(
            'first-empty',
            'note',
            {
              least: figure(least * SECONDS_PER_HOUR, 'charge'),
              most: figure(most * SECONDS_PER_HOUR, 'charge'),
            },
            { link: 'battery-voltage' },
          ),
        ]
      : []),
    ...(sources.some(({ type }) => type === 'charger' || type === 'solar panel')
      ? [found('no-source', 'stop', {}, { link: 'battery-current' })]
      : []),
    ...(sources.some(({ type }) => type === 'bench supply')
      ? [found('on-a-lead', 'note', {}, { link: 'battery-current' })]
      : []),
  ];
}

/** Power banks turn off where next to nothing is drawn. */
function turnsOff({ build, line }: FindingContext): Finding[] {
  if (!line) return [];
  const idleA = line.circuit.auxiliaryW / line.circuit.openCircuitV;
  return packsOf(build).flatMap(({ part }) =>
    part.kind === 'source' && part.leastA !== undefined && idleA < part.leastA
      ? [
          found(
            'turns-off',
            'tight',
            { least: figure(part.leastA, 'current'), idle: figure(idleA, 'current') },
            { link: 'battery-current' },
          ),
        ]
      : [],
  );
}

/** Braking into a battery that has just been charged. */
function fullBattery({ build, line }: FindingContext): Finding[] {
  const down = build.duties.find(({ grade, task }) => grade.value < 0 || task === 'hold');
  const chemistry = line?.bank?.chemistry;
  return build.brake.kind === 'electronic' && chemistry !== undefined && down
    ? [found('full-battery', 'tight', {}, { link: 'brake-hold', dutyId: down.id })]
    : [];
}

function cableDrop({ build, duties, line }: FindingContext): Finding[] {
  if (!line?.bank) return [];
  const lostV = cableOhm(build) * steadyMost(duties);
  return lostV > MUCH_LOST * line.bank.nominalV
    ? [
        found(
          'cable-drop',
          'note',
          { lost: figure(lostV, 'voltage'), of: figure(line.bank.nominalV, 'voltage') },
          { link: 'battery-voltage' },
        ),
      ]
    : [];
}

/** A blade, a brush or a tiller beside people that goes on turning when it is let go. */
const uncut = ({ build }: FindingContext): Finding[] =>
  build.people === 'nobody'
    ? []
    : drivesThat(build, 'works').flatMap((seen) => {
        const { id, name, work } = driveOf(seen);
        const cut = build.supply.interlocks?.some(({ driveId }) => driveId === undefined || driveId === id);
        return work?.kind === 'lift' || cut
          ? []
          : [
              found(
                'no-interlock',
                'tight',
                {},
                { of: id, driveId: id, title: name, cures: [{ kind: 'interlock', driveId: id }] },
              ),
            ];
      });

/** How long charging takes, and what the sun does. */
function charging({ build, line, outing }: FindingContext): Finding[] {
  if (!line || !outing) return [];
  const chargeS = chargeTimeOf(build, line, outing);
  const { sun, standbyPower } = build.supply;
  return [
    ...(chargeS === undefined
      ? []
      : [found('charges-in', 'note', { time: figure(chargeS, 'time') }, { link: 'energy' })]),
    ...(sun && outing.energyJ > 0 ? [sunFinding(sun, standbyPower?.value ?? 0, outing.energyJ)] : []),
  ];
}

function sunFinding(sun: NonNullable<Build['supply']['sun']>, standbyW: number, energyJ: number): Finding {
  const { outingsPerDay, whPerDay } = chargingBySun.run({
    panelW: sun.power.value,
    peakSunHours: sun.hours.value / SECONDS_PER_HOUR,
    systemEfficiency: SUN_EFFICIENCY,
    whPerOuting: energyJ / SECONDS_PER_HOUR,
    standbyW,
  });
  return found(
    'sun-gives',
    outingsPerDay > 0 ? 'note' : 'tight',
    { outings: figure(outingsPerDay, 'number'), energy: figure(whPerDay * SECONDS_PER_HOUR, 'energy') },
    { link: 'energy' },
  );
}

/** What the supply says beside its margins. */
export const supplyFindings = (context: FindingContext): Finding[] => [
  ...fuseFindings(context),
  ...packFindings(context.build),
  ...turnsOff(context),
  ...fullBattery(context),
  ...cableDrop(context),
  ...uncut(context),
  ...charging(context),
];
