import { asPlaced, placedKg, type Build } from '../vehicle/index.ts';
import { askedInYard } from './foretold.ts';
import type { Measured } from './result.ts';

/** Its own weight so high that a wheel lifts where it did. */
export function withHeight(build: Build, dutyId: string, measured: Measured): Build | string {
  const duty = build.duties.find(({ id }) => id === dutyId);
  if (!duty) return 'This build has no job yet.';
  const { footing, tip } = askedInYard(build, duty);
  const own = build.masses.own;
  if (tip?.sideDeg === undefined || !(own.mass.value > 0)) return 'This build does not tip sideways.';
  // Arms do not move with the height: tan of the slope times the height stays.
  const height = (footing.cgHeightM * Math.tan((tip.sideDeg * Math.PI) / 180)) / Math.tan(measured.value);
  return raised(build, (height - footing.cgHeightM) * footing.massKg);
}

const tooLow = 'So low its own weight cannot be: weigh the payload and its height first.';

/** The build with its own weight higher, by so many kilogram metres: of what is placed part by part, the rest. */
function raised(build: Build, byKgM: number): Build | string {
  const { own } = build.masses;
  const { arrangement } = build;
  const placed = placedKg(build);
  if (arrangement && placed > 0) {
    const restKg = own.mass.value - placed;
    if (!(restKg > 0)) return 'All of its weight is placed part by part: move the parts at Layout.';
    const { height } = arrangement.rest;
    const value = height.value + byKgM / restKg;
    if (!(value > 0)) return tooLow;
    return asPlaced({
      ...build,
      arrangement: {
        ...arrangement,
        rest: { ...arrangement.rest, height: { ...height, value, origin: 'measured' } },
      },
    });
  }
  const value = own.height.value + byKgM / own.mass.value;
  if (!(value > 0)) return tooLow;
  return {
    ...build,
    masses: { ...build.masses, own: { ...own, height: { ...own.height, value, origin: 'measured' } } },
  };
}
