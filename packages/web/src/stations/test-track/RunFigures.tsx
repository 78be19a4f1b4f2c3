interface Figure {
  readonly title: string;
  readonly text: React.ReactNode;
  readonly tone?: 'mech' | 'elec' | 'short' | 'ink';
}

const TONES = { mech: 'text-mech', elec: 'text-elec', short: 'text-short', ink: 'text-ink' } as const;

/** What came of a run, a figure each, the largest on its page. */
export const RunFigures = ({ figures }: { readonly figures: readonly Figure[] }) => (
  <dl className="sheet grid grid-cols-2 divide-x divide-line sm:grid-cols-5">
    {figures.map(({ title, text, tone = 'ink' }) => (
      <div key={title} className="px-4 py-2">
        <dt className="text-[14px] text-soft">{title}</dt>
        <dd className={`font-narrow text-[22px] leading-tight font-semibold ${TONES[tone]}`}>{text}</dd>
      </div>
    ))}
  </dl>
);
