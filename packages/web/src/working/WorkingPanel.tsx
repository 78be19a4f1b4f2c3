import { findCalculator, type AnyCalculator } from '@zubric/core/calculators';
import {
  isStated,
  type Calculation,
  type Stated,
  type Working,
  type WorkingInput,
  type WorkingOrigin,
} from '@zubric/core/working';
import { useState } from 'react';
import { Link } from 'react-router';
import { Panel } from '../common/Panel.tsx';
import { useSay, useUnits } from '../common/units.tsx';
import { sayKey } from '../sums/key-units.ts';
import { inputFields, outputFields, sumAddress, type SumField } from '../sums/sum-form.ts';
import { WithNumbers } from '../sums/WithNumbers.tsx';

const ORIGINS: Readonly<Record<WorkingOrigin, string>> = {
  typed: 'typed',
  measured: 'measured',
  placed: 'from Layout',
  shelf: 'from the shelf',
  assumed: 'assumed',
  worked: 'worked out',
  fixed: 'fixed',
};

interface Props {
  readonly title: string;
  /** The working, or why there is none. */
  readonly opened: Working | string;
  readonly onClose: () => void;
}

/** How a number came about, and one step further to how its inputs did. */
export function WorkingPanel({ title, opened, onClose }: Props) {
  const [steps, setSteps] = useState<readonly (Working | string)[]>([opened]);
  const step = steps.at(-1) ?? opened;
  const calculation = typeof step === 'string' || isStated(step) ? undefined : step;
  const calculator = calculation && findCalculator(calculation.calculator);
  return (
    <Panel title={`How ${title} came about`} onClose={onClose}>
      {typeof step === 'string' && <p>{step}</p>}
      {typeof step === 'object' && isStated(step) && <Given stated={step} />}
      {calculation && calculator && (
        <Step calculator={calculator} step={calculation} onOpen={(next) => setSteps([...steps, next])} />
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
        {calculation && calculator && (
          <Link className="push inline-flex items-center" to={sumAddress(calculator, calculation.given)}>
            As a quick sum
          </Link>
        )}
      </div>
    </Panel>
  );
}

/** A number that was not worked out. */
function Given({ stated: { value, dimension, origin, where } }: { readonly stated: Stated }) {
  const say = useSay();
  return (
    <p>
      <b className="font-narrow text-[22px] font-semibold text-mech">{say(value, dimension)}</b>{' '}
      <span className="text-soft">
        {ORIGINS[origin]}: {where}
      </span>
    </p>
  );
}

interface StepProps {
  readonly calculator: AnyCalculator;
  readonly step: Calculation;
  readonly onOpen: (working: Calculation) => void;
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
          {step.inputs.map((input, at) => (
            <InputRow key={at} calculator={calculator} input={input} given={step.given} onOpen={onOpen} />
          ))}
        </tbody>
      </table>
    </>
  );
}

interface RowProps {
  readonly calculator: AnyCalculator;
  readonly input: WorkingInput;
  readonly given: Calculation['given'];
  readonly onOpen: (working: Calculation) => void;
}

/** The field of an input, or of its column, and the value that stands there. */
function cellOf(calculator: AnyCalculator, { key, cell }: WorkingInput, given: Calculation['given']) {
  const field = inputFields(calculator).find((f) => f.key === key);
  if (!cell) return { field, value: given[key] };
  const rows = given[key] as readonly Readonly<Record<string, unknown>>[];
  const column: SumField | undefined = field?.columns.find((c) => c.key === cell.column);
  return { field: column, value: rows[cell.row]?.[cell.column] };
}

function InputRow({ calculator, input, given, onOpen }: RowProps) {
  const { system } = useUnits();
  const { field, value } = cellOf(calculator, input, given);
  const { working } = input;
  return (
    <tr>
      <th scope="row">{field?.description ?? input.key}</th>
      <td className={Array.isArray(value) ? '' : 'n'}>
        {typeof value === 'number'
          ? sayKey(value, field?.unit ?? '', system)
          : Array.isArray(value)
            ? value.map((x) => sayKey(Number(x), '', system)).join(', ')
            : String(value ?? '')}
      </td>
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
