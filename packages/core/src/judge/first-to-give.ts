import type { Report } from './report.ts';

/** Which of grip and torque gives out first in a duty, each as a multiple of what is asked. */
export interface FirstToGive {
  readonly first: 'grip' | 'torque';
  readonly grip?: number;
  readonly torque?: number;
}

/**
 * Undefined where neither is asked, or neither known. A tie is grip: it goes without warning.
 *
 * @example firstToGive(report, duty.id) // { first: 'grip', grip: 1.45, torque: 2.196 }
 */
export function firstToGive(report: Report, dutyId: string): FirstToGive | undefined {
  const ratio = (link: 'grip' | 'torque'): number | undefined =>
    report.links.find((l) => l.link === link && l.dutyId === dutyId)?.ratio;
  const [grip, torque] = [ratio('grip'), ratio('torque')];
  if (grip === undefined && torque === undefined) return undefined;
  return {
    first: (grip ?? Infinity) <= (torque ?? Infinity) ? 'grip' : 'torque',
    ...(grip === undefined ? {} : { grip }),
    ...(torque === undefined ? {} : { torque }),
  };
}
