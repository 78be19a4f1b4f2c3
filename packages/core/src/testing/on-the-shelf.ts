import { readdirSync, readFileSync } from 'node:fs';
import { evaluate, type Finding } from '../judge/index.ts';
import { fitPart, partSchema, type Build, type Part } from '../vehicle/index.ts';

const shelf: readonly Part[] = readdirSync('data/shelf').flatMap((file) =>
  partSchema.array().parse(JSON.parse(readFileSync(`data/shelf/${file}`, 'utf8'))),
);

/** A part of the shelf that ships, with what is told otherwise. */
export const shelfPart = (id: string, more: object = {}): Part => {
  const found = shelf.find((one) => one.id === id);
  if (!found) throw new Error(`${id} is on the shelf`);
  return partSchema.parse({ ...found, ...more });
};

/** A build with parts fitted, so many of each. */
export const withParts = (build: Build, ...parts: readonly (readonly [Part, number])[]): Build =>
  parts.reduce((so, [one, count]) => fitPart(so, one, count), build);

/** Everything of a code that is found of a build. */
export const foundOf = <Code extends Finding['code']>(build: Build, code: Code) =>
  evaluate(build).findings.filter((one): one is Extract<Finding, { code: Code }> => one.code === code);

/** What does not fit together, by the code of each notice. */
export const misfits = (build: Build): string[] =>
  foundOf(build, 'misfit').flatMap(({ notice }) => notice?.code ?? []);
