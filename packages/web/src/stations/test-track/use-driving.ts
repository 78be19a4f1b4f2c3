import { SCHOOLS, USUAL_MISMATCH, type DriveAsk } from '@zubric/core/driving';
import { layoutKind, type Build, type Control, type Course, type Mismatch } from '@zubric/core/vehicle';
import { useMemo } from 'react';
import { useBuild } from '../../session/BuildSession.tsx';
import { FIRST } from './courses.ts';

/** How the open build is driven: kept with it, what is usual where nothing is said. */
export function useDriving() {
  const { build, edit } = useBuild();
  const { driving } = build;
  const ask: DriveAsk = useMemo(
    () => ({
      course: driving?.course ?? FIRST,
      control: driving?.control ?? SCHOOLS['by counts'],
      mismatch: driving?.mismatch ?? USUAL_MISMATCH,
    }),
    [driving],
  );
  const change = (part: NonNullable<Build['driving']>): void =>
    edit((b) => ({ ...b, driving: { ...b.driving, ...part } }));
  return {
    build,
    ask,
    setCourse: (course: Course): void => change({ course }),
    setControl: (control: Control): void => change({ control }),
    setMismatch: (mismatch: Mismatch): void => change({ mismatch }),
  };
}

/** Whether it turns by where its wheels point, and not by unlike sides. */
export const steersByWheels = ({ layout }: Build): boolean =>
  ['steered', 'lean', 'swivel'].includes(layoutKind(layout.kind).turning);
