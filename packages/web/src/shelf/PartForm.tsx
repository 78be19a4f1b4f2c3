import { printedFields, type PrintedKey } from '@zubric/core/motor';
import {
  PART_STATES,
  PART_STATE_WORDS,
  WHENCES,
  partChoices,
  settling,
  type Part,
  type PartField,
} from '@zubric/core/vehicle';
import type { Quantity } from '@zubric/core/quantity';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useCallback } from 'react';
import { useForm, useWatch, type ResolverResult } from 'react-hook-form';
import { useSay } from '../common/units.tsx';
import { Choice } from '../fields/Choice.tsx';
import { TextField } from '../fields/TextField.tsx';
import { ComesTo } from './ComesTo.tsx';
import { options } from './part-words.ts';
import { FormQuantity } from '../fields/FormQuantity.tsx';
import {
  FOUND,
  fieldsOfDraft,
  isPrinted,
  ofChoice,
  partOfDraft,
  workedOut,
  type Drafted,
  type PartDraft,
} from './part-draft.ts';

interface Props {
  readonly draft: PartDraft;
  /** Keeps it, and gives it as it is kept. */
  readonly keep: (part: Part) => Promise<Part>;
  readonly onKept: (part: Part) => void;
}

/** What the form holds: the draft, and which of its figures cannot be read. */
interface Written {
  readonly draft: PartDraft;
  readonly unread: readonly string[];
}

/** The part that was written down, or all that keeps it from being one. */
function asPart({ draft, unread }: Written): ResolverResult<Written, Part> {
  const made = partOfDraft(draft);
  const wrong = [
    ...(unread.length > 0 ? ['A figure cannot be read: mend what is marked.'] : []),
    ...(made.ok ? [] : made.problems),
  ];
  return made.ok && wrong.length === 0
    ? { values: made.part, errors: {} }
    : { values: {}, errors: { root: { part: { type: 'part', message: wrong.join('\n') } } } };
}

/** A part written down by hand: what is printed on it, and at once what that comes to. */
export function PartForm({ draft: begun, keep, onKept }: Props) {
  const queries = useQueryClient();
  const { control, getValues, setValue, handleSubmit, formState } = useForm<Written, unknown, Part>({
    defaultValues: { draft: begun, unread: [] },
    resolver: asPart,
  });
  const draft = useWatch({ control, name: 'draft' });
  const change = (part: Partial<PartDraft>): void =>
    setValue('draft', { ...getValues('draft'), ...part }, { shouldDirty: true });
  const mark = useCallback(
    (key: string, isUnread: boolean): void => {
      const others = getValues('unread').filter((other) => other !== key);
      setValue('unread', isUnread ? [...others, key] : others);
    },
    [getValues, setValue],
  );
  const found = workedOut(draft);
  const save = useMutation({
    mutationFn: keep,
    onSuccess: async (part) => {
      await queries.invalidateQueries({ queryKey: ['parts'] });
      onKept(part);
    },
  });
  const submit = handleSubmit((part) =>
    save.mutateAsync(part).catch(() => undefined /* Told below, by what the save says. */),
  );
  const problems = formState.errors.root?.part?.message?.split('\n') ?? [];
  const said = [...problems, ...(save.error ? [save.error.message] : [])];
  return (
    <form
      className="grid gap-3"
      onSubmit={(event) => void submit(event)}
      noValidate
      aria-label="A part of your own"
    >
      <About draft={draft} onChange={change} />
      {isPrinted(draft) && <Printed draft={draft} onChange={change} onUnread={mark} />}
      <ComesTo found={found} />
      <Figures draft={draft} found={found} onChange={change} onUnread={mark} />
      {draft.kind === 'motor' && !isPrinted(draft) && (
        <Gearhead draft={draft} onChange={change} onUnread={mark} />
      )}
      <TextField
        label="Note: where it came from, what was seen of it"
        value={draft.note}
        maxLength={1000}
        onChange={(note) => change({ note })}
      />
      {said.length > 0 && (
        <ul role="alert" className="border border-short bg-short-lo px-3 py-2">
          {said.map((problem) => (
            <li key={problem}>{problem}</li>
          ))}
        </ul>
      )}
      <p>
        <button type="submit" className="push push-main" disabled={formState.isSubmitting}>
          {draft.before ? 'Keep the change' : 'Put it on the shelf'}
        </button>
      </p>
    </form>
  );
}

interface PieceProps {
  readonly draft: PartDraft;
  readonly onChange: (part: Partial<PartDraft>) => void;
}

/** What it is called, of what sort it is, whence it came and whether it is there. */
function About({ draft, onChange }: PieceProps) {
  return (
    <div className="grid grid-cols-2 gap-3 sm:grid-cols-3">
      <TextField
        className="col-span-2 sm:col-span-3"
        label="Name: what it is, so that you find it again"
        value={draft.name}
        onChange={(name) => onChange({ name })}
      />
      {partChoices(draft.kind, draft.choices.type).map(({ key, title, optional, of }) => (
        <Choice
          key={key}
          label={title}
          value={draft.choices[key] ?? ''}
          options={options([...(optional ? [''] : []), ...(of ?? ['no', 'yes'])])}
          onChange={(chosen) => onChange(ofChoice(draft, key, chosen))}
        />
      ))}
      <Choice
        label="State"
        value={draft.state}
        options={PART_STATES.map((value) => ({ value, title: PART_STATE_WORDS[value] }))}
        onChange={(state) => onChange({ state })}
      />
      <Choice
        label="Where from"
        value={draft.whence}
        options={options(['unsaid', ...WHENCES] as const)}
        onChange={(whence) => onChange({ whence })}
      />
    </div>
  );
}

interface FieldsProps extends PieceProps {
  readonly onUnread: (key: string, unread: boolean) => void;
}

/** What is printed on a motor: any of it, in any unit. */
function Printed({ draft, onChange, onUnread }: FieldsProps) {
  return (
    <fieldset>
      <legend className="font-narrow text-[16px] font-semibold">What is printed on it, or known</legend>
      <p className="text-[14px] text-soft">
        The voltage, and any of these that suffice: no-load speed with stall torque or stall current; rated
        power and speed; kV with resistance. Of a gearmotor: figures of its output.
      </p>
      <div className="mt-1 grid grid-cols-2 gap-x-3 gap-y-2 sm:grid-cols-4">
        {printedFields().map(({ key, title, dimension = 'number', ...range }) => (
          <FormQuantity
            key={key}
            title={title}
            dimension={dimension}
            range={range}
            value={draft.printed[key as PrintedKey]}
            onChange={(quantity) => onChange({ printed: { ...draft.printed, [key]: quantity } })}
            name={`printed.${key}`}
            onUnread={onUnread}
          />
        ))}
      </div>
    </fieldset>
  );
}

/** Figures that most do without. */
const LATER: ReadonlySet<string> = new Set([
  'bodyDiameterMm',
  'bodyLengthMm',
  'shaftDiameterMm',
  'shaftKeyMm',
  'shaftLoadN',
  'mountCircleMm',
  'mountHoles',
  'thermalResistanceKPerW',
  'timeConstantS',
  'windingKPerW',
  'windingTimeConstantS',
  'windingLimitC',
  'rotorGcm2',
  'packsInSeries',
  'peakA',
  'encoderCounts',
  'encoderInputs',
  'readsHz',
  'supplyV',
  'supplyA',
  'logicV',
  'packsInParallel',
  'capacityLeft',
  'leastA',
  'hardness',
  'bolts',
  'boltCircleMm',
  'keyMm',
]);

/** What is guessed, and the reading that would settle it. */
function Settling({ keys }: { readonly keys: readonly string[] }) {
  const texts = settling(keys);
  if (texts.length === 0) return null;
  return (
    <details>
      <summary className="cursor-pointer text-[14px] underline underline-offset-4">
        Figures in grey are taken as usual: what would settle them
      </summary>
      <ul className="mt-1 list-disc pl-5 text-[14px]">
        {texts.map((text) => (
          <li key={text}>{text}</li>
        ))}
      </ul>
    </details>
  );
}

interface FiguresProps extends FieldsProps {
  readonly found: Drafted;
}

const GEAR = [
  ['ratio', 'Gearhead, turns for one', 'ratio'],
  ['efficiency', 'Gearhead efficiency', 'share'],
  ['torque', 'Gearhead, torque all day', 'torque'],
] as const;

/** A gearhead that is one with the motor: where its ratio is empty there is none. */
const Gearhead = ({ draft, onChange, onUnread }: FieldsProps) => (
  <div className="grid grid-cols-2 items-end gap-x-3 gap-y-2 sm:grid-cols-4">
    {GEAR.map(([key, title, dimension]) => (
      <FormQuantity
        key={key}
        title={title}
        dimension={dimension}
        range={key === 'efficiency' ? { least: 0.01, most: 1 } : { above: 0 }}
        value={draft.gear[key]}
        onChange={(quantity) => onChange({ gear: { ...draft.gear, [key]: quantity } })}
        name={`gear.${key}`}
        onUnread={onUnread}
      />
    ))}
  </div>
);

/** The figures of its kind, as a data sheet has them; what is left empty is taken as usual, and said to be. */
function Figures({ draft, found, onChange, onUnread }: FiguresProps) {
  const say = useSay();
  const fields = fieldsOfDraft(draft).filter(
    ({ key }) => !(isPrinted(draft) && FOUND.some((found) => found === key)),
  );
  const usualOf = ({ key, dimension, quantityOf }: PartField): string | undefined => {
    const guess = found.usual[key];
    return guess && `about ${say(quantityOf(guess.value).value, dimension)}`;
  };
  const set = (key: string, quantity: Quantity | undefined): void =>
    onChange({ figures: { ...draft.figures, [key]: quantity } });
  const asked = (field: PartField) => (
    <FormQuantity
      key={field.key}
      title={field.unit === undefined ? field.title : `${field.title}, ${field.unit}`}
      dimension={field.dimension}
      range={{}}
      value={draft.figures[field.key]}
      onChange={(quantity) => set(field.key, quantity)}
      usual={usualOf(field)}
      name={field.key}
      onUnread={onUnread}
    />
  );
  const grid = 'grid grid-cols-2 items-end gap-x-3 gap-y-2 sm:grid-cols-4';
  return (
    <>
      <div className={grid}>{fields.filter(({ key }) => !LATER.has(key)).map(asked)}</div>
      <Settling keys={Object.keys(found.usual).filter((key) => draft.figures[key] === undefined)} />
      <details>
        <summary className="cursor-pointer text-[14px] underline underline-offset-4">
          Sizes and what else is known of it
        </summary>
        <div className={`mt-2 ${grid}`}>{fields.filter(({ key }) => LATER.has(key)).map(asked)}</div>
      </details>
    </>
  );
}
