import { driveOf, drivesThat, type Build, rememberedBesidesJobs } from '../vehicle/index.ts';
import { lineAlone, type Driveline } from './line-alone.ts';
import { worksDraw } from './works.ts';

/** The same on a battery that feeds the works too that go on while it drives. */
const whileWorking = (build: Build, line: Driveline): Driveline => {
  const { drivingW } = worksDraw(build);
  return drivingW === 0
    ? line
    : { ...line, circuit: { ...line.circuit, auxiliaryW: line.circuit.auxiliaryW + drivingW } };
};

/**
 * The driveline of the drive that a build is looked at through; undefined until its motor is chosen. Without a battery the
 * data sheet's voltage stands in and does not sag.
 *
 * @example drivelineOf(puffin)?.ratio // 36
 */
export const drivelineOf = rememberedBesidesJobs((build: Build): Driveline | undefined => {
  const alone = lineAlone(build);
  if (!alone || driveOf(build).does !== 'propels' || build.drives.length === 1) return alone;
  const line = whileWorking(build, alone);
  const beside = drivesThat(build, 'propels').flatMap((seen) => {
    const other = driveOf(seen).id === line.driveId ? undefined : lineAlone(seen);
    return other ? [whileWorking(build, other)] : [];
  });
  return { ...line, beside };
});

/**
 * All drives that move the vehicle, this one first, each with the others beside it.
 *
 * @example together(line).length // 1
 */
export const together = (line: Driveline): readonly Driveline[] =>
  line.beside.length === 0
    ? [line]
    : [line, ...line.beside].map((one, _, all) => ({
        ...one,
        beside: all.filter(({ driveId }) => driveId !== one.driveId),
      }));

/**
 * The drives that move a build, each with its motor chosen, in their order.
 *
 * @example propelling(puffin).length // 1
 */
export const propelling = (build: Build): readonly { readonly seen: Build; readonly line: Driveline }[] =>
  drivesThat(build, 'propels').flatMap((seen) => {
    const line = drivelineOf(seen);
    return line ? [{ seen, line }] : [];
  });
