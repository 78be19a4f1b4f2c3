import { WEEKDAYS, type Weekday } from '@zubric/core/vehicle';

const TITLES: Readonly<Record<Weekday, string>> = {
  mon: 'Mon',
  tue: 'Tue',
  wed: 'Wed',
  thu: 'Thu',
  fri: 'Fri',
  sat: 'Sat',
  sun: 'Sun',
};

interface Props {
  readonly label: string;
  readonly days: readonly Weekday[];
  readonly onChange: (days: readonly Weekday[]) => void;
}

/** Days of a week, each on or off; one of them stays on. */
export function DayButtons({ label, days, onChange }: Props) {
  const toggle = (day: Weekday): void => {
    const on = days.includes(day);
    const next = WEEKDAYS.filter((d) => (d === day ? !on : days.includes(d)));
    if (next.length > 0) onChange(next);
  };
  return (
    <fieldset>
      <legend className="text-[14px] text-soft">{label}</legend>
      <div className="flex flex-wrap">
        {WEEKDAYS.map((day) => (
          <button
            key={day}
            type="button"
            aria-pressed={days.includes(day)}
            className={`push -ml-px min-h-10 px-2.5 first:ml-0 ${days.includes(day) ? 'push-main' : 'font-normal'}`}
            onClick={() => toggle(day)}
          >
            {TITLES[day]}
          </button>
        ))}
      </div>
    </fieldset>
  );
}
