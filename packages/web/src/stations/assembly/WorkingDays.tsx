import { WEEKDAYS, type Weekday } from '@zubric/core/vehicle';
import { DateField } from '../../fields/DateField.tsx';
import { SchemaField } from '../../fields/SchemaField.tsx';
import { useBuild } from '../../session/BuildSession.tsx';

const TITLES: Readonly<Record<Weekday, string>> = {
  mon: 'Mon',
  tue: 'Tue',
  wed: 'Wed',
  thu: 'Thu',
  fri: 'Fri',
  sat: 'Sat',
  sun: 'Sun',
};
/** When the work is done and when it must be ready. */
export function WorkingDays() {
  const { build, edit } = useBuild();
  const { hoursADay, workDays } = build.assembly;
  const set = (assembly: Partial<typeof build.assembly>): void =>
    edit((b) => ({ ...b, assembly: { ...b.assembly, ...assembly } }));
  const toggle = (day: Weekday): void => {
    const on = workDays.includes(day);
    const next = WEEKDAYS.filter((d) => (d === day ? !on : workDays.includes(d)));
    if (next.length > 0) set({ workDays: next });
  };
  return (
    <section className="flex flex-wrap items-end gap-x-4 gap-y-2" aria-label="Time for it">
      <DateField
        className="w-44"
        label="Must be ready by"
        value={build.readyBy ?? undefined}
        onChange={(day) => edit((b) => ({ ...b, readyBy: day ?? null }))}
      />
      <SchemaField
        className="w-32"
        part="assembly"
        field="hoursADay"
        value={hoursADay}
        onChange={(q) => set({ hoursADay: q })}
      />
      <fieldset>
        <legend className="text-[14px] text-soft">Working days</legend>
        <div className="flex flex-wrap">
          {WEEKDAYS.map((day) => (
            <button
              key={day}
              type="button"
              aria-pressed={workDays.includes(day)}
              className={`push -ml-px min-h-10 px-2.5 first:ml-0 ${workDays.includes(day) ? 'push-main' : 'font-normal'}`}
              onClick={() => toggle(day)}
            >
              {TITLES[day]}
            </button>
          ))}
        </div>
      </fieldset>
    </section>
  );
}
