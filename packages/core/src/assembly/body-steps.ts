import { HOUR_S, MINUTE_S } from '../quantity/index.ts';
import { fittedOf, type Build } from '../vehicle/index.ts';
import type { PartLine } from './parts-list.ts';
import { whole, type Step } from './step.ts';

/** Kinds of fitted parts that are wired: they go in before the wiring. */
const WIRED: readonly string[] = [
  'controller',
  'receiver',
  'sensor',
  'switch',
  'converter',
  'source',
  'plug',
  'fuse',
];

/** Plastic that a usual printer lays down, g a second: 15 g an hour (common practice, no source). */
const PRINTED_G_A_S = 15 / 3600;

/** Parts of the layout that are no part of the list: printed, and put in their places. */
function placedSteps(build: Build, lines: readonly PartLine[]): Step[] {
  const listed = new Set(lines.map(({ id }) => id));
  const placed = (build.arrangement?.parts ?? []).filter(
    ({ id, partId, runs }) => partId === undefined && !runs && !listed.has(id),
  );
  const prints = (build.arrangement?.parts ?? []).filter(({ printed }) => printed);
  return [
    ...prints.map(({ id, name, mass }) => ({
      ...whole({
        id: `print.${id}`,
        title: `Print “${name}”`,
        detail: 'The face that carries load down on the bed; pause for an insert where one goes in.',
        handsOnS: 15 * MINUTE_S,
        waitingS: Math.ceil((mass.value * 1000) / PRINTED_G_A_S / 600) * 600,
        waitingFor: 'the printer',
        runsOn: 'printer',
        caution: 'A printer is hot and moves by itself: nothing that burns near it, and look in on it.',
      }),
      role: 'print',
    })),
    ...placed.map(({ id, name }) => ({
      ...whole({
        id: `place.${id}`,
        title: `Fit “${name}” in its place`,
        handsOnS: 30 * MINUTE_S,
        after: ['frame'],
      }),
      role: 'place',
    })),
  ];
}

/** Parts beside motor, driver and battery that are fitted. */
const fittedSteps = (build: Build): Step[] =>
  fittedOf(build).map(({ part, count }) => ({
    ...whole({
      id: `fit.${part.id}`,
      title: `Fit ${count > 1 ? `${count} × ` : ''}“${part.name}”`,
      handsOnS: 20 * MINUTE_S,
      needs: [`fitted.${part.id}`],
      after: ['frame'],
    }),
    role: WIRED.includes(part.kind) ? 'fit-wired' : 'fit',
  }));

/** What is there for whoever rides, and the body that closes over all. */
function bodySteps(build: Build): Step[] {
  const { shell } = build.arrangement ?? {};
  return [
    ...(build.people === 'riding'
      ? [
          whole({
            id: 'seat',
            title: 'Fit the seat or standing board, and what the rider holds',
            detail: 'Through-bolted with large washers; nothing turns within reach of feet, clothes or hair.',
            handsOnS: 2 * HOUR_S,
            after: ['frame'],
            holdPoint: 'Rocked hard by an adult it does not move.',
          }),
        ]
      : []),
    ...(shell && shell.opens !== 'open'
      ? [
          whole({
            id: 'body',
            title: 'Close the body',
            detail: 'Once, to try it: the battery, its plug and the switch are still within reach.',
            handsOnS: HOUR_S,
            after: ['frame', 'fuse'],
          }),
        ]
      : []),
  ];
}

/** What is printed, placed, fitted and closed beside the drive and its wiring. */
export const bodyAndParts = (build: Build, lines: readonly PartLine[]): Step[] => [
  ...placedSteps(build, lines),
  ...fittedSteps(build),
  ...bodySteps(build),
];
