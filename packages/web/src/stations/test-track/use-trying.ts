import { balancingSchema, creepingSchema, rollingSchema, type Build } from '@zubric/core/vehicle';
import { useMemo } from 'react';
import { useBuild } from '../../session/BuildSession.tsx';

const SCHEMAS = { balancing: balancingSchema, rolling: rollingSchema, creeping: creepingSchema };
type Trying = {
  readonly [Key in keyof typeof SCHEMAS]: Readonly<ReturnType<(typeof SCHEMAS)[Key]['parse']>>;
};

/** Keys that are to be left away, so that what is usual stands again, are undefined. */
type Part<T> = { readonly [Key in keyof T]?: T[Key] | undefined };

/** How the open build is tried in a view of the Test track: kept with it, as is usual where nothing is said. */
export function useTrying<Key extends keyof typeof SCHEMAS>(key: Key) {
  const { build, edit } = useBuild();
  const kept = build.driving?.[key];
  const set = useMemo(() => SCHEMAS[key].parse(kept ?? {}) as Trying[Key], [kept, key]);
  const change = (part: Part<Trying[Key]>): void =>
    edit((b) => {
      const all = Object.entries({ ...b.driving?.[key], ...part }).filter(([, value]) => value !== undefined);
      const changed = SCHEMAS[key].safeParse(Object.fromEntries(all));
      // The fields keep what may not be and say so: what is kept stays whole.
      return changed.success
        ? { ...b, driving: { ...b.driving, [key]: changed.data } as NonNullable<Build['driving']> }
        : b;
    });
  return { build, set, change };
}
