import type { UnitSystem } from '@zubric/core/quantity';
import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { DeviceMark } from './DeviceMark.tsx';
import { Tools } from './Tools.tsx';
import { THEMES, useTheme, type Theme } from '../common/theme.tsx';
import { useUnits } from '../common/units.tsx';

const SYSTEMS: readonly { readonly value: UnitSystem; readonly title: string }[] = [
  { value: 'metric', title: 'metric' },
  { value: 'imperial', title: 'imperial' },
  { value: 'as-typed', title: 'as typed' },
];

const THEME_TITLES: Readonly<Record<Theme, string>> = {
  system: 'by system',
  light: 'light',
  dark: 'dark',
};

interface BarChoiceProps<T extends string> {
  readonly label: string;
  readonly value: T;
  readonly options: readonly { readonly value: T; readonly title: string }[];
  readonly onChoose: (value: T) => void;
}

/** A choice on the dark bar. */
function BarChoice<T extends string>({ label, value, options, onChoose }: BarChoiceProps<T>) {
  return (
    <label className="flex items-center gap-1.5 text-[14px]">
      <span className="max-lg:sr-only">{label}</span>
      <select
        className="max-w-28 border border-bar-soft bg-bar px-1 py-0.5 text-[15px] text-bar-ink focus-visible:outline-bar-ink"
        value={value}
        onChange={(event) => {
          const chosen = options.find((option) => option.value === event.target.value);
          if (chosen) onChoose(chosen.value);
        }}
      >
        {options.map((option) => (
          <option key={option.value} value={option.value}>
            {option.title}
          </option>
        ))}
      </select>
    </label>
  );
}

/** The dark bar on top: where one is, and what holds everywhere. */
export function Header({ children }: { readonly children?: ReactNode }) {
  const units = useUnits();
  const theme = useTheme();
  return (
    <header className="flex min-h-11 flex-wrap items-center gap-x-4 gap-y-1 bg-bar px-4 py-1 text-bar-ink print:hidden [&_:focus-visible]:outline-bar-ink">
      <Link to="/builds" className="font-narrow text-[20px] font-semibold">
        Zubric
      </Link>
      {children}
      <DeviceMark />
      <span className="ml-auto" />
      <Tools />
      <BarChoice label="Units" value={units.system} options={SYSTEMS} onChoose={units.choose} />
      <BarChoice
        label="Theme"
        value={theme.theme}
        options={THEMES.map((value) => ({ value, title: THEME_TITLES[value] }))}
        onChoose={theme.choose}
      />
    </header>
  );
}
