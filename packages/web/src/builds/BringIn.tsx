import { evaluate } from '@zubric/core/judge';
import { massAllUp } from '@zubric/core/vehicle';
import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { api } from '../common/api.ts';
import { Panel } from '../common/Panel.tsx';
import { useSay } from '../common/units.tsx';
import type { FileRead } from './read-files.ts';

interface Props {
  readonly files: readonly FileRead[];
  /** Names on the bench already: a second build of a name is told, not refused. */
  readonly names: ReadonlySet<string>;
  readonly onDone: (broughtIn: number) => void;
  readonly onClose: () => void;
}

type Good = Extract<FileRead, { ok: true }>;

/** What was found in the files, before anything is kept. */
export function BringIn({ files, names, onDone, onClose }: Props) {
  const good = files.filter((file): file is Good => file.ok);
  const [left, setLeft] = useState<ReadonlySet<Good>>(new Set());
  const [kept, setKept] = useState<ReadonlySet<Good>>(new Set());
  const wanted = good.filter((file) => !left.has(file) && !kept.has(file));
  const bring = useMutation({
    mutationFn: async () => {
      for (const file of wanted) {
        await (file.whole ? api.bringInWhole(file.whole) : api.bringIn(file.build, file.file));
        // Where a later one fails, those before it are not brought in twice.
        setKept((before) => new Set([...before, file]));
      }
    },
    onSuccess: () => onDone(wanted.length + kept.size),
  });
  const toggle = (file: Good): void =>
    setLeft((before) => {
      const after = new Set(before);
      if (!after.delete(file)) after.add(file);
      return after;
    });
  return (
    <Panel title="What these files hold" onClose={onClose}>
      <ul className="max-h-[50vh] divide-y divide-line overflow-y-auto">
        {files.map((file, n) => (
          <li key={n} className="py-2">
            {file.ok ? (
              <Found
                file={file}
                known={names.has(file.build.name)}
                taken={!left.has(file)}
                onToggle={() => toggle(file)}
              />
            ) : (
              <Refused file={file.file} problems={file.problems} />
            )}
          </li>
        ))}
      </ul>
      {bring.isError && (
        <p role="alert" className="mt-2 text-short">
          {bring.error.message}
        </p>
      )}
      <div className="mt-3 flex gap-3">
        {good.length > 0 && (
          <button
            type="button"
            className="push push-main"
            disabled={wanted.length === 0 || bring.isPending}
            onClick={() => bring.mutate()}
          >
            {wanted.length === 1 ? 'Bring in this build' : `Bring in ${wanted.length} builds`}
          </button>
        )}
        <button type="button" className="push" onClick={onClose}>
          {good.length > 0 ? 'Leave them' : 'Close'}
        </button>
      </div>
    </Panel>
  );
}

interface FoundProps {
  readonly file: Good;
  readonly known: boolean;
  readonly taken: boolean;
  readonly onToggle: () => void;
}

function Found({ file, known, taken, onToggle }: FoundProps) {
  const say = useSay();
  const { build } = file;
  const stops = evaluate(build).findings.filter((finding) => finding.severity === 'stop').length;
  const mass = say(massAllUp(build), 'mass');
  return (
    <label className="flex items-start gap-3">
      <input type="checkbox" className="mt-1 size-4 accent-ink" checked={taken} onChange={onToggle} />
      <span className="min-w-0">
        <b className="block font-semibold break-words">{build.name}</b>
        <span className="block break-words text-soft">{build.purpose}</span>
        <span className="block">
          {mass} in total, {build.duties.length} jobs,{' '}
          {stops === 0 ? 'nothing stops it' : stops === 1 ? '1 thing stops it' : `${stops} things stop it`}
        </span>
        <span className="block text-[14px] break-words text-soft">
          from {file.file}
          {file.trialSets !== undefined
            ? `, with ${file.trialSets === 1 ? 'a set' : `${file.trialSets} sets`} of trials`
            : file.whole && ', with its logbook, snapshots and trials'}
          {file.upgradedFrom !== undefined &&
            `, brought from format ${file.upgradedFrom} to the one of today`}
          {known && '. A build of this name is here already; both are kept'}
        </span>
      </span>
    </label>
  );
}

interface RefusedProps {
  readonly file: string;
  readonly problems: Extract<FileRead, { ok: false }>['problems'];
}

const SHOWN_PROBLEMS = 8;

const Refused = ({ file, problems }: RefusedProps) => (
  <>
    <b className="font-semibold break-words text-short">{file} cannot be brought in</b>
    <ul className="mt-0.5">
      {problems.slice(0, SHOWN_PROBLEMS).map((problem, n) => (
        <li key={n} className="break-words">
          {problem.path === '(whole)' ? '' : <code>{problem.path}: </code>}
          {problem.message}
        </li>
      ))}
      {problems.length > SHOWN_PROBLEMS && <li>and {problems.length - SHOWN_PROBLEMS} more like these</li>}
    </ul>
  </>
);
