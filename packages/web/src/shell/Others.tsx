import type { Company } from '@zubric/core/answers';
import { STATIONS } from '../common/stations.ts';

const stationTitle = (path: string): string => STATIONS.find((station) => station.path === path)?.title ?? '';

/** Who else is on the build that is open. */
export function Others({ company }: { readonly company: Company | undefined }) {
  const others = company?.others ?? [];
  if (others.length === 0) return null;
  const named = others.map(({ name, station }) => {
    const title = stationTitle(station);
    return `${name === '' ? 'the bench' : name}${title === '' ? '' : ` (${title})`}`;
  });
  return (
    <span className="max-w-64 truncate text-[14px] text-bar-soft" title={`Also here: ${named.join(', ')}`}>
      also here: {named.join(', ')}
    </span>
  );
}
