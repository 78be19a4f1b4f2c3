/** Every calculator by the question that a builder asks, in the groups of the shed. */
export interface Question {
  readonly name: string;
  readonly asks: string;
}

export interface QuestionGroup {
  readonly title: string;
  readonly questions: readonly Question[];
}

const group = (title: string, ...questions: readonly (readonly [string, string])[]): QuestionGroup => ({
  title,
  questions: questions.map(([name, asks]) => ({ name, asks })),
});

export const QUESTION_GROUPS: readonly QuestionGroup[] = [
  group(
    'Will it climb, turn and stop?',
    ['road-load', 'How hard must it pull?'],
    ['loaded-mass', 'What does it weigh loaded, and where is the middle?'],
    ['axle-loads', 'How much weight is on each axle?'],
    ['wheel-loads', 'How much weight is on each wheel?'],
    ['grip-force', 'How hard can the wheels push before they slip?'],
    ['wheel-torque', 'What torque does each wheel need?'],
    ['attainable-speed', 'How fast does it go with full command?'],
    ['grip-limited-grade', 'How steep before a wheel slips or it rears?'],
    ['obstacle-climb', 'Will the wheel get over the step?'],
    ['towed-load', 'How hard does a trailer pull?'],
    ['mean-rolling', 'What do wheels and castors drag together?'],
    ['sum-of-forces', 'What do road, turn and step ask together?'],
    ['wheel-sinkage', 'How deep does a wheel sink?'],
    ['track-sinkage', 'How deep does a track sink?'],
    ['soil-thrust', 'How hard can soft ground be pushed?'],
    ['pivot-turn', 'Do two driven wheels turn it on the spot?'],
    ['skid-turn-wheeled', 'Can fixed wheels turn on the spot?'],
    ['skid-turn-tracked', 'What does a turn ask of the tracks?'],
    ['steer-torque', 'How strong must the steering servo be?'],
    ['ackermann', 'How far does each front wheel turn?'],
    ['locked-axle', 'Does a locked axle push straight on?'],
    ['side-tip', 'When does it tip sideways?'],
    ['tip-angles', 'When does it tip, and over which edge?'],
    ['corner-speed', 'How fast may it go round a turn?'],
    ['catch-lean', 'What does catching a lean take?'],
    ['inner-drive', 'How hard can a sphere push from inside?'],
    ['stopping', 'How far does it take to stop, and does it hold?'],
  ),
  group(
    'Which ratio?',
    ['ratio-window', 'Which ratios suit this motor and duty?'],
    ['gear-train', 'What do several stages make together?'],
    ['train-ratio', 'What do several ratios make together?'],
    ['delivered-torque', 'What arrives of a motor’s torque?'],
    ['motor-load', 'What does a wheel ask of its motor?'],
    ['teeth-for-ratio', 'Which teeth make a ratio?'],
    ['planetary', 'What does a planetary stage make?'],
    ['worm-pair', 'What does a worm make, and does it lock?'],
    ['bevel-pair', 'What do bevel gears make, and do they stand it?'],
    ['spool', 'How hard and how fast does a spool pull?'],
  ),
  group(
    'How long a belt or chain, how far apart?',
    ['chain-drive', 'How many links?'],
    ['timing-belt', 'Which toothed belt?'],
    ['friction-belt', 'Does the V-belt slip?'],
    ['friction-wheel', 'Does a roller on the tyre slip?'],
    ['rim-pull', 'How hard is a belt pulled?'],
    ['track-loop', 'How many links has the track?'],
    ['gear-pair', 'How far apart are two gears?'],
    ['largest-sprocket', 'How large a sprocket clears the ground?'],
  ),
  group(
    'What have I in hand?',
    ['gear-module', 'Which module is this gear?'],
    ['chain-pitch', 'Which chain is this, and how worn?'],
    ['worm-lead-angle', 'What lead angle has this worm?'],
  ),
  group(
    'Will it hold?',
    ['gear-bending', 'Do the teeth stand it?'],
    ['shaft-torsion', 'Does the shaft stand it?'],
    ['key-shear', 'Does the key stand it?'],
    ['set-screw-hold', 'Do the set screws hold?'],
    ['bolt-circle', 'Do the bolts stand it?'],
    ['allowed-load', 'What may a chain or rope work with?'],
  ),
  group(
    'What will the motor do?',
    ['dc-motor-constants', 'What does its data sheet say about it?'],
    ['dc-motor-point', 'What does it do at one load?'],
    ['dc-motor-at-voltage', 'What does it do at another voltage?'],
    ['dc-motor-fit', 'Which motor is this, by bench readings?'],
    ['series-motor-point', 'What does a series-wound motor do?'],
    ['full-command', 'What does it give at full command?'],
    ['motor-heat', 'How hot does it get?'],
    ['simulate-launch', 'How does it start from rest?'],
    ['launch-with-pull', 'How does it start with something in tow?'],
  ),
  group(
    'How long will it run?',
    ['battery-pack', 'What do these cells make?'],
    ['driver-draw', 'What do the motors draw from it?'],
    ['outing-draw', 'What does an outing draw?'],
    ['energy-drawn', 'How much energy is that?'],
    ['battery-sag', 'How far does the battery sag?'],
    ['run-time', 'How long does the battery last?'],
    ['speed-up', 'How hard must it speed up?'],
    ['route-time', 'How long does a route take?'],
    ['area-time', 'How long does a patch take?'],
    ['starting-power', 'What do frequent starts cost?'],
    ['wire', 'How thick a wire?'],
    ['fuse-choice', 'Which fuse?'],
  ),
  group(
    'How far did it go?',
    ['travel-counts', 'How many counts is a distance?'],
    ['encoder-counts', 'What does the encoder see?'],
    ['effective-diameter', 'How large is the wheel really?'],
    ['veer', 'How far does it drift?'],
    ['odometry-square', 'What do square runs say of wheels and track?'],
    ['coast-down', 'How much drag has it, by rolling out?'],
  ),
  group(
    'Is it really better?',
    ['trial-summary', 'What does a set of runs say?'],
    ['compare-trials', 'Do two sets of runs differ?'],
    ['match-motors', 'Which motors go together?'],
  ),
];
