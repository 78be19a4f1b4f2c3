import { readQuantity, type Quantity } from '@zubric/core/quantity';
import { courseIn } from '@zubric/core/protocols';
import type { AmountsField, ChoiceField, Field, FieldValue, NamesField } from '@zubric/core/protocols';
import { useId, useState } from 'react';
import { Link } from 'react-router';
import { useSay, useUnits } from '../../common/units.tsx';
import { Choice } from '../../fields/Choice.tsx';
import { FieldLabel } from '../../fields/FieldLabel.tsx';
import { QuantityField } from '../../fields/QuantityField.tsx';
import { checkOf } from '../../fields/SchemaField.tsx';
import { TextField } from '../../fields/TextField.tsx';
import { useBuild } from '../../session/BuildSession.tsx';
import { namesOf } from './names.ts';

interface Props {
  readonly field: Field;
  readonly value: FieldValue | undefined;
  readonly onChange: (value: FieldValue | undefined) => void;
  /** Its title with more before it, where several are alike. */
  readonly label?: string;
  /** Numbers that are read off something, and not set. */
  readonly measured?: boolean;
  /** Names to choose among, where they are known. */
  readonly names?: readonly string[];
  readonly className?: string;
}

const isOne = (value: FieldValue | undefined): value is Quantity =>
  typeof value === 'object' && 'value' in value;

/** What a protocol asks: a number, one of a few words, a name, or a list of either. */
export function TrialField({ field, value, onChange, measured = false, names, ...rest }: Props) {
  const { system } = useUnits();
  const title = rest.label ?? field.title;
  const className = rest.className ?? '';
  switch (field.kind) {
    case 'quantity': {
      const label = field.sides ? `${title}, ${field.sides[0]} −` : title;
      const bareUnit = system === 'imperial' ? field.imperialUnit : field.unit;
      return (
        <QuantityField
          label={label}
          dimension={field.dimension}
          value={isOne(value) ? value : undefined}
          bareUnit={bareUnit}
          {...(value === undefined && bareUnit !== '' ? { placeholder: `in ${bareUnit}` } : {})}
          check={checkOf(
            { ...field.range, key: '', title, optional: true, dimension: field.dimension },
            system,
          )}
          onChange={(q) => onChange(measured ? { ...q, origin: 'measured' } : q)}
          onClear={() => onChange(undefined)}
          className={className}
        />
      );
    }
    case 'choice':
      return <Words {...{ field, title, value, onChange, className }} />;
    case 'name':
      return names && names.length > 0 ? (
        <Choice
          label={title}
          value={typeof value === 'string' ? value : ''}
          options={[
            ...(typeof value === 'string' && names.includes(value) ? [] : [{ value: '', title: 'Choose' }]),
            ...names.map((name) => ({ value: name, title: name })),
          ]}
          onChange={(name) => onChange(name === '' ? undefined : name)}
          className={className}
        />
      ) : (
        <TextField
          label={title}
          value={typeof value === 'string' ? value : ''}
          maxLength={60}
          onChange={(name) => onChange(name.trim() === '' ? undefined : name)}
          className={className}
        />
      );
    case 'names':
      return <Names {...{ field, title, value, onChange, className }} />;
    case 'amounts':
      return <Amounts {...{ field, title, value, onChange, className }} />;
    case 'course':
      return <CourseKept {...{ title, value, className }} />;
  }
}

interface CourseProps {
  readonly title: string;
  readonly value: FieldValue | undefined;
  readonly className: string;
}

/** The course that a set is driven over: kept with it as it was, whatever becomes of the one on the Test track. */
function CourseKept({ title, value, className }: CourseProps) {
  const { id } = useBuild();
  const course = value === undefined ? undefined : courseIn({ course: value });
  const legs = course?.legs.length ?? 0;
  return (
    <div className={className}>
      <span className="block text-[15px] leading-tight text-soft">{title}</span>
      <p>
        {course ? `${course.name}, ${legs} ${legs === 1 ? 'leg' : 'legs'}, as it was here` : 'none'}.{' '}
        <Link className="push-plain" to={`/builds/${id}/test-track?view=course`}>
          Another is begun from the Test track
        </Link>
      </p>
    </div>
  );
}

interface WordsProps {
  readonly field: ChoiceField;
  readonly title: string;
  readonly value: FieldValue | undefined;
  readonly onChange: (value: FieldValue | undefined) => void;
  readonly className: string;
}

/** So many words stand side by side; more are a list to choose from. */
const SIDE_BY_SIDE = 4;

/** One of a few words: each a button large enough for a thumb. */
function Words({ field, title, value, onChange, className }: WordsProps) {
  const options = Object.entries(field.options);
  if (options.length > SIDE_BY_SIDE || options.some(([, text]) => text.length > 24))
    return (
      <Choice
        label={title}
        value={typeof value === 'string' ? value : ''}
        options={[
          ...(value === undefined ? [{ value: '', title: 'Choose' }] : []),
          ...options.map(([word, text]) => ({ value: word, title: text })),
        ]}
        onChange={(word) => onChange(word === '' ? undefined : word)}
        className={className}
      />
    );
  return (
    <fieldset className={className}>
      <legend className="text-[15px] leading-tight text-soft">{title}</legend>
      <div className="mt-0.5 flex flex-wrap gap-1">
        {options.map(([word, text]) => (
          <button
            key={word}
            type="button"
            aria-pressed={word === value}
            className={`push min-h-10 ${word === value ? 'bg-ink font-semibold text-sheet hover:bg-ink' : ''}`}
            onClick={() => onChange(word)}
          >
            {text}
          </button>
        ))}
      </div>
    </fieldset>
  );
}

interface ListProps<F> {
  readonly field: F;
  readonly title: string;
  readonly value: FieldValue | undefined;
  readonly onChange: (value: FieldValue | undefined) => void;
  readonly className: string;
}

/** Several names in a line: `1-13`, or with commas between them. */
function Names({ field, title, value, onChange, className }: ListProps<NamesField>) {
  const id = useId();
  const names = Array.isArray(value) ? value.filter((each) => typeof each === 'string') : [];
  const lines = field.least === 1;
  const [typed, setTyped] = useState<string>();
  return (
    <div className={className}>
      <FieldLabel htmlFor={id} label={title} />
      <textarea
        id={id}
        rows={lines ? 3 : 1}
        className="entry"
        aria-describedby={`${id}-help`}
        value={typed ?? names.join(lines ? '\n' : ', ')}
        onChange={(event) => {
          setTyped(event.target.value);
          const read = namesOf(event.target.value, lines);
          onChange(read.length === 0 ? undefined : read);
        }}
        onBlur={() => setTyped(undefined)}
      />
      <p id={`${id}-help`} className="text-[14px] text-soft">
        {field.help}
        {names.length > 1 && ` ${names.length} in all.`}
      </p>
    </div>
  );
}

/** Several numbers in a line, with commas between them. */
function Amounts({ field, title, value, onChange, className }: ListProps<AmountsField>) {
  const id = useId();
  const say = useSay();
  const amounts = Array.isArray(value) ? value.filter(isOne) : [];
  const [typed, setTyped] = useState<string>();
  const [problem, setProblem] = useState<string>();
  const type = (text: string): void => {
    setTyped(text);
    const read = text
      .split(/[,;]/)
      .filter((part) => part.trim() !== '')
      .map((part) => readQuantity(part, field.dimension, { assumedUnit: field.unit }));
    const wrong = read.find((each) => !each.ok);
    setProblem(wrong && !wrong.ok ? wrong.message : undefined);
    if (wrong) return;
    const all = read.flatMap((each) =>
      each.ok ? [{ value: each.value, unit: each.unit, origin: 'typed' as const }] : [],
    );
    onChange(all.length === 0 ? undefined : all);
  };
  return (
    <div className={className}>
      <FieldLabel htmlFor={id} label={title} />
      <input
        id={id}
        className="entry"
        aria-invalid={problem !== undefined}
        aria-describedby={`${id}-help`}
        value={typed ?? amounts.map((one) => say(one.value, field.dimension)).join(', ')}
        onChange={(event) => type(event.target.value)}
        onBlur={() => {
          if (problem === undefined) setTyped(undefined);
        }}
      />
      <p
        id={`${id}-help`}
        role={problem === undefined ? undefined : 'alert'}
        className={`text-[14px] ${problem === undefined ? 'text-soft' : 'text-short'}`}
      >
        {problem ?? field.help}
      </p>
    </div>
  );
}
