import type { ReactNode } from 'react';

interface Props {
  /** What it is, for who comes to it by keyboard. */
  readonly label: string;
  readonly children: ReactNode;
}

/** What may be wider than its place: it scrolls sideways by itself, by keys too; what is for ears only stays within it. */
export const Sideways = ({ label, children }: Props) => (
  <div className="relative overflow-x-auto" role="group" aria-label={label} tabIndex={0}>
    {children}
  </div>
);
