import { comesOff, reachOf, thingsOf } from '../layout/index.ts';
import { figure, sentence } from '../quantity/index.ts';
import { driveOf, fittedOf, layoutKind } from '../vehicle/index.ts';
import {
  eachAfter,
  eachSays,
  hasSlots,
  ofStages,
  sameStage,
  stemOf,
  type Bite,
  type Drafted,
  type RuleText,
} from './rule.ts';

/** What a placed part is for the steps: the step that puts it in. */
function stepOfPlaced({ build, steps }: Drafted): (thingId: string) => string | undefined {
  const roleOf = new Map<string, string>([
    ...build.drives.flatMap(({ id, motorId, driverId }, n): [string, string][] => [
      [motorId ?? '', n === 0 ? 'motors' : `${id}.motors`],
      [driverId ?? '', 'drivers'],
    ]),
    ...build.supply.packs.map(({ id }): [string, string] => [id, 'tray']),
    ...fittedOf(build).map(({ part }): [string, string] => [part.id, `fit.${part.id}`]),
  ]);
  const placed = new Map((build.arrangement?.parts ?? []).map((part) => [part.id, part]));
  const there = new Set(steps.map(({ id }) => id));
  return (thingId) => {
    const part = placed.get(thingId);
    if (part === undefined) return undefined;
    const listed = steps.find(({ parts }) => parts.includes(thingId))?.id;
    const step = part.partId === undefined ? (listed ?? `place.${thingId}`) : roleOf.get(part.partId);
    return step !== undefined && there.has(step) ? step : undefined;
  };
}

/** What has wires is wired before it is covered for good. */
const WIRED: readonly string[] = ['drivers', 'tray', 'motors'];

/** What a later part hides: each placed part, and its lids, plugs and screws, before what has to come off again for it. */
function hidden(drafted: Drafted): Bite[] {
  const { build } = drafted;
  if (!build.arrangement?.parts.length) return [];
  const stepOf = stepOfPlaced(drafted);
  const off = comesOff(build);
  return thingsOf(build).flatMap((thing) => {
    const { id, name } = thing;
    const step = stepOf(id);
    if (step === undefined) return [];
    const covers = [
      ...(off.get(id)?.after ?? []),
      ...reachOf(build, thing).flatMap(({ after }) => after ?? []),
    ];
    return [...new Set(covers)].flatMap((coverId): Bite[] => {
      const cover = stepOf(coverId);
      if (cover === undefined || cover === step) return [];
      const says = `It hides “${name}”: tighten and check that before.`;
      const wired = WIRED.includes(step) && cover.startsWith('place.');
      return [{ step: cover, after: step, says }, ...(wired ? [{ step: cover, after: 'wiring' }] : [])];
    });
  });
}

/** Rules of what comes before what (common practice, no source). */
export const ORDER_RULES = {
  'loop-before-wheel': {
    title: 'Belt or chain before the wheel',
    why: 'Once the wheel is on, a closed loop cannot pass it.',
    bites: ({ of, build }) =>
      eachAfter(
        of('wheels'),
        of('loop').filter((loop) => driveOf(build).stages.some(({ id }) => stemOf(loop) === `${id}.`)),
      ),
  },
  'mesh-then-tighten': {
    title: 'Mesh and align, then tighten',
    why: 'What is tight before it runs true stays out of true.',
    bites: ({ of }) => sameStage(of('lock'), of('mesh', 'align')),
  },
  'bearings-before-shafts': {
    title: 'Bearings before shafts',
    why: 'A bearing is pressed in square only while no shaft stands in it.',
    bites: ({ of }) => eachAfter(of('axle'), of('bearings')),
  },
  'loose-in-slots': {
    title: 'Loose first where slots must find their place',
    why: 'The motor moves in its slots once more when the loop is tensioned.',
    bites: (drafted) => {
      const aligned = ofStages(drafted, ['align'], hasSlots);
      return aligned.length === 0
        ? []
        : [
            ...eachSays(
              drafted.of('motors'),
              'Finger-tight only: its slots find their place with the tension.',
            ),
            ...eachAfter(drafted.of('motor-bolts'), aligned),
          ];
    },
  },
  'hidden-first': {
    title: 'What a later part hides is tightened and checked before',
    why: 'What sits behind another part is out of reach once that is in.',
    bites: hidden,
  },
  'bearing-before-coupler': {
    title: 'The bearing before the coupler',
    why: 'A coupler that is on leaves no way in for the bearing behind it.',
    bites: ({ of }) => eachAfter(of('couple'), of('bearings')),
  },
  'label-then-wire': {
    title: 'Label, then wire',
    why: 'Two motors on swapped ports drive off backwards at first power.',
    bites: ({ of }) => eachAfter(of('wiring'), of('labels')),
  },
  'fuse-last': {
    title: 'The fuse last',
    why: 'Until the fuse is in, a slip of the meter or the pliers burns nothing.',
    bites: ({ of }) => [
      ...eachAfter(of('fuse'), of('polarity')),
      ...eachAfter(of('first-power'), of('fuse')),
    ],
  },
  'guard-before-power': {
    title: 'Guards before power',
    why: 'A chain or belt that first turns unguarded takes the hand that adjusts it.',
    bites: ({ of }) => eachAfter(of('first-power'), of('guard')),
  },
  'wheels-up': {
    title: 'Nothing touches the ground at first power',
    why: 'The first command may go the wrong way, at full speed.',
    bites: ({ of, build }) =>
      layoutKind(build.layout.kind).pullsByRope
        ? []
        : eachSays(of('first-power'), 'On blocks that cannot slip; a hand on the main switch.'),
  },
  'brake-before-floor': {
    title: 'The brake before the floor',
    why: 'What cannot be stopped is not set down.',
    bites: ({ of }) => eachAfter(of('first-run'), of('brake')),
  },
  'prints-ahead': {
    title: 'Long prints first',
    why: 'A print runs by itself for hours; what waits for it cannot.',
    bites: ({ of, build }) =>
      of('print').flatMap((print): Bite[] => {
        const partId = print.id.replace(/^print\./, '');
        const massKg = build.arrangement?.parts.find(({ id }) => id === partId)?.mass.value ?? 0;
        return [
          { step: `place.${partId}`, after: print.id },
          {
            step: print.id,
            says: sentence`About ${figure(massKg, 'mass', 2)} of plastic and ${figure(print.waitingS, 'time', 2)}: started before it is wanted.`,
          },
        ];
      }),
  },
} as const satisfies Readonly<Record<string, RuleText>>;
