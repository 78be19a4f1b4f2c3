import { startJobs, type Duty, type StartJob } from '@zubric/core/vehicle';
import type { FigureQuestionProps } from './answers.ts';
import { JobFields } from './JobFields.tsx';
import { SeveralTiles } from './Tiles.tsx';

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/** Figures of one job stated anew. */
const stated = (jobs: readonly StartJob[], id: string, part: Partial<Duty>): StartJob[] =>
  jobs.map((job) => (job.id === id ? { ...job, stated: { ...job.stated, ...part } } : job));

/** What it does, and of each job the few figures that matter most. */
export function Jobs({ answers, change, build, onUnread }: FigureQuestionProps) {
  const { jobs, layout } = answers;
  const offered = startJobs(layout ?? 'two-castors');
  return (
    <div className="grid gap-2">
      <SeveralTiles
        legend="What does it do? All that it must"
        options={offered.map(({ id, start = '' }) => ({ value: id, title: start }))}
        chosen={jobs.map(({ id }) => id)}
        onToggle={(id, on) => change({ jobs: on ? [...jobs, { id }] : jobs.filter((job) => job.id !== id) })}
      />
      {build &&
        jobs.map(({ id }, n) => {
          const [template, duty] = [offered.find((t) => t.id === id), build.duties[n]];
          if (!template?.asks || !duty) return null;
          return (
            <JobFields
              key={id}
              duty={duty}
              title={capital(template.start ?? template.title)}
              asks={template.asks}
              payload={build.masses.payload.mass}
              onPayload={(payload) => change({ payload })}
              onChange={(part) => change({ jobs: stated(jobs, id, part) })}
              onUnread={onUnread}
            />
          );
        })}
    </div>
  );
}
