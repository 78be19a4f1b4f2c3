import { inUnits, show, type Dimension, type Words, type UnitSystem } from '@zubric/core/quantity';
import { createContext, useCallback, useContext, useMemo, useState, type ReactNode } from 'react';

const STORED = 'zubric-units';
const SYSTEMS: readonly UnitSystem[] = ['metric', 'imperial', 'as-typed'];

interface Units {
  readonly system: UnitSystem;
  readonly choose: (system: UnitSystem) => void;
}

const UnitsContext = createContext<Units>({ system: 'metric', choose: () => undefined });

const stored = (): UnitSystem => SYSTEMS.find((s) => s === localStorage.getItem(STORED)) ?? 'metric';

/** The units a builder has chosen, kept on this machine. */
export function UnitsProvider({ children }: { readonly children: ReactNode }) {
  const [system, setSystem] = useState(stored);
  const units = useMemo(
    () => ({
      system,
      choose: (next: UnitSystem) => {
        localStorage.setItem(STORED, next);
        setSystem(next);
      },
    }),
    [system],
  );
  return <UnitsContext value={units}>{children}</UnitsContext>;
}

export const useUnits = (): Units => useContext(UnitsContext);

/** Says an SI value in the chosen units. */
export function useSay(): (si: number, dimension: Dimension, digits?: number) => string {
  const { system } = useUnits();
  return useCallback((si, dimension, digits) => show(si, dimension, system, { digits }).text, [system]);
}

/** Says words that are in nobody's units yet in the chosen ones. */
export function useSentence(): (sentence: Words) => string {
  const { system } = useUnits();
  return useCallback((sentence) => inUnits(sentence, system), [system]);
}
