import { figure } from '../quantity/index.ts';
import { contactsOf, type Build, bankOf, piecesOf } from '../vehicle/index.ts';
import { found, type Finding } from './finding.ts';

declare module './finding.ts' {
  interface FindingFigures {
    'event-limit': 'value' | 'most';
  }
}

/** What its event allows, and what the build comes to. */
export interface LimitCheck {
  readonly title: string;
  readonly dimension: 'mass' | 'length' | 'voltage' | 'number';
  readonly limit: number;
  readonly value: number;
  readonly holds: boolean;
}

/**
 * The limits of the event that it is built for, each with what it has.
 *
 * @example limitsOf(puffin) // []
 */
export function limitsOf(build: Build): LimitCheck[] {
  const { aims, masses, body } = build;
  const contacts = contactsOf(build.layout).map((c) => Math.abs(c.leftM) + c.axle.width.value / 2);
  const check = (
    title: string,
    dimension: LimitCheck['dimension'],
    limit: number | undefined,
    value: number | undefined,
  ): LimitCheck[] =>
    limit === undefined || value === undefined
      ? []
      : [{ title, dimension, limit, value, holds: value <= limit }];
  return [
    ...check(
      'mass without payload',
      'mass',
      aims.mass?.value,
      masses.own.mass.value +
        masses.others.reduce((sum, m) => sum + (m.kind === 'rider' ? 0 : m.mass.value), 0),
    ),
    ...check('length', 'length', aims.length?.value, body.length.value),
    ...check('width', 'length', aims.width?.value, Math.max(body.width.value, 2 * Math.max(...contacts))),
    ...check('height', 'length', aims.height?.value, body.height.value),
    ...check('voltage of the full battery', 'voltage', aims.voltage?.value, bankOf(build)?.fullV),
    ...check(
      'cost of the chosen parts',
      'number',
      aims.cost?.value,
      piecesOf(build).reduce((sum, { part, count }) => sum + (part.cost ?? 0) * count, 0),
    ),
  ];
}

/** Every limit of the event that is passed. */
export const limitFindings = (build: Build): Finding[] =>
  limitsOf(build)
    .filter(({ holds }) => !holds)
    .map(({ title, dimension, limit, value }) =>
      found(
        'event-limit',
        'stop',
        { value: figure(value, dimension), most: figure(limit, dimension) },
        { of: title, title },
      ),
    );
