import { Conflict } from './Conflict.tsx';
import { Gone } from './Gone.tsx';
import { LeftEdits } from './LeftEdits.tsx';

/** What the builder has to decide before the build is saved again. */
export const Unsettled = () => (
  <>
    <Gone />
    <LeftEdits />
    <Conflict />
  </>
);
