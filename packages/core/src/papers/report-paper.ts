import { partsList } from '../assembly/index.ts';
import { evaluate, linkDefinition, type Report } from '../judge/index.ts';
import { centreOfGravity } from '../layout/index.ts';
import { compared, predictedOf, protocolOf, resultOfSet, type TrialSet } from '../protocols/index.ts';
import { inUnits, show, showNumber, type Dimension, type UnitSystem } from '../quantity/index.ts';
import { cautionsOf, findingsInWords } from '../say/index.ts';
import { drivenDiameter, layoutKind, type Build } from '../vehicle/index.ts';
import type { Paper, PaperBlock } from './paper.ts';

/** How a paper is written. */
export interface PaperAsked {
  readonly system: UnitSystem;
  /** The day, as it is said. */
  readonly day?: string;
  readonly trialSets?: readonly TrialSet[];
}

type Say = (si: number, dimension: Dimension) => string;
/** Where there is none. */
const NONE = '–';

const section = (title: string, blocks: readonly PaperBlock[]): PaperBlock[] =>
  blocks.length === 0 ? [] : [{ kind: 'heading', text: title }, ...blocks];

const list = (items: readonly string[]): PaperBlock[] =>
  items.length === 0 ? [] : [{ kind: 'list', items }];

/** A table; none without rows. */
const table = (
  heads: readonly string[],
  rows: readonly (readonly string[])[],
  numbers: readonly number[],
): PaperBlock[] => (rows.length === 0 ? [] : [{ kind: 'table', heads, rows, numbers }]);

function whatItIs(build: Build, report: Report, say: Say): PaperBlock[] {
  const centre = centreOfGravity(build);
  const { payload } = build.masses;
  return [
    {
      kind: 'table',
      heads: ['What', 'How much'],
      rows: [
        ['Layout', layoutKind(build.layout.kind).title],
        ['Mass, ready to drive', say(centre.massKg, 'mass')],
        ['Payload', say(payload.mass.value, 'mass')],
        ['Middle of its mass, ahead of the rear axle', say(centre.aheadM, 'length')],
        ['Middle of its mass, above the ground', say(centre.heightM, 'length')],
        ['Driven wheels', say(drivenDiameter(build.layout).value, 'length')],
        ['Ratio, motor to wheel', say(report.train.ratio, 'ratio')],
        ['What the drive passes on', say(report.train.efficiency, 'share')],
      ],
      numbers: [1],
    },
  ];
}

const jobs = (build: Build, report: Report, say: Say): PaperBlock[] =>
  table(
    ['Job', 'Ground', 'Grade', 'Speed', 'Time', 'Pull needed', 'Speed reached'],
    build.duties.map((duty) => {
      const result = report.duties.find(({ id }) => id === duty.id);
      return [
        duty.name,
        build.grounds.find(({ id }) => id === duty.groundId)?.name ?? NONE,
        say(duty.grade.value, 'angle'),
        say(duty.speed.value, 'speed'),
        say(result?.durationS ?? duty.duration.value, 'time'),
        result ? say(result.resistance.totalN, 'force') : NONE,
        result?.attainableMps === undefined ? NONE : say(result.attainableMps, 'speed'),
      ];
    }),
    [2, 3, 4, 5, 6],
  );

const margins = (report: Report, say: Say): PaperBlock[] =>
  table(
    ['Link', 'Needs', 'Has', 'Margin', 'Rule', 'Verdict', 'Job'],
    report.governing.map(({ link, needs, has, ratio, rule, verdict, dutyId }) => {
      const { title, dimension } = linkDefinition(link);
      return [
        ...[title, say(needs, dimension), say(has, dimension), showNumber(ratio), showNumber(rule), verdict],
        report.duties.find(({ id }) => id === dutyId)?.name ?? 'the whole outing',
      ];
    }),
    [1, 2, 3, 4],
  );

function outing(report: Report, say: Say): PaperBlock[] {
  const { outing: out } = report;
  if (!out) return [];
  const runTime =
    out.runTimeS === undefined ? '' : ` The battery lasts ${say(out.runTimeS, 'time')} at that.`;
  return [
    {
      kind: 'text',
      text: `One after the other the jobs take ${say(out.durationS, 'time')} and ${say(out.energyJ, 'energy')}.${runTime}`,
    },
  ];
}

const parts = (build: Build, say: Say): PaperBlock[] =>
  table(
    ['Count', 'Part', 'Mass, each', 'State'],
    partsList(build).map(({ count, name, massEachKg, missing, state }) => [
      String(count),
      name,
      massEachKg === undefined ? NONE : say(massEachKg, 'mass'),
      missing === undefined ? state : `missing: ${missing}`,
    ]),
    [0, 2],
  );

function trials(build: Build, { trialSets = [], system }: PaperAsked, say: Say): PaperBlock[] {
  const rows = trialSets.map((set) => {
    const result = resultOfSet(set);
    const beside = compared(result, predictedOf(set.protocol, build, set.conditions, result.measured));
    return [
      set.name,
      protocolOf(set.protocol).title,
      String(result.runs),
      inUnits(result.says, system),
      beside
        .map(
          ({ measured: { title, value, dimension }, predicted }) =>
            `${title} ${say(value, dimension)}, predicted ${say(predicted.value, dimension)}`,
        )
        .join('; ') || NONE,
    ];
  });
  return table(['Trial', 'Kind', 'Runs', 'What it says', 'Measured beside predicted'], rows, [2]);
}

/**
 * The report of a build as a paper: what it is and must do, how each link stands, what stands in the way, its parts, its
 * trials, and the cautions that go with it.
 *
 * @example reportPaper(puffin, { system: 'metric' }).blocks[0]?.kind // 'text'
 */
export function reportPaper(build: Build, asked: PaperAsked): Paper {
  const { system, day } = asked;
  const say: Say = (si, dimension) => show(si, dimension, system).text;
  const report = evaluate(build);
  const findings = findingsInWords({ report, build }, system);
  const foreword = [
    build.purpose,
    day === undefined ? '' : `Written ${day}.`,
    build.readyBy === null ? '' : `Ready by ${build.readyBy}.`,
  ].filter((text) => text !== '');
  return {
    title: build.name,
    blocks: [
      ...foreword.map((text): PaperBlock => ({ kind: 'text', text })),
      ...section('What it is', whatItIs(build, report, say)),
      ...section('What it must do', [...jobs(build, report, say), ...outing(report, say)]),
      ...section('How each link stands in its hardest job', margins(report, say)),
      ...section(
        'What stands in the way',
        list(
          findings.map(({ severity, text, within = [] }) => `${severity}: ${[text, ...within].join(' ')}`),
        ),
      ),
      ...section('Parts', parts(build, say)),
      ...section('Trials', trials(build, asked, say)),
      ...section('Take care', list(cautionsOf(build))),
      {
        kind: 'text',
        text: 'Worked out from what was typed and measured. Makers’ instructions, local rules and licensed practice come first.',
      },
    ],
  };
}
