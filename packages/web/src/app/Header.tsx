import type { UnitSystem } from '@zubric/core/quantity';
import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { useUnits } from './units.tsx';

const SYSTEMS: readonly { readonly value: UnitSystem; readonly title: string }[] = [
  { value: 'metric', title: 'metric' },
  { value: 'imperial', title: 'imperial' },
  { value: 'as-typed', title: 'as typed' },
];

function UnitsChoice() {
  const { system, choose } = useUnits();
  return (
    <label className="flex items-center gap-2 text-[14px]">
      Units
      <select
        className="border border-edge bg-ink px-1 py-0.5 text-[15px] text-sheet focus-visible:outline-sheet"
        value={system}
        onChange={(event) => choose(SYSTEMS.find((s) => s.value === event.target.value)?.value ?? 'metric')}
      >
        {SYSTEMS.map((s) => (
          <option key={s.value} value={s.value}>
            {s.title}
          </option>
        ))}
      </select>
    </label>
  );
}

/** The dark bar on top: where one is, and what holds everywhere. */
export function Header({ children }: { readonly children?: ReactNode }) {
  return (
    <header className="flex h-11 items-center gap-5 bg-ink px-4 text-sheet [&_:focus-visible]:outline-sheet">
      <Link to="/builds" className="font-narrow text-[20px] font-semibold">
        Zubric
      </Link>
      {children}
      <span className="ml-auto" />
      <UnitsChoice />
    </header>
  );
}
