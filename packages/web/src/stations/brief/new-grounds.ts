import { SURFACES, surfaceTitle } from '@zubric/core/ground';
import { freeId, groundOfSurface, dutyOnGround, type Build } from '@zubric/core/vehicle';

/** Surfaces of the table, each a new ground at once. */
const NEW = 'new:';
export const NEW_GROUNDS = {
  title: 'A new ground',
  options: SURFACES.map((surface) => ({ value: `${NEW}${surface}`, title: surfaceTitle(surface) })),
};

/** The build with a job on another ground; one that it had not met is added to its grounds. */
export function onGround(build: Build, dutyId: string, chosen: string): Build {
  const surface = SURFACES.find((one) => chosen === `${NEW}${one}`);
  const added = surface && groundOfSurface(freeId('ground', build.grounds), surface, build.layout);
  const met = added ? { ...build, grounds: [...build.grounds, added] } : build;
  return {
    ...met,
    duties: met.duties.map((d) => (d.id === dutyId ? dutyOnGround(met, d, added?.id ?? chosen) : d)),
  };
}
