/** What a vehicle is about as large as: itself, without load or rider. Common practice, no source. */
const MEMBERS = {
  palm: {
    title: 'fits in a palm',
    massKg: 0.25,
    wheelM: 0.032,
    people: 'nobody',
    tyre: 'solid-rubber',
    ground: 'smooth-floor',
  },
  desk: {
    title: 'stands on a desk',
    massKg: 1.5,
    wheelM: 0.065,
    people: 'nobody',
    tyre: 'solid-rubber',
    ground: 'smooth-floor',
  },
  toy: {
    title: 'as a large toy car',
    massKg: 6,
    wheelM: 0.12,
    people: 'nobody',
    tyre: 'soft-foam',
    ground: 'asphalt',
  },
  barrow: {
    title: 'as a wheelbarrow',
    massKg: 40,
    wheelM: 0.32,
    people: 'beside',
    tyre: 'pneumatic',
    ground: 'dry-concrete',
  },
  child: {
    title: 'carries a child',
    massKg: 22,
    wheelM: 0.25,
    people: 'riding',
    tyre: 'pneumatic',
    ground: 'asphalt',
  },
  grown: {
    title: 'carries a grown-up',
    massKg: 65,
    wheelM: 0.38,
    people: 'riding',
    tyre: 'pneumatic',
    ground: 'asphalt',
  },
} as const;

export type SizeClass = keyof typeof MEMBERS;
/** All sizes to begin with. */
export const SIZE_CLASSES = Object.keys(MEMBERS) as [SizeClass, ...SizeClass[]];
/**
 * A size to begin with, from what fits in a palm to what carries a grown-up.
 *
 * @example sizeClass('palm').title // 'fits in a palm'
 */
export const sizeClass = (id: SizeClass): (typeof MEMBERS)[SizeClass] => MEMBERS[id];

const BY_MASS = (['palm', 'desk', 'toy', 'barrow', 'grown'] as const).map((id) => MEMBERS[id]);

/** Read off the classes at a place between two of them, by their logarithms; beyond the ends by the last two. */
function along(x: number, of: 'massKg' | 'wheelM', to: 'massKg' | 'wheelM'): number {
  const at = Math.max(
    1,
    BY_MASS.findIndex((row) => row[of] >= x) === -1
      ? BY_MASS.length - 1
      : BY_MASS.findIndex((row) => row[of] >= x),
  );
  const [low, high] = [BY_MASS[at - 1] ?? MEMBERS.palm, BY_MASS[at] ?? MEMBERS.grown];
  const share = Math.log(x / low[of]) / Math.log(high[of] / low[of]);
  return low[to] * (high[to] / low[to]) ** share;
}

/** The wheel that a vehicle of a mass usually has, metres. */
export const wheelOfMass = (massKg: number): number => along(massKg, 'massKg', 'wheelM');
/** The mass that a vehicle on wheels of a diameter usually has, kg. */
export const massOfWheel = (wheelM: number): number => along(wheelM, 'wheelM', 'massKg');
/** The class whose mass is nearest: what ground and tyres such a one has. */
export const classOfMass = (massKg: number): (typeof MEMBERS)[SizeClass] =>
  BY_MASS.reduce((near, row) =>
    Math.abs(Math.log(row.massKg / massKg)) < Math.abs(Math.log(near.massKg / massKg)) ? row : near,
  );
