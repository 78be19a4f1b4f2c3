import { PART_KINDS, partChoices, partFields, type PartChoice, type PartField } from '../vehicle/index.ts';

/** Columns that every part has, beside its figures. */
const COMMON = ['id', 'kind', 'name', 'state', 'whence', 'arrivesOn', 'note'] as const;
/** What else some kind of part is chosen of. */
export const CHOICES: ReadonlyMap<string, PartChoice> = new Map(
  PART_KINDS.flatMap((kind) => partChoices(kind).map((choice) => [choice.key, choice] as const)),
);
/** A gearhead that is one with its motor. */
export const GEARHEAD = ['gearhead.ratio', 'gearhead.efficiency', 'gearhead.ratedTorqueNm'] as const;
/** Heads how far off a figure may be. */
export const GUESSED = 'guessed.';

/** Figures of parts, by their keys. */
export const FIGURES: ReadonlyMap<string, PartField> = new Map(
  PART_KINDS.flatMap((kind) => partFields(kind).map((field) => [field.key, field] as const)),
);
/** Every key that a column may be of. */
export const COLUMNS: readonly string[] = [...COMMON, ...CHOICES.keys(), ...FIGURES.keys(), ...GEARHEAD];

/** The same with what each is called. */
export const PART_COLUMNS: readonly { readonly key: string; readonly title: string }[] = COLUMNS.map(
  (key) => ({
    key,
    title: FIGURES.get(key)?.title ?? CHOICES.get(key)?.title ?? key,
  }),
);
