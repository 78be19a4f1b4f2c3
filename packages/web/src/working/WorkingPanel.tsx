import { findCalculator, type AnyCalculator } from '@zubric/core/calculators';
import type { Working, WorkingInput, WorkingOrigin } from '@zubric/core/evaluate';
import { useState } from 'react';
import { Link } from 'react-router';
import { Panel } from '../app/Panel.tsx';
import { useUnits } from '../app/units.tsx';
import { sayKey } from '../sums/key-units.ts';
import { inputFields, outputFields } from '../sums/sum-form.ts';
import { WithNumbers } from '../sums/WithNumbers.tsx';

const ORIGINS: Readonly<Record<WorkingOrigin, string>> = {
  typed: 'typed',
  measured: 'measured',
  shelf: 'from the shelf',
  assumed: 'assumed',
  worked: 'worked out',
  fixed: 'fixed',
};

interface Props {
  readonly title: string;
  readonly working: Working;
  readonly onClose: () => void;
}

/** How a number came about, and one step further to how its inputs did. */
export function WorkingPanel({ title, working, onClose }: Props) {
  const [steps, setSteps] = useState<readonly Working[]>([working]);
  const step = steps.at(-1) ?? working;
  const calculator = findCalculator(step.calculator);
  return (
    <Panel title={`How ${title} came about`} onClose={onClose}>
      {calculator && (
        <Step calculator={calculator} step={step} onOpen={(next) => setSteps([...steps, next])} />
      )}
      <div className="mt-4 flex flex-wrap gap-3">
        {steps.length > 1 && (
          <button type="button" className="push" onClick={() => setSteps(steps.slice(0, -1))}>
            One step back
          </button>
        )}
        <button type="button" className="push push-main" onClick={onClose}>
          Close
        </button>
        {calculator && (
          <Link className="push inline-flex items-center" to={sumAddress(calculator, step)}>
            As a quick sum
          </Link>
        )}
      </div>
    </Panel>
  );
}

/** The same sum by itself, its address carrying the numbers. */
function sumAddress(calculator: AnyCalculator, { given }: Working): string {
  const entries = inputFields(calculator).flatMap(({ key }) =>
    given[key] === undefined ? [] : [[key, String(Number(given[key].toPrecision(12)))]],
  );
  return `/sums/${calculator.name}?${new URLSearchParams(entries).toString()}`;
}

interface StepProps {
  readonly calculator: AnyCalculator;
  readonly step: Working;
  readonly onOpen: (working: Working) => void;
}

function Step({ calculator, step, onOpen }: StepProps) {
  const { system } = useUnits();
  const result = outputFields(calculator).find(({ key }) => key === step.key);
  const value = step.found[step.key];
  return (
    <>
      <p className="text-soft">{calculator.title}</p>
      <p className="font-narrow text-[22px] font-semibold text-mech">
        {result && typeof value === 'number' && sayKey(value, result.unit, system)}{' '}
        <span className="font-sans text-[15px] font-normal text-soft">
          {result?.description.toLowerCase()}
        </span>
      </p>
      <div className="mt-2">
        <WithNumbers calculator={calculator} given={step.given} found={step.found} />
      </div>
      <p className="mt-2 text-[14px] text-soft">Source: {calculator.source}</p>
      <table className="grid-table mt-3">
        <caption className="text-left font-narrow text-[16px] font-semibold">What went in</caption>
        <thead>
          <tr>
            <th scope="col">Number</th>
            <th scope="col" className="n">
              Value
            </th>
            <th scope="col">Where from</th>
          </tr>
        </thead>
        <tbody>
          {step.inputs.map((input) => (
            <InputRow
              key={input.key}
              calculator={calculator}
              input={input}
              value={step.given[input.key]}
              onOpen={onOpen}
            />
          ))}
        </tbody>
      </table>
    </>
  );
}

interface RowProps {
  readonly calculator: AnyCalculator;
  readonly input: WorkingInput;
  readonly value: number | undefined;
  readonly onOpen: (working: Working) => void;
}

function InputRow({ calculator, input, value, onOpen }: RowProps) {
  const { system } = useUnits();
  const field = inputFields(calculator).find(({ key }) => key === input.key);
  const { working } = input;
  return (
    <tr>
      <th scope="row">{field?.description ?? input.key}</th>
      <td className="n">{value === undefined ? '' : sayKey(value, field?.unit ?? '', system)}</td>
      <td>
        <b className={input.origin === 'assumed' ? 'font-semibold' : 'font-normal'}>
          {ORIGINS[input.origin]}
        </b>
        <span className="text-soft">: {input.where}</span>
        {working && (
          <button type="button" className="push-plain ml-2 font-semibold" onClick={() => onOpen(working)}>
            open<span className="sr-only"> {field?.description ?? input.key}</span>
          </button>
        )}
      </td>
    </tr>
  );
}
