import { DateField } from '../../fields/DateField.tsx';
import { SchemaField } from '../../fields/SchemaField.tsx';
import { useBuild } from '../../session/BuildSession.tsx';
import { DayButtons } from './DayButtons.tsx';

/** When the work is done and when it must be ready. */
export function WorkingDays() {
  const { build, edit } = useBuild();
  const { hoursADay, workDays } = build.assembly;
  const set = (assembly: Partial<typeof build.assembly>): void =>
    edit((b) => ({ ...b, assembly: { ...b.assembly, ...assembly } }));
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
      <DayButtons label="Working days" days={workDays} onChange={(days) => set({ workDays: days })} />
    </section>
  );
}
