import { radiansToDegrees } from '../contract/index.ts';
import { showNumber } from '../quantity/index.ts';
import type { Build } from '../vehicle/index.ts';
import type { LinkId } from './links.ts';
import type { Cure, Finding } from './report.ts';

/** A finding of no margin: what it is and of what, and one sentence. */
export const said = (
  severity: Finding['severity'],
  id: string,
  text: string,
  link: LinkId | null = null,
  dutyId: string | null = null,
): Finding => ({ id, severity, text, link, dutyId });

/** " on “Slip, loaded”"; nothing where there is no such duty. */
export const onDuty = (build: Build, dutyId: string | null): string => {
  const duty = build.duties.find((d) => d.id === dutyId);
  return duty ? ` on “${duty.name}”` : '';
};

/** The same finding, with what changes of the build would end it. */
export const cured = (finding: Finding, cure: Cure): Finding => ({ ...finding, cure });

/** The size of an angle, as it is said. */
export const degrees = (rad: number): string => `${showNumber(Math.abs(radiansToDegrees(rad)))}°`;

/** What the finding of a margin is known by. */
export const marginId = (link: LinkId): string => `margin/${link}`;
