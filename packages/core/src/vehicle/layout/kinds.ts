/** How many motors share a way to the ground: each wheel its own, a side, an axle, or one for all. */
export const DRIVEN_TOGETHER = ['wheel', 'side', 'axle', 'all'] as const;
export type DrivenTogether = (typeof DRIVEN_TOGETHER)[number];

/** How a layout changes its direction. */
export type Turning = 'pivot' | 'scrub' | 'tracks' | 'steered' | 'lean' | 'swivel' | 'none';

interface LayoutKindDefinition {
  readonly title: string;
  readonly turning: Turning;
  /** What a rider or a controller keeps from falling over; `both` for a sphere. */
  readonly balanced: 'none' | 'along' | 'across' | 'both';
  /** What a driveline may serve, the usual first. */
  readonly together: readonly [DrivenTogether, ...DrivenTogether[]];
  /** Whether it can turn without going along. */
  readonly onTheSpot: boolean;
  /** A rope pulls it, or its load; no driven wheel does. */
  readonly pullsByRope?: true;
  /** Rails hold it: nothing slides or tips across. */
  readonly onRails?: true;
  readonly onTracks?: true;
  /** What drives it climbs inside. */
  readonly rollsInside?: true;
}

/** What a kind of layout is able to, and how it is called: what others ask of it, so that none knows it by name. */
export interface LayoutAbilities extends Omit<
  LayoutKindDefinition,
  'pullsByRope' | 'onRails' | 'onTracks' | 'rollsInside'
> {
  readonly pullsByRope: boolean;
  readonly onRails: boolean;
  readonly onTracks: boolean;
  readonly rollsInside: boolean;
  /** It is steered by the wheels of an axle. */
  readonly steersAxle: boolean;
  /** A controller keeps it from falling over forwards and backwards. */
  readonly balances: boolean;
  /** It is ridden like a bicycle. */
  readonly leans: boolean;
  /** Each of its wheels is steered by itself. */
  readonly swivels: boolean;
  /** Whether one wheel of a driven pair may be left undriven. */
  readonly mayDriveOneOfPair: boolean;
}

/** Every kind of layout, with what follows from it. */
export const LAYOUT_KINDS = {
  'two-driven': {
    title: 'two driven wheels',
    turning: 'pivot',
    balanced: 'none',
    together: ['wheel'],
    onTheSpot: true,
  },
  skid: {
    title: 'fixed wheels, skid-steered',
    turning: 'scrub',
    balanced: 'none',
    together: ['side', 'wheel'],
    onTheSpot: true,
  },
  tracked: {
    title: 'tracks',
    turning: 'tracks',
    balanced: 'none',
    together: ['side'],
    onTheSpot: true,
    onTracks: true,
  },
  steered: {
    title: 'steered axle',
    turning: 'steered',
    balanced: 'none',
    together: ['axle', 'wheel', 'all'],
    onTheSpot: false,
  },
  'single-track': {
    title: 'two wheels in line',
    turning: 'lean',
    balanced: 'across',
    together: ['wheel', 'all'],
    onTheSpot: false,
  },
  balancer: {
    title: 'two-wheeled balancer',
    turning: 'pivot',
    balanced: 'along',
    together: ['wheel'],
    onTheSpot: true,
  },
  modules: {
    title: 'modules, each steered and driven',
    turning: 'swivel',
    balanced: 'none',
    together: ['wheel'],
    onTheSpot: true,
  },
  'rail-dolly': {
    title: 'dolly on a rail',
    turning: 'none',
    balanced: 'none',
    together: ['axle', 'wheel', 'all'],
    onTheSpot: false,
    onRails: true,
  },
  winch: {
    title: 'winch',
    turning: 'none',
    balanced: 'none',
    together: ['all'],
    onTheSpot: false,
    pullsByRope: true,
  },
  sphere: {
    title: 'sphere with an inner drive',
    turning: 'none',
    balanced: 'both',
    together: ['all'],
    onTheSpot: false,
    rollsInside: true,
  },
} as const satisfies Record<string, LayoutKindDefinition>;

export type LayoutKind = keyof typeof LAYOUT_KINDS;
/** All kinds of layouts. */
export const LAYOUT_KIND_NAMES = Object.keys(LAYOUT_KINDS) as [LayoutKind, ...LayoutKind[]];

const abilitiesOf = (kind: LayoutKindDefinition): LayoutAbilities => ({
  pullsByRope: false,
  onRails: false,
  onTracks: false,
  rollsInside: false,
  ...kind,
  steersAxle: kind.turning === 'steered',
  balances: kind.balanced === 'along',
  leans: kind.turning === 'lean',
  swivels: kind.turning === 'swivel',
  mayDriveOneOfPair: ['pivot', 'scrub', 'steered'].includes(kind.turning) && kind.balanced === 'none',
});

const ABILITIES = Object.fromEntries(
  Object.entries(LAYOUT_KINDS).map(([kind, definition]) => [kind, abilitiesOf(definition)]),
) as Readonly<Record<LayoutKind, LayoutAbilities>>;

/**
 * What a kind of layout can: how it turns, what keeps it up, what its drive may serve.
 *
 * @example layoutKind('tracked').turning // 'tracks'
 */
export const layoutKind = (kind: LayoutKind): LayoutAbilities => ABILITIES[kind];
