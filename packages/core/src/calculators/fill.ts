import type { DutyReport } from '../capability/index.ts';
import type { Driveline } from '../drive/index.ts';
import type { LinkId, Report } from '../judge/index.ts';
import type { Build, Duty } from '../vehicle/index.ts';
import { isStated, workingOf, workingOfLink, type Calculation, type Working } from '../working/index.ts';
import { NotPhysical } from '../contract/index.ts';

/** A build and one of its duties, judged. */
export interface JudgedDuty {
  readonly build: Build;
  readonly duty: Duty;
  readonly report: Report;
  readonly of: DutyReport;
  readonly line: Driveline | undefined;
}

/** What is known of a calculator's inputs; a key with the value undefined must be empty. */
export type Known<Given> = { readonly [K in keyof Given]?: Given[K] | undefined };

/** What a build says of the inputs of the calculator of that name; undefined where it says nothing. */
export type Fill<Given> = (source: JudgedDuty, name: string) => Known<Given> | undefined;

/** The calculator that worked out a number of the report, or one of the steps behind it. */
function stepOf(working: Working | undefined, name: string): Calculation | undefined {
  if (!working || isStated(working)) return undefined;
  if (working.calculator === name) return working;
  for (const input of working.inputs) {
    const found = stepOf(input.working, name);
    if (found) return found;
  }
  return undefined;
}

/** An input that a build has worked out itself, with how. */
export const asWorked =
  <Given>(working: (source: JudgedDuty) => Working | undefined): Fill<Given> =>
  (source, name) => {
    try {
      // A step by a calculator was asked with what that calculator takes.
      return stepOf(working(source), name)?.given as Known<Given> | undefined;
    } catch (error) {
      // The duty is past its parts: the build has no such numbers.
      if (error instanceof NotPhysical) return undefined;
      throw error;
    }
  };

/** An input as a number of a duty. */
export const asInDuty = <Given>(opened: Parameters<typeof workingOf>[1]): Fill<Given> =>
  asWorked(({ build, duty }) => workingOf(build, opened, duty.id));

/** An input as one side of a margin. */
export const asInLink = <Given>(id: LinkId, side: 'needs' | 'has'): Fill<Given> =>
  asWorked(({ build, report, duty }) => {
    const links = report.links.filter(({ link }) => link === id);
    const link = links.find(({ dutyId }) => dutyId === duty.id) ?? links[0];
    return link && workingOfLink(build, link, side);
  });

/** The same, with keys that must be empty beside it. */
export const instead =
  <Given>(fill: Fill<Given>, ...empty: readonly (keyof Given & string)[]): Fill<Given> =>
  (source, name) => {
    const filled = fill(source, name);
    const emptied = Object.fromEntries(empty.map((key) => [key, undefined])) as Known<Given>;
    return filled && { ...emptied, ...filled };
  };
