import type { BuildLine, BuildPlace } from '@zubric/core/answers';

/** A list of builds that lie in one place. */
export interface Shelf {
  readonly place: BuildPlace;
  readonly title: string;
  readonly empty: string;
  /** What is said of a build that was put there. */
  readonly done: string;
}

export const SHELVES: Readonly<Record<BuildPlace, Shelf>> = {
  bench: {
    place: 'bench',
    title: 'On the bench',
    empty: 'No build yet. Begin the first one above.',
    done: 'is back on the bench',
  },
  archive: {
    place: 'archive',
    title: 'Set aside',
    empty: 'Nothing is set aside. Builds that are finished can rest here.',
    done: 'is set aside',
  },
  bin: {
    place: 'bin',
    title: 'Thrown away',
    empty: 'Nothing was thrown away. What is can be had back from here.',
    done: 'was thrown away',
  },
};

/** The builds that have words in their name or purpose. */
export const wantedOf = (builds: readonly BuildLine[], words: string): BuildLine[] =>
  builds.filter((build) =>
    `${build.name} ${'problem' in build ? '' : build.purpose}`
      .toLowerCase()
      .includes(words.trim().toLowerCase()),
  );

/** "Puffin, copy", "Puffin, copy 2": a name that no build here has. */
export function copyName(name: string, builds: readonly BuildLine[]): string {
  const taken = new Set(builds.map((build) => build.name));
  const stem = `${name.slice(0, 105)}, copy`;
  let n = 1;
  while (taken.has(n === 1 ? stem : `${stem} ${n}`)) n++;
  return n === 1 ? stem : `${stem} ${n}`;
}
