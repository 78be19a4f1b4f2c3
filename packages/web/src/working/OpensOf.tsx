import type { RatioSpan } from '@zubric/core/capability';
import type { LinkReport } from '@zubric/core/judge';
import type { Opened, OpenedOfOuting } from '@zubric/core/working';
import { useBuild } from '../session/BuildSession.tsx';
import { Opens } from './Opens.tsx';

const works = () => import('./works.ts');

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
  return <Opens work={async () => (await works()).workingOf(build, number, dutyId)} {...shown} />;
}

/** A number of the whole outing of the open build. */
export function OpensOuting({ number, ...shown }: Shown & { readonly number: OpenedOfOuting }) {
  const { build } = useBuild();
  return <Opens work={async () => (await works()).workingOfOuting(build, number)} {...shown} />;
}

/** One side of a margin of the open build. */
export function OpensMargin({
  link,
  side,
  ...shown
}: Shown & { readonly link: LinkReport; readonly side: 'needs' | 'has' }) {
  const { build } = useBuild();
  return <Opens work={async () => (await works()).workingOfLink(build, link, side)} {...shown} />;
}

/** One end of the ratios that suit every duty of the open build. */
export function OpensWindow({ end, ...shown }: Shown & { readonly end: keyof RatioSpan }) {
  const { build, report } = useBuild();
  return <Opens work={async () => (await works()).workingOfWindow(build, report, end)} {...shown} />;
}

/** The ratio of all stages of the open build. */
export function OpensRatio(shown: Shown) {
  const { build } = useBuild();
  return <Opens work={async () => (await works()).ratioWorking(build)} {...shown} />;
}
