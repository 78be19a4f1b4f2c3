import { EXAMPLES } from './examples.ts';
import type { GuidePage } from './page.ts';

/** What is told of each station, in the order in which builders work. */
export const GUIDE: readonly GuidePage[] = [
  {
    station: 'brief',
    title: 'Brief: what must it do?',
    answers: [
      'How hard must it pull for each job, and how heavy is it then?',
      'How fast does it go, for how long, and what does that take of a battery?',
      'Which number is not known well enough, and what if it were another?',
    ],
    how: [
      'Name each job that it must do: the hardest start counts as well as the long way.',
      'Weigh what you have, guess the rest, and say how far off a guess may be.',
      'Say who is near it and what an event allows: rules and cautions follow.',
    ],
    sums: ['road-load', 'loaded-mass', 'towed-load', 'heap-push', 'route-time', 'area-time', 'speed-up'],
    limits: [
      'Ground holds back in proportion to weight: a soft patch that gets softer with each run is not in it.',
      'Wind blows from nowhere: only the air that it drives into holds it back.',
    ],
    examples: [EXAMPLES.brief],
  },
  {
    station: 'ground',
    title: 'Ground: does it stand, grip and turn?',
    answers: [
      'What does each wheel carry, on the level and on the slope?',
      'At which slope does it slip, tip or roll back?',
      'Does it turn on this ground, and over which step does it come?',
    ],
    how: [
      'Move the load and steepen the slope until something gives: that is what to change first.',
      'Take the grip of a wet day, not of the shed floor; measure it by Trials where it decides.',
    ],
    sums: [
      ...([
        'axle-loads',
        'grip-force',
        'grip-limited-grade',
        'tip-angles',
        'side-tip',
        'pivot-turn',
      ] as const),
      ...(['skid-turn-wheeled', 'skid-turn-tracked', 'obstacle-climb', 'stopping', 'corner-speed'] as const),
      ...(['wheel-sinkage', 'soil-thrust', 'ackermann'] as const),
    ],
    limits: [
      'Springs and tyres that give way are left out: on rough ground a wheel lifts sooner.',
      'Grip is one number for a tyre and a ground; mud in the tread makes it another.',
    ],
    examples: [EXAMPLES.ground],
  },
  {
    station: 'drivetrain',
    title: 'Drivetrain: which ratio, and does it hold?',
    answers: [
      'Between which ratios does every job lie?',
      'Which teeth, pulleys or worm give that ratio from parts that there are?',
      'Do belt, chain, gears, keys, screws and mount hold when the wheels jam?',
    ],
    how: [
      'Find the window first, then stages inside it; ask for teeth that come to a ratio.',
      'Look at what gives first: make it the part that is cheapest to mend.',
    ],
    sums: [
      ...(['ratio-window', 'gear-train', 'train-ratio', 'teeth-for-ratio', 'delivered-torque'] as const),
      ...(['chain-drive', 'timing-belt', 'friction-belt', 'gear-pair', 'gear-bending', 'worm-pair'] as const),
      ...([
        'shaft-torsion',
        'key-shear',
        'set-screw-hold',
        'mount-pull',
        'play-sum',
        'reflected-inertia',
      ] as const),
    ],
    limits: [
      'Strengths are for new parts in line and oiled; wear and dirt take from them.',
      'What a maker says of his own chain, belt or gearhead comes first.',
    ],
    examples: [EXAMPLES.drivetrain],
  },
  {
    station: 'power',
    title: 'Power: do motor, driver and battery do it all day?',
    answers: [
      'Which motor pulls every job without getting too hot?',
      'What flows through driver, cable and fuse, and how far does the battery sag?',
      'How long does it last, and how long must it charge?',
    ],
    how: [
      'A job is met where its mark lies under the pull line, and sure where it lies under the dashed one.',
      'Measure an unknown motor at the bench: five readings make its line.',
      'Size the fuse for the cable, and the cable for the hardest start.',
    ],
    sums: [
      ...(['dc-motor-constants', 'dc-motor-point', 'full-command', 'motor-heat', 'heat-cycle'] as const),
      ...(['battery-pack', 'battery-sag', 'driver-draw', 'outing-draw', 'run-time', 'charge-time'] as const),
      ...(['wire-choice', 'fuse-choice', 'packs-in-series', 'supply-rail'] as const),
    ],
    limits: [
      'Catalogue figures are within a tenth; an old battery holds what a run-down says, not its label.',
      'Chargers, cells and fuses: their makers’ instructions come first.',
    ],
    examples: [EXAMPLES.power],
  },
  {
    station: 'layout',
    title: 'Layout: where does everything sit?',
    answers: [
      'Where is the weight, and what does each wheel carry then?',
      'What is in the way of what, and what comes off first to reach it?',
      'Which holes, plates and sprockets are cut, in true size?',
    ],
    how: [
      'Place what is heavy or must be reached first: battery, motors, main switch.',
      'Ask for a free place; put it there and see what the wheels carry.',
    ],
    sums: [
      'frame-bending',
      'gearbox-mount',
      'run-out',
      'print-fit',
      'bolt-circle',
      'largest-sprocket',
      'chain-pitch',
    ],
    limits: [
      'Parts are boxes and cylinders; cables bend as their makers allow.',
      'A frame bends as a straight member between its supports.',
    ],
    examples: [EXAMPLES.layout],
  },
  {
    station: 'assembly',
    title: 'Assembly: in which order, and by when?',
    answers: [
      'What comes first, with which screws and how tight?',
      'When must parts be there, and what does a late one move?',
      'What is checked before the first power?',
    ],
    how: [
      'Mark what is on hand and what is done; the dates follow.',
      'Leave days for tuning: Trials says which runs go into them.',
    ],
    sums: ['bolt-tightening', 'belt-tension', 'press-fit', 'clamp-hold', 'filament'],
    limits: [
      'Times are those of a careful beginner with the tool at hand.',
      'Work on mains, lifts and roads is for those licensed for it.',
    ],
    examples: [EXAMPLES.assembly],
  },
  {
    station: 'test-track',
    title: 'Test track: how does it drive before it is built?',
    answers: [
      'How does it start, on which grade, with what current?',
      'Where does a run end, and where a hundred of them?',
      'Does a balancer stand, with which gains, and over a kerb on soft tyres?',
      'How does a sphere roll, nod and face; does a slow dolly creep or jerk?',
    ],
    how: [
      'Let it go a course as its controller would; look at what made it veer or turn short.',
      'Change one thing, drive again, and keep what was found with the build.',
    ],
    sums: [
      ...(['simulate-launch', 'simulate-straight', 'simulate-balance', 'balance-plant'] as const),
      ...(['inner-drive', 'rolling-facing', 'roller-speed'] as const),
      ...(['encoder-counts', 'travel-counts', 'pivot-calibration', 'veer', 'unequal-wheels'] as const),
    ],
    limits: [
      'Tyres grip by one law along and across; springs, ruts and wind are left out.',
      'A balancer’s gears have no play there: the real one needs calmer gains.',
      'A sphere rolls without slip on level or even ground; gears without friction let it nod for longer than the real one.',
      'A dolly sticks by two frictions that do not change with time: rust, dew and dirt do. Measure both where it will run.',
    ],
    examples: [EXAMPLES['test-track']],
  },
  {
    station: 'trials',
    title: 'Trials: what does the real one do?',
    answers: [
      'Does it run straight, as far as it is told, and turn true?',
      'Which motors, wheels and sliders go together?',
      'It veers, jerks or cuts out: which cause is it?',
    ],
    how: [
      'Change one thing at a time, and make ten runs before you believe it.',
      'Set what was measured beside what the build foretells; where they part, doubt a number and measure it.',
      'Take the measured number over: every margin moves with it.',
    ],
    sums: [
      ...(['trial-summary', 'compare-trials', 'runs-needed', 'swap-verdict', 'match-motors'] as const),
      ...([
        'effective-diameter',
        'odometry-square',
        'coast-down',
        'incline-slip',
        'pull-test',
        'score-rate',
      ] as const),
    ],
    limits: [
      'An interval is of the runs that were made: another floor or day is another trial.',
      'Likely causes are weighed by common practice; what a swap shows counts more.',
    ],
    examples: [EXAMPLES.trials],
  },
  {
    station: 'logbook',
    title: 'Logbook: what was changed, and what did it do?',
    answers: [
      'What did this change do to every margin?',
      'How did it stand before, and can that be had back?',
      'Why was it decided so?',
    ],
    how: [
      'Take a snapshot before you try something, and name it.',
      'Write down why: the reason is what is forgotten first.',
    ],
    sums: ['train-ratio', 'effective-diameter'],
    limits: ['It tells what the build’s numbers did; what the vehicle did stands in Trials.'],
    examples: [EXAMPLES.logbook],
  },
];
