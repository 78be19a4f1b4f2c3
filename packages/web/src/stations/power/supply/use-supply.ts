import type { Build } from '@zubric/core/vehicle';
import { useBuild } from '../../../session/BuildSession.tsx';

type Supply = Build['supply'];

/** A change of the supply; what is undefined goes. */
const withSupply = (build: Build, part: Partial<Supply>): Build => ({
  ...build,
  supply: Object.fromEntries(
    Object.entries({ ...build.supply, ...part }).filter(([, x]) => x !== undefined),
  ) as Supply,
});

/** Changes the supply of the build on the bench. */
export const useChangeSupply = () => {
  const { edit } = useBuild();
  return (part: Partial<Supply>): void => edit((b) => withSupply(b, part));
};
