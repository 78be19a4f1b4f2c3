import type { LayoutReport, PartReport } from '@zubric/core/layout';
import { listInWords } from '@zubric/core/say';
import { arrangementOf, type Build, type FaceKind } from '@zubric/core/vehicle';
import { useBuild } from '../../session/BuildSession.tsx';

interface Job {
  readonly key: string;
  readonly partId: string;
  readonly what: string;
  /** What comes off first, in order; null where no taking off helps. */
  readonly after: readonly string[] | null;
}

/** What is done at a face, by what the face is. */
const DONE_AT: Readonly<Partial<Record<FaceKind, string>>> = {
  plug: 'Plug in',
  button: 'Press the button of',
  lid: 'Open the lid of',
  screw: 'Reach the screw of',
};

/** All that somebody comes to with a hand or a tool: batteries that are changed, and faces. */
function jobsOf(build: Build, parts: readonly PartReport[]): Job[] {
  const { parts: placed } = arrangementOf(build);
  return parts.flatMap(({ id, name, faces, comesOff }): Job[] => {
    const part = placed.find((one) => one.id === id);
    const isBattery = build.parts.some(({ id: of, kind }) => of === part?.partId && kind === 'battery');
    const change: Job[] = isBattery
      ? [{ key: id, partId: id, what: `Change ${name}`, after: comesOff?.after ?? null }]
      : [];
    return [
      ...change,
      ...faces.flatMap(({ id: faceId, after }): Job[] => {
        const kind = part?.faces.find((face) => face.id === faceId)?.kind;
        const done = kind && DONE_AT[kind];
        return done === undefined
          ? []
          : [{ key: `${id} ${faceId}`, partId: id, what: `${done} ${name}`, after }];
      }),
    ];
  });
}

interface Props {
  readonly report: LayoutReport;
  readonly onChoose: (id: string) => void;
}

/** What has to come off for each job that comes up in service; the worst first. */
export function Service({ report, onChoose }: Props) {
  const { build } = useBuild();
  const effort = ({ after }: Job): number => after?.length ?? Infinity;
  const jobs = jobsOf(build, report.parts).sort((a, b) => effort(b) - effort(a));
  if (jobs.length === 0) return null;
  return (
    <section className="sheet grid gap-2 p-3" aria-labelledby="service">
      <h2 id="service">What has to come off first?</h2>
      <ul className="grid gap-x-6 md:grid-cols-2">
        {jobs.map(({ key, partId, what, after }) => (
          <li key={key} className="flex flex-wrap items-baseline gap-x-2 border-t border-line py-1">
            <button type="button" className="push-plain" onClick={() => onChoose(partId)}>
              {what}
            </button>
            <span className={after === null ? 'text-short' : 'text-soft'}>
              {after === null
                ? 'nothing that comes off frees it'
                : after.length === 0
                  ? 'nothing'
                  : listInWords(build, after)}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}
