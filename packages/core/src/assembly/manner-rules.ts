import { stackOf } from '../layout/index.ts';
import { figure, sentence } from '../quantity/index.ts';
import { driveOf, motorsIn } from '../vehicle/index.ts';
import {
  eachSays,
  isOpenGear,
  ofStages,
  screwedBy,
  turning,
  type Bite,
  type Drafted,
  type RuleText,
} from './rule.ts';

/** What the shafts of the layout say of spacers and collars. */
function shaftBites({ build, of }: Drafted, what: 'spacers' | 'float'): Bite[] {
  const at = of('axle', 'wheels', 'free-wheels', 'motors')[0];
  if (!at) return [];
  return (build.arrangement?.shafts ?? []).flatMap((shaft): Bite[] => {
    const named = (id: string): string => shaft.stack.find((one) => one.id === id)?.name ?? id;
    const report = stackOf(shaft);
    if (what === 'spacers')
      return report.spacers.map(({ afterId, beforeId, thickM }) => ({
        step: at.id,
        says: sentence`“${shaft.name}” takes a spacer of ${figure(thickM, 'length')} between ${named(afterId)} and ${named(beforeId)}.`,
      }));
    return report.floatM.on === null || report.floatM.back === null
      ? [{ step: at.id, says: `Nothing stops “${shaft.name}” to one side: it wants a collar there.` }]
      : [];
  });
}

/** Wheels of a stage that are printed and held by set screws: the thread would be in plastic. */
function printedAndScrewed({ build, steps }: Drafted): Bite[] {
  const printed = (build.arrangement?.parts ?? []).filter((part) => part.printed && part.runs);
  const screwed = steps.filter(({ fasteners }) => fasteners.some(({ kind }) => kind === 'set screw'));
  return screwed.flatMap(({ id }) =>
    printed.map(({ name }): Bite => ({
      step: id,
      says: `“${name}” is printed: its set screws go into a metal insert or hub and press on metal.`,
    })),
  );
}

/** Rules of how a step is done (common practice, no source). */
export const MANNER_RULES = {
  'two-set-screws': {
    title: 'Two set screws at an angle, one on the flat',
    why: 'One screw alone lets its hub rock loose, and on the round it slips.',
    bites: (drafted) =>
      screwedBy(drafted, 'set screw').flatMap(({ id, fasteners }) =>
        fasteners
          .filter(({ kind }) => kind === 'set screw')
          .map(({ each, holds }): Bite => ({
            step: id,
            says:
              each < 2
                ? `One set screw alone holds ${holds}: add a second at an angle; the first sits on the flat.`
                : `Set screws of ${holds} at an angle to each other, the first on the flat of the shaft.`,
          })),
      ),
  },
  'spacers-against-rubbing': {
    title: 'Spacers, so that nothing rubs',
    why: 'A wheel that touches frame or bearing face drags and heats.',
    bites: (drafted) => [
      ...eachSays(
        drafted
          .of('wheels', 'free-wheels')
          .filter(() => drafted.build.layout.axles.some(({ form }) => form === 'wheel' || form === 'roller')),
        'A spacer on both sides of each wheel: it spins without touching anything.',
      ),
      ...shaftBites(drafted, 'spacers'),
    ],
  },
  'collars-against-float': {
    title: 'Collars against float',
    why: 'A shaft that floats throws its chain and rubs its bearings.',
    bites: (drafted) => [
      ...eachSays(drafted.of('axle'), 'Collars against float along the axle.'),
      ...shaftBites(drafted, 'float'),
    ],
  },
  'pattern-finger-tight': {
    title: 'All of a pattern finger-tight, then tight',
    why: 'The first that is tightened alone pulls the others out of their holes.',
    bites: ({ steps }) =>
      eachSays(
        steps.filter(({ fasteners }) => fasteners.some(({ kind, each }) => kind === 'screw' && each >= 3)),
        'All screws of a pattern in finger-tight, then tight crosswise.',
      ),
  },
  'screw-within-reach': {
    title: 'Every set screw within reach of its key',
    why: 'A screw that no key reaches is never tightened again.',
    bites: (drafted) =>
      eachSays(
        screwedBy(drafted, 'set screw'),
        'Turn the shaft so that a key gets straight to each set screw, now and when all is in.',
      ),
  },
  'screw-on-metal': {
    title: 'Set screws on metal, never on plastic',
    why: 'A thread in plastic strips, and plastic creeps away under a screw.',
    bites: printedAndScrewed,
  },
  'grease-and-spin': {
    title: 'Grease a bearing and spin it',
    why: 'A dry or gritty bearing is heard now, and costs pull later.',
    bites: ({ of }) => eachSays(of('bearings'), 'A touch of grease where it is open; spin each and listen.'),
  },
  'tread-direction': {
    title: 'Tread the right way round',
    why: 'A tread with a direction pulls well one way only.',
    bites: ({ of, build }) =>
      eachSays(
        [...of('wheels'), ...of('track')].filter(
          ({ role }) =>
            role === 'track' || build.layout.axles.some((axle) => axle.driven && axle.form === 'wheel'),
        ),
        'Where the tread has a direction, its arrow runs ahead at the top, left and right.',
      ),
  },
  'low-heads': {
    title: 'Heads that cannot rub',
    why: 'A head that stands out beside a chain, belt or gear is worn off or catches.',
    bites: (drafted) =>
      turning(drafted)
        ? eachSays(
            drafted.steps.filter(({ fasteners }) => fasteners.some(({ flange }) => flange)),
            'Button or countersunk heads where something passes close by.',
          )
        : [],
  },
  'heads-towards-turning': {
    title: 'Bolt heads towards what turns',
    why: 'A nut that works loose, or a thread end, catches what turns; a head does not.',
    bites: (drafted) =>
      turning(drafted)
        ? eachSays(
            drafted.of('motors').filter(({ fasteners }) => fasteners.length > 0),
            'Bolt heads on the side of what turns, nuts and thread ends away from it.',
          )
        : [],
  },
  'lock-what-turns': {
    title: 'Thread lock or self-locking nuts on what turns or shakes',
    why: 'A plain screw on a vehicle shakes itself loose.',
    bites: ({ steps }) =>
      steps.flatMap(({ id, fasteners }) => {
        const by = [...new Set(fasteners.flatMap(({ lock }) => lock ?? []))];
        return by.length === 0 ? [] : [{ step: id, says: `Keep them with ${by.join(' and ')}.` }];
      }),
  },
  'no-warped-plates': {
    title: 'Do not warp printed or plastic plates',
    why: 'A plate that is pulled flat by its screws takes shafts out of line.',
    bites: ({ of, build }) =>
      build.arrangement?.parts.some(({ printed }) => printed)
        ? eachSays(
            of('motors', 'place'),
            'Printed parts lie flat before their screws are tight; shim a gap, do not pull it shut.',
          )
        : [],
  },
  'grease-before-closing': {
    title: 'Prime a gearbox with grease before it closes',
    why: 'Gears that run dry for their first minutes are worn for good.',
    bites: (drafted) =>
      eachSays(
        ofStages(drafted, ['lock'], isOpenGear),
        'Grease on every tooth before the box closes; turn it through by hand.',
      ),
  },
  'grommets-for-cables': {
    title: 'Grommets where cables pass',
    why: 'An edge saws through insulation in a season.',
    bites: ({ of, build }) =>
      build.arrangement?.shell || (build.arrangement?.frame?.length ?? 0) > 0
        ? eachSays(of('wiring'), 'A grommet in every hole that a cable passes, and clear of what turns.')
        : [],
  },
  'invert-one': {
    title: 'Mirrored motors turn opposite ways: invert one',
    why: 'With the same leads left and right the vehicle turns on the spot instead of driving off.',
    bites: ({ of, build }) =>
      motorsIn(build) > 1 && ['wheel', 'side'].includes(driveOf(build).together)
        ? eachSays(
            of('wiring'),
            'Swap the two leads of the motors on the right, or invert them in the controller.',
          )
        : [],
  },
} as const satisfies Readonly<Record<string, RuleText>>;
