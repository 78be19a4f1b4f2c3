import { NotPhysical } from '@zubric/core/contract';
import { motorFromPrint, printedFrom, type FoundMotor, type PrintedSoFar } from '@zubric/core/motor';
import type { Quantity, Words } from '@zubric/core/quantity';
import {
  partChoices,
  partFields,
  partSchema,
  typeOfPart,
  type PartField,
  problemsOf,
  usualFigures,
  type GuessedFigure,
  type Part,
  type PartKind,
  type PartState,
  type Whence,
} from '@zubric/core/vehicle';

/** A part as it is being written down. */
export interface PartDraft {
  readonly kind: PartKind;
  readonly name: string;
  readonly state: PartState;
  readonly whence: Whence | 'unsaid';
  readonly note: string;
  /** Figures by the key of the part; empty ones are not known. */
  readonly figures: Readonly<Record<string, Quantity | undefined>>;
  /** Of a motor whose figures are found from what is printed on it. */
  readonly printed: PrintedSoFar;
  /** A gearhead that is one with a motor, where it is not found from what is printed. */
  readonly gear: {
    readonly ratio?: Quantity | undefined;
    readonly efficiency?: Quantity | undefined;
    readonly torque?: Quantity | undefined;
  };
  readonly choices: Readonly<Record<string, string>>;
  /** The part that is changed; absent where it is a new one. */
  readonly before?: Part;
}

/** What is chosen where nobody says: the commonest of what must be said, and nothing of the rest. */
const USUAL_CHOICES: Readonly<Record<string, string>> = { chemistry: 'lead-acid' };

/** The choices of a kind and type of part as they stand, new ones as is usual. */
export const choicesOf = (
  kind: PartKind,
  said: Readonly<Record<string, string>> = {},
): Record<string, string> =>
  Object.fromEntries(
    partChoices(kind, said.type).map(({ key, optional, of }) => {
      const usual = optional ? '' : (USUAL_CHOICES[key] ?? of?.[0] ?? 'no');
      return [key, said[key] ?? usual];
    }),
  );

export const newDraft = (kind: PartKind): PartDraft => ({
  kind,
  name: '',
  state: 'on-hand',
  whence: 'unsaid',
  note: '',
  figures: {},
  printed: {},
  gear: {},
  choices: choicesOf(kind, choicesOf(kind)),
});

const shelved = (value: number, unit: string): Quantity => ({ value, unit, origin: 'typed' });

function gearOf(part: Part): PartDraft['gear'] {
  const gearhead = part.kind === 'motor' ? part.gearhead : undefined;
  if (!gearhead) return {};
  const { ratio, efficiency, ratedTorqueNm } = gearhead;
  return {
    ratio: shelved(ratio, ': 1'),
    efficiency: shelved(efficiency, '%'),
    ...(ratedTorqueNm === undefined ? {} : { torque: shelved(ratedTorqueNm, 'N·m') }),
  };
}

/** A part to be changed: what was guessed is empty again. */
export function draftOf(part: Part): PartDraft {
  const values = part as unknown as Readonly<Record<string, unknown>>;
  const type = typeOfPart(part);
  const figures = partFields(part.kind, type).flatMap(({ key, quantityOf }) => {
    const figure = values[key];
    return typeof figure === 'number' && part.guessed?.[key] === undefined
      ? [[key, quantityOf(figure)] as const]
      : [];
  });
  const said = partChoices(part.kind, type).flatMap(({ key }) => {
    const value = values[key];
    if (value === undefined) return [];
    return [[key, typeof value === 'boolean' ? (value ? 'yes' : 'no') : String(value)] as const];
  });
  return {
    kind: part.kind,
    name: part.name,
    state: part.state,
    whence: part.whence ?? 'unsaid',
    note: part.note,
    figures: Object.fromEntries(figures),
    printed: {},
    gear: gearOf(part),
    choices: choicesOf(part.kind, Object.fromEntries(said)),
    before: part,
  };
}

/** The same part of another type: what that type does not have is left out when it is kept. */
export const ofChoice = (draft: PartDraft, key: string, value: string): PartDraft => ({
  ...draft,
  choices: choicesOf(draft.kind, { ...draft.choices, [key]: value }),
});

/** The figures that are asked of a draft. */
export const fieldsOfDraft = ({ kind, choices }: PartDraft): readonly PartField[] =>
  partFields(kind, choices.type);

/** Whether its figures are found from what is printed on it. */
export const isPrinted = (draft: PartDraft): boolean =>
  draft.kind === 'motor' &&
  !draft.before &&
  FOUND.every((key) => fieldsOfDraft(draft).some((field) => field.key === key));

/** What a draft comes to. */
export interface Drafted {
  /** What is known or guessed of its figures. */
  readonly usual: Readonly<Record<string, GuessedFigure>>;
  /** Of a motor: its figures from what is printed. */
  readonly motor?: FoundMotor;
  /** Why what is printed is no motor. */
  readonly problem?: Words;
}

/** Figures that a new motor's are found from what is printed on it. */
export const FOUND = ['voltageV', 'noLoadRpm', 'noLoadA', 'stallTorqueNm', 'stallA', 'continuousA'] as const;

/** The plain figures of a draft. */
function figuresOf(draft: PartDraft): Record<string, number> {
  return Object.fromEntries(
    fieldsOfDraft(draft).flatMap(({ key, figureOf }) => {
      const quantity = draft.figures[key];
      return quantity ? [[key, figureOf(quantity)] as const] : [];
    }),
  );
}

/** What a part was guessed to have, as long as nobody says better. */
function guessedBefore(before: Part | undefined): Readonly<Record<string, GuessedFigure>> {
  const values = before as unknown as Readonly<Record<string, number>> | undefined;
  return Object.fromEntries(
    Object.entries(before?.guessed ?? {}).flatMap(([key, spread]) => {
      const value = values?.[key];
      return value === undefined ? [] : [[key, { value, spread }] as const];
    }),
  );
}

export function workedOut(draft: PartDraft): Drafted {
  if (draft.before) return { usual: guessedBefore(draft.before) };

  const typed = figuresOf(draft);
  if (!isPrinted(draft)) return { usual: usualFigures(draft.kind, typed, draft.choices) };
  const printed = printedFrom(draft.printed);
  if (!printed) return { usual: usualFigures('motor', typed, draft.choices) };
  try {
    const motor = motorFromPrint(printed);
    return { motor, usual: usualFigures('motor', { ...typed, ...motor.figures }, draft.choices) };
  } catch (error) {
    if (error instanceof NotPhysical) return { usual: {}, problem: error.notice.sentence };
    throw error;
  }
}

type Sent = { readonly ok: true; readonly part: Part } | { readonly ok: false; readonly problems: string[] };

/** The part that is sent, guesses marked; or what is missing or wrong, each by the name of its field. */
export function partOfDraft(draft: PartDraft): Sent {
  const { usual, motor } = workedOut(draft);
  const spread: Record<string, number> = {};
  const figures: Record<string, unknown> = {};
  for (const [key, { value, spread: by }] of Object.entries(usual)) {
    figures[key] = value;
    if (by > 0) spread[key] = by;
  }
  for (const key of motor ? FOUND : []) {
    figures[key] = motor?.figures[key];
    const by = motor?.guessed[key];
    if (by !== undefined) spread[key] = by;
  }
  const typed = figuresOf(draft);
  const guessed = Object.fromEntries(Object.entries(spread).filter(([key]) => !(key in typed)));
  const gearhead = motor ? motor.gearhead : gearheadOf(draft);
  const read = partSchema.safeParse({
    ...(draft.before ? keptOf(draft.before) : { id: 'new' }),
    kind: draft.kind,
    name: draft.name,
    state: draft.state,
    note: draft.note,
    ...(draft.whence === 'unsaid' ? {} : { whence: draft.whence }),
    ...(gearhead ? { gearhead } : {}),
    ...chosenOf(draft),
    ...figures,
    ...typed,
    ...(Object.keys(guessed).length > 0 ? { guessed } : {}),
  });
  if (read.success) return { ok: true, part: read.data };
  const titles = new Map(fieldsOfDraft(draft).map(({ key, title }) => [key, title]));
  const problems = problemsOf(read.error).map(({ path, message }) =>
    path === 'name' ? 'Name: give it one.' : `${titles.get(path) ?? path}: ${message}`,
  );
  return { ok: false, problems };
}

/** What is chosen, as the part holds it; what nobody said is left away. */
const chosenOf = ({ kind, choices }: PartDraft): Record<string, string | boolean> =>
  Object.fromEntries(
    partChoices(kind, choices.type).flatMap(({ key, of }) => {
      const value = choices[key] ?? '';
      return value === '' ? [] : [[key, of ? value : value === 'yes'] as const];
    }),
  );

/** What a gearhead lets through where nobody says (common practice, no source). */
const USUAL_GEARHEAD = 0.8;

function gearheadOf({ kind, gear: { ratio, efficiency, torque } }: PartDraft) {
  if (kind !== 'motor' || !ratio) return undefined;
  return {
    ratio: ratio.value,
    efficiency: efficiency?.value ?? USUAL_GEARHEAD,
    ...(torque ? { ratedTorqueNm: torque.value } : {}),
  };
}

/** What a form does not ask stays as it was. */
const keptOf = ({ id, ...part }: Part): object => ({
  id,
  ...(part.arrivesOn === undefined ? {} : { arrivesOn: part.arrivesOn }),
});
