import type { AnyCalculator } from '@zubric/core/calculators';
import { useEffect, useMemo, useRef } from 'react';
import { useSearchParams } from 'react-router';
import { useUnits } from '../common/units.tsx';
import { SumEntry } from './SumEntry.tsx';
import { BuildLink } from './BuildLink.tsx';
import { Found } from './Found.tsx';
import { SumCurve } from './SumCurve.tsx';
import { SumDrawing } from './SumDrawing.tsx';
import { WithNumbers } from './WithNumbers.tsx';
import { entriesOf, exampleEntries, inputFields, outputFields, work, type SumField } from './sum-form.ts';

/** Of an address only the build and duty that the sum is worked for. */
const bench = (typed: URLSearchParams): URLSearchParams =>
  new URLSearchParams([...typed].filter(([key]) => key === 'build' || key === 'duty'));

/** What is typed, in the address; a moment later than it is typed. */
function useTyped(fields: readonly SumField[]) {
  const [typed, setTyped] = useSearchParams();
  // The address follows a moment later: what was typed meanwhile is put into it too.
  const pending = useRef(new Map<string, string>());
  useEffect(() => {
    for (const [key, text] of pending.current) if (typed.get(key) === text) pending.current.delete(key);
  }, [typed]);
  const put = (texts: Readonly<Record<string, string>>): void => {
    for (const [key, text] of Object.entries(texts)) pending.current.set(key, text);
    setTyped(
      (before) => {
        const next = new URLSearchParams(before);
        for (const [key, text] of pending.current) next.set(key, text);
        return next;
      },
      { replace: true },
    );
  };
  const change = (key: string, text: string): void => put({ [key]: text });
  const fill = (values: Readonly<Record<string, unknown>>): void => {
    put(
      entriesOf(
        fields.filter(({ key }) => key in values),
        values,
      ),
    );
  };
  const backToExample = (): void => {
    pending.current.clear();
    setTyped(bench(typed), { replace: true });
  };
  return { typed, change, fill, backToExample };
}

/** One sum, worked as it is typed. The address carries what was typed. */
export function Sum({ calculator }: { readonly calculator: AnyCalculator }) {
  const fields = useMemo(() => inputFields(calculator), [calculator]);
  const example = useMemo(() => exampleEntries(calculator, fields), [calculator, fields]);
  const { typed, change, fill, backToExample } = useTyped(fields);
  const entries = Object.fromEntries(fields.map((f) => [f.key, typed.get(f.key) ?? example[f.key] ?? '']));
  const { system } = useUnits();
  const { given, output, problems } = work(calculator, fields, entries, system);
  return (
    <div className="grid content-start gap-4 px-6 py-4">
      <div>
        <h1>{calculator.title}</h1>
        <p className="mt-0.5 text-[16px] text-soft">{calculator.purpose}</p>
      </div>
      <div className="grid grid-cols-1 items-start gap-6 lg:grid-cols-2">
        <div className="grid content-start gap-4">
          <section aria-labelledby="given-title" className="sheet p-4">
            <h2 id="given-title">Given</h2>
            <div className="mt-2 grid gap-2">
              {fields.map((field) => (
                <SumEntry
                  key={field.key}
                  field={field}
                  text={entries[field.key] ?? ''}
                  problem={problems[field.key]}
                  onChange={(text) => change(field.key, text)}
                />
              ))}
            </div>
            {fields.some(({ key }) => typed.has(key)) && (
              <button type="button" className="push mt-3" onClick={backToExample}>
                Back to the example
              </button>
            )}
          </section>
          <BuildLink calculator={calculator} found={output} onFill={fill} />
          <About calculator={calculator} given={given} found={output} />
        </div>
        <section aria-labelledby="found-title" className="grid content-start gap-3">
          <div className="sheet p-4">
            <h2 id="found-title">Found</h2>
            {problems[''] !== undefined && (
              <p role="alert" className="mt-2 text-short">
                {problems['']}
              </p>
            )}
            {output ? (
              <Found fields={outputFields(calculator)} output={output} />
            ) : (
              problems[''] === undefined && <p className="mt-2 text-soft">Mend what is marked on the left.</p>
            )}
          </div>
          {given && output && <SumDrawing calculator={calculator} given={given} found={output} />}
          <SumCurve calculator={calculator} entries={entries} found={output} onChange={change} />
        </section>
      </div>
    </div>
  );
}

interface AboutProps {
  readonly calculator: AnyCalculator;
  readonly given: Readonly<Record<string, unknown>> | undefined;
  readonly found: Readonly<Record<string, unknown>> | undefined;
}

/** Its formula, where it holds, and what it was checked against. */
function About({ calculator, given, found: output }: AboutProps) {
  return (
    <dl className="text-[15px]">
      <dt className="text-[14px] text-soft">Formula{given && ', with the numbers put in'}</dt>
      <dd className="mb-2">
        {given && output ? (
          <WithNumbers calculator={calculator} given={given} found={output} />
        ) : (
          calculator.formula
        )}
      </dd>
      <dt className="text-[14px] text-soft">Where it holds</dt>
      <dd className="mb-2">{calculator.limits}</dd>
      <dt className="text-[14px] text-soft">Source</dt>
      <dd className="mb-2">{calculator.source}</dd>
      <dt className="text-[14px] text-soft">Checked against</dt>
      <dd>{calculator.examples.map((e) => e.origin).join('; ')}</dd>
    </dl>
  );
}
