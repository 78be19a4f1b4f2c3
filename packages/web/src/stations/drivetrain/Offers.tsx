import { driveOf, changeDrive } from '@zubric/core/vehicle';

import type { RatioOffer } from '@zubric/core/capability';
import { showNumber } from '@zubric/core/quantity';
import { useCallback, useState } from 'react';
import { Stepper } from '../../fields/Stepper.tsx';
import { NotWorkedOut } from '../../common/NotWorkedOut.tsx';
import { useBeside, type Ask } from '../../workers/use-beside.ts';
import { useBuild } from '../../session/BuildSession.tsx';

interface Props {
  readonly ratio: number;
  readonly onDone: () => void;
}

const LEAST = 8;
const MOST = 120;

/** Whole teeth that come near to the ratio looked for, each taken with one press. */
export function Offers({ ratio, onDone }: Props) {
  const { build, edit } = useBuild();
  const [limits, setLimits] = useState({ least: 10, most: 60 });
  const ask: Ask<RatioOffer[]> = useCallback(
    (work) => work.ratioOffers(build, ratio, limits),
    [build, ratio, limits],
  );
  const { answer: offers, isOfNow, problem } = useBeside(ask);
  const take = ({ stages }: RatioOffer): void => {
    edit((b) => changeDrive(b, { stages }));
    onDone();
  };
  return (
    <section className="sheet px-3 py-2" aria-labelledby="offers-title">
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
        <h2 id="offers-title">Whole teeth near {showNumber(ratio)} : 1</h2>
        <span className="flex items-center gap-2 text-[14px] text-soft">
          from
          <Stepper
            label="Fewest teeth"
            value={limits.least}
            least={LEAST}
            most={limits.most}
            onChange={(least) => setLimits({ ...limits, least })}
          />
          to
          <Stepper
            label="Most teeth"
            value={limits.most}
            least={limits.least}
            most={MOST}
            onChange={(most) => setLimits({ ...limits, most })}
          />
          teeth
        </span>
        <button type="button" className="push-plain ml-auto text-[14px]" onClick={onDone}>
          Leave it as it is
        </button>
      </div>
      {problem !== undefined && isOfNow && <NotWorkedOut what="Whole teeth" why={problem} />}
      {!offers && !isOfNow && (
        <p className="mt-2 text-soft" aria-busy="true">
          Looking through the pairs of teeth…
        </p>
      )}
      {offers?.length === 0 && (
        <p className="mt-2 text-soft">
          {driveOf(build).stages.some((stage) => 'teethDriver' in stage)
            ? 'No pair within these limits comes within 6 %: allow more teeth, or change two stages.'
            : 'No stage here has two tooth counts to change: add a chain, belt or gears.'}
        </p>
      )}
      <ul
        className={`mt-1.5 grid gap-x-6 sm:grid-cols-2 ${isOfNow ? '' : 'opacity-60'}`}
        aria-busy={!isOfNow}
      >
        {offers?.map((offer) => (
          <OfferRow key={offer.text} offer={offer} onTake={isOfNow ? () => take(offer) : undefined} />
        ))}
      </ul>
    </section>
  );
}

interface OfferProps {
  readonly offer: RatioOffer;
  /** Absent where it is for another build or other limits than those that stand. */
  readonly onTake: (() => void) | undefined;
}

function OfferRow({ offer, onTake }: OfferProps) {
  const { ratioWindow: window } = useBuild().report;
  const fits = window && offer.ratio >= window.low && offer.ratio <= window.high;
  return (
    <li className="flex items-center justify-between gap-3 border-t border-dashed border-line py-1.5">
      <span className="leading-snug">
        <b className="font-semibold">{offer.text} teeth</b>
        <span className="block text-[14px] text-soft">
          {showNumber(offer.ratio, 4)} : 1, {offBy(offer.deviation)};{' '}
          {fits ? 'just does every job' : 'not every job'}
        </span>
      </span>
      <button
        type="button"
        className="push push-small shrink-0"
        aria-label={`Take: ${offer.text} teeth`}
        disabled={!onTake}
        onClick={onTake}
      >
        Take
      </button>
    </li>
  );
}

const offBy = (deviation: number): string =>
  Math.abs(deviation) < 5e-4
    ? 'exact'
    : `${showNumber(Math.abs(deviation) * 100, 2)} % ${deviation > 0 ? 'over' : 'under'}`;
