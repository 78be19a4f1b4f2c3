import type { Notice } from '../contract/index.ts';
import type { Figure } from '../quantity/index.ts';
import type { LinkId } from './links.ts';

/** How bad a finding is, the worst first. */
export const SEVERITIES = ['stop', 'short', 'tight', 'note'] as const;
export type Severity = (typeof SEVERITIES)[number];

/** What a finding that is no margin is about, so that moves can end it. */
export type Cure =
  | { readonly kind: 'stage'; readonly stageId: string }
  | { readonly kind: 'fit'; readonly elementId: string }
  | { readonly kind: 'tension'; readonly stageId: string }
  | { readonly kind: 'release' }
  | { readonly kind: 'brake' }
  | { readonly kind: 'command'; readonly share: number }
  | { readonly kind: 'interlock'; readonly driveId: string }
  | { readonly kind: 'fuse'; readonly suitsA: number }
  | { readonly kind: 'stand'; readonly dutyId: string };

/**
 * Every kind of finding by its code, and the names of the figures that its sentence needs. Each file of findings adds
 * those that it finds, beside the rule that finds them; `say/` has a sentence for each.
 */
export interface FindingFigures {
  /** A margin under its rule, or just over it. */
  margin: 'needs' | 'has' | 'ratio' | 'rule';
}
/** The codes that findings have. */
export type FindingCode = keyof FindingFigures;

/** Which part of the build a finding is about, where it is about one. */
export interface FindingAbout {
  readonly stageId?: string;
  readonly elementId?: string;
  readonly axleId?: string;
  readonly railId?: string;
  /** Which drive, where it is one’s. */
  readonly driveId?: string;
  readonly link: LinkId | null;
  readonly dutyId: string | null;
}

/** A finding of one kind: data, and no word of it. */
export interface FindingOf<Code extends FindingCode> extends FindingAbout {
  /** What it is, and of which stage, axle or duty: the same as long as that stands, whatever its figures. */
  readonly id: string;
  readonly code: Code;
  /** `stop` is only what fails or can hurt. */
  readonly severity: Severity;
  readonly figures: Readonly<Record<FindingFigures[Code], Figure>>;
  /** What a calculator says, where the finding passes that on. */
  readonly notice?: Notice;
  /** What it is of, where that is no part of the build: a limit by its title. */
  readonly title?: string;
  /** What kinds of change would end it, where it is no margin. */
  readonly cures: readonly Cure[];
  /** What follows from it, said in its place. */
  readonly within?: readonly Finding[];
}

/** What a build's judge finds. */
export type Finding = { [Code in FindingCode]: FindingOf<Code> }[FindingCode];

type Figures<Code extends FindingCode> = FindingOf<Code>['figures'];
type Rest = Partial<FindingAbout> &
  Pick<Partial<FindingOf<'margin'>>, 'notice' | 'title' | 'cures' | 'within'>;

/** A finding of no duty and no link unless they are given; `of` tells several of one code apart. */
export const found = <Code extends FindingCode>(
  code: Code,
  severity: Severity,
  figures: Figures<Code>,
  { of, ...rest }: Rest & { readonly of?: string } = {},
): Finding =>
  ({
    id: of === undefined ? code : `${code}/${of}`,
    code,
    severity,
    link: null,
    dutyId: null,
    figures,
    cures: [],
    ...rest,
  }) as FindingOf<Code> as Finding;

/**
 * What the finding of a margin is known by.
 *
 * @example marginId('grip') // 'margin/grip'
 */
export const marginId = (link: LinkId): string => `margin/${link}`;
