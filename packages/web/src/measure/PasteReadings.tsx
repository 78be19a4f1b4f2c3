import { readingsFrom } from '@zubric/core/bench';
import type { BenchReading } from '@zubric/core/motor';
import { useId, useState } from 'react';
import type { ReadBy } from './use-readings.ts';

/** A file of more than this is no bench readings. */
const MOST_BYTES = 1_000_000;
const MOST_READINGS = 200;

interface Props {
  readonly onReadings: (readings: readonly BenchReading[], by: ReadBy) => void;
}

/** Readings as text, pasted or out of a file: what cannot be read of it is told by its line and left standing. */
export function PasteReadings({ onReadings }: Props) {
  const id = useId();
  const [text, setText] = useState('');
  const [by, setBy] = useState<ReadBy>('pasted');
  const [problem, setProblem] = useState('');
  const { readings, bad } = readingsFrom(text);
  const take = async (file: File): Promise<void> => {
    if (file.size > MOST_BYTES)
      return setProblem(`“${file.name}” is too large for bench readings: a line a reading, please.`);
    setProblem('');
    setBy('file');
    setText(await file.text());
  };
  return (
    <section className="sheet grid gap-2 p-3" aria-label="Readings as text">
      <label htmlFor={id}>
        A reading a line: volts, amperes, rpm, and newton metres where they were read; or as the meter’s
        format has it (<code>V=12 A=3.1 rpm=4100</code>)
      </label>
      <textarea
        id={id}
        className="entry font-mono"
        rows={6}
        value={text}
        onChange={(event) => {
          setBy('pasted');
          setText(event.target.value);
        }}
      />
      {bad.slice(0, 5).map(({ line, why }) => (
        <p key={line} className="text-short">
          Line {line}: {why}.
        </p>
      ))}
      {problem !== '' && <p role="alert">{problem}</p>}
      <p className="flex flex-wrap items-center gap-3">
        <button
          type="button"
          className="push push-main"
          disabled={readings.length === 0 || readings.length > MOST_READINGS}
          onClick={() => {
            onReadings(readings, by);
            setText('');
          }}
        >
          Take {readings.length} {readings.length === 1 ? 'reading' : 'readings'}
        </button>
        <label className="push cursor-pointer">
          From a file
          <input
            type="file"
            accept=".txt,.csv,.log,text/plain,text/csv"
            className="sr-only"
            onChange={(event) => {
              const [file] = event.target.files ?? [];
              if (file) void take(file);
              event.target.value = '';
            }}
          />
        </label>
      </p>
    </section>
  );
}
