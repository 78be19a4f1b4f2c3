import {
  ratioWorking,
  workingOf,
  workingOfLink,
  workingOfOuting,
  workingOfWindow,
  type RatioSpan,
  type LinkReport,
  type Opened,
  type OpenedOfOuting,
} from '@zubric/core/evaluate';
import { useBuild } from '../session/BuildSession.tsx';
import { Opens } from './Opens.tsx';

interface Shown {
  readonly title: string;
  readonly children: string;
}

/** A number of a duty of the open build. */
export function OpensDuty({
  number,
  dutyId,
  ...shown
}: Shown & { readonly number: Opened; readonly dutyId: string }) {
  const { build } = useBuild();
  return <Opens work={() => workingOf(build, number, dutyId)} {...shown} />;
}

/** A number of the whole outing of the open build. */
export function OpensOuting({ number, ...shown }: Shown & { readonly number: OpenedOfOuting }) {
  const { build } = useBuild();
  return <Opens work={() => workingOfOuting(build, number)} {...shown} />;
}

/** One side of a margin of the open build. */
export function OpensMargin({
  link,
  side,
  ...shown
}: Shown & { readonly link: LinkReport; readonly side: 'needs' | 'has' }) {
  const { build } = useBuild();
  return <Opens work={() => workingOfLink(build, link, side)} {...shown} />;
}

/** One end of the ratios that suit every duty of the open build. */
export function OpensWindow({ end, ...shown }: Shown & { readonly end: keyof RatioSpan }) {
  const { build, report } = useBuild();
  return <Opens work={() => workingOfWindow(build, report, end)} {...shown} />;
}

/** The ratio of all stages of the open build. */
export function OpensRatio(shown: Shown) {
  const { build } = useBuild();
  return <Opens work={() => ratioWorking(build)} {...shown} />;
}
