import { createContext, useContext, useEffect, useMemo, useState, type ReactNode } from 'react';

export const THEMES = ['system', 'light', 'dark'] as const;
export type Theme = (typeof THEMES)[number];

const STORED = 'zubric-theme';
const DARK = '(prefers-color-scheme: dark)';

interface ThemeChoice {
  readonly theme: Theme;
  readonly choose: (theme: Theme) => void;
}

const ThemeContext = createContext<ThemeChoice>({ theme: 'system', choose: () => undefined });

const stored = (): Theme => THEMES.find((theme) => theme === localStorage.getItem(STORED)) ?? 'system';

/** Puts the theme on the page. Called before the first paint too. */
export function showTheme(theme: Theme = stored()): void {
  const dark = theme === 'dark' || (theme === 'system' && window.matchMedia(DARK).matches);
  document.documentElement.dataset.theme = dark ? 'dark' : 'light';
}

/** Light or dark, as the builder or the system says; kept on this machine. */
export function ThemeProvider({ children }: { readonly children: ReactNode }) {
  const [theme, setTheme] = useState(stored);
  useEffect(() => {
    showTheme(theme);
    const system = window.matchMedia(DARK);
    const follow = (): void => showTheme(theme);
    system.addEventListener('change', follow);
    return () => system.removeEventListener('change', follow);
  }, [theme]);
  const choice = useMemo(
    () => ({
      theme,
      choose: (next: Theme) => {
        localStorage.setItem(STORED, next);
        setTheme(next);
      },
    }),
    [theme],
  );
  return <ThemeContext value={choice}>{children}</ThemeContext>;
}

export const useTheme = (): ThemeChoice => useContext(ThemeContext);
