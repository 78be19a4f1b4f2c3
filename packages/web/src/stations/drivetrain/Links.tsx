import { chainWorking } from '@zubric/core/working';
import { chainGeometry, stageFigures, type StageOf } from '@zubric/core/transmission';
import { useSay } from '../../common/units.tsx';
import { Opens } from '../../working/Opens.tsx';

/** Half a tenth of a millimetre: nearer than a builder sets a motor plate. */
const FITS_MM = 0.05;

interface Props {
  readonly stage: StageOf<'chain'>;
  readonly change: (part: Partial<Record<string, unknown>>) => void;
}

/** The links that go round, and a distance between the shafts that fits them. */
export function Links({ stage, change }: Props) {
  const say = useSay();
  if (stageFigures(stage).problem !== undefined) return null;
  const { links, centreForLinksMm } = chainGeometry(stage);
  const off = Math.abs(centreForLinksMm - stage.centre.value * 1000) > FITS_MM;
  return (
    <span className="block text-[14px]">
      <Opens work={() => chainWorking(stage)} title="the length of the chain">
        {`${links} links`}
      </Opens>
      {off && (
        <button
          type="button"
          className="mt-1 block min-h-6 text-mech underline"
          onClick={() =>
            change({ centre: { ...stage.centre, value: centreForLinksMm / 1000, origin: 'typed' } })
          }
        >
          fit {say(centreForLinksMm / 1000, 'length', 4)}
        </button>
      )}
    </span>
  );
}
