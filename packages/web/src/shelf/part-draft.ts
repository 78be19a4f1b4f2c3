import { NotPhysical } from '@zubric/core/contract';
import { motorFromPrint, printedFrom, type FoundMotor, type PrintedSoFar } from '@zubric/core/motor';
import type { Quantity, Words } from '@zubric/core/quantity';
import {
  partFields,
  partSchema,
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
  readonly choices: Readonly<Record<string, string>>;
  /** The part that is changed; absent where it is a new one. */
  readonly before?: Part;
}

/** What each kind of part is chosen of, beside its figures. */
export const CHOICES: Readonly<Record<PartKind, Readonly<Record<string, string>>>> = {
  motor: { type: 'brushed' },
  driver: { limitsCurrent: 'no' },
  battery: { chemistry: 'lead-acid' },
};

export const newDraft = (kind: PartKind): PartDraft => ({
  kind,
  name: '',
  state: 'on-hand',
  whence: 'unsaid',
  note: '',
  figures: {},
  printed: {},
  choices: CHOICES[kind],
});

/** A part to be changed: what was guessed is empty again. */
export function draftOf(part: Part): PartDraft {
  const values = part as unknown as Readonly<Record<string, unknown>>;
  const figures = partFields(part.kind).flatMap(({ key, quantityOf }) => {
    const figure = values[key];
    return typeof figure === 'number' && part.guessed?.[key] === undefined
      ? [[key, quantityOf(figure)] as const]
      : [];
  });
  const choices = Object.keys(CHOICES[part.kind]).map((key) => {
    const value = values[key];
    return [key, typeof value === 'boolean' ? (value ? 'yes' : 'no') : String(value)] as const;
  });
  return {
    kind: part.kind,
    name: part.name,
    state: part.state,
    whence: part.whence ?? 'unsaid',
    note: part.note,
    figures: Object.fromEntries(figures),
    printed: {},
    choices: Object.fromEntries(choices),
    before: part,
  };
}

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
function figuresOf({ kind, figures }: PartDraft): Record<string, number> {
  return Object.fromEntries(
    partFields(kind).flatMap(({ key, figureOf }) => {
      const quantity = figures[key];
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
  const { chemistry } = draft.choices;
  if (draft.kind !== 'motor') return { usual: usualFigures(draft.kind, typed, chemistry) };
  const printed = printedFrom(draft.printed);
  if (!printed) return { usual: usualFigures('motor', typed) };
  try {
    const motor = motorFromPrint(printed);
    return { motor, usual: usualFigures('motor', { ...typed, ...motor.figures }) };
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
  const choices = Object.fromEntries(
    Object.entries(draft.choices).map(([key, value]) => [
      key,
      value === 'yes' ? true : value === 'no' ? false : value,
    ]),
  );
  const read = partSchema.safeParse({
    ...(draft.before ? keptOf(draft.before) : { id: 'new' }),
    kind: draft.kind,
    name: draft.name,
    state: draft.state,
    note: draft.note,
    ...(draft.whence === 'unsaid' ? {} : { whence: draft.whence }),
    ...(motor?.gearhead ? { gearhead: motor.gearhead } : {}),
    ...choices,
    ...figures,
    ...typed,
    ...(Object.keys(guessed).length > 0 ? { guessed } : {}),
  });
  if (read.success) return { ok: true, part: read.data };
  const titles = new Map(partFields(draft.kind).map(({ key, title }) => [key, title]));
  const problems = problemsOf(read.error).map(({ path, message }) =>
    path === 'name' ? 'Name: give it one.' : `${titles.get(path) ?? path}: ${message}`,
  );
  return { ok: false, problems };
}

/** What a form does not ask stays as it was. */
const keptOf = ({ id, ...part }: Part): object => ({
  id,
  ...(part.arrivesOn === undefined ? {} : { arrivesOn: part.arrivesOn }),
  ...('gearhead' in part && part.gearhead ? { gearhead: part.gearhead } : {}),
});
