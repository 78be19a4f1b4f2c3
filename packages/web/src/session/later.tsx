import { memo, useDeferredValue, type ComponentType } from 'react';
import { OpenBuildContext, useBuild } from './BuildSession.tsx';

/**
 * A part of a page that may follow a moment after the strip: while somebody types, it is drawn once there is time. What
 * is dragged by hand is none.
 */
export function later<P extends object>(Part: ComponentType<P>): ComponentType<P> {
  const Held = memo(Part) as unknown as ComponentType<P>;
  return function Later(props: P) {
    const open = useDeferredValue(useBuild());
    return (
      <OpenBuildContext value={open}>
        <Held {...props} />
      </OpenBuildContext>
    );
  };
}
