import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/react';
import { Ellipsis } from 'lucide-react';
import type { BuildLine, BuildPlace } from '@zubric/core/answers';

/** What can be done with a build from the list. */
export interface BuildActions {
  readonly copy: (build: BuildLine) => void;
  /** Several, named and numbered. */
  readonly copies: (build: BuildLine) => void;
  readonly takeOut: (build: BuildLine) => void;
  /** With its logbook, photographs, snapshots and trials. */
  readonly takeOutWhole: (build: BuildLine) => void;
  /** As it is kept, where it cannot be opened; and a mended file in its place. */
  readonly takeOutAsKept: (build: BuildLine) => void;
  readonly mend: (build: BuildLine) => void;
  readonly put: (build: BuildLine, place: BuildPlace) => void;
}

interface Props {
  readonly build: BuildLine;
  readonly place: BuildPlace;
  readonly actions: BuildActions;
}

const MOVES: Readonly<Record<BuildPlace, readonly { readonly to: BuildPlace; readonly title: string }[]>> = {
  bench: [
    { to: 'archive', title: 'Set aside' },
    { to: 'bin', title: 'Throw away' },
  ],
  archive: [
    { to: 'bench', title: 'Back on the bench' },
    { to: 'bin', title: 'Throw away' },
  ],
  bin: [{ to: 'bench', title: 'Back on the bench' }],
};

export function BuildMenu({ build, place, actions }: Props) {
  const ofJudged = [
    { title: 'Make a copy', run: () => actions.copy(build) },
    { title: 'Copies for groups …', run: () => actions.copies(build) },
    { title: 'Take out as a file', run: () => actions.takeOut(build) },
    { title: 'Take out with its logbook', run: () => actions.takeOutWhole(build) },
  ];
  const ofBroken = [
    { title: 'Take out as it is kept', run: () => actions.takeOutAsKept(build) },
    { title: 'Put a mended file in its place', run: () => actions.mend(build) },
  ];
  const items = [
    ...(place === 'bin' ? [] : 'problem' in build ? ofBroken : ofJudged),
    ...MOVES[place].map(({ to, title }) => ({ title, run: () => actions.put(build, to) })),
  ];
  return (
    <Menu>
      <MenuButton className="border border-line p-1.5 hover:bg-mech-lo" aria-label={`More for ${build.name}`}>
        <Ellipsis size={18} aria-hidden />
      </MenuButton>
      <MenuItems anchor="bottom end" className="z-30 border border-ink bg-sheet py-1 text-ink">
        {items.map(({ title, run }) => (
          <MenuItem key={title}>
            <button
              type="button"
              className="block w-full px-4 py-1.5 text-left data-focus:bg-mech-lo"
              onClick={run}
            >
              {title}
            </button>
          </MenuItem>
        ))}
      </MenuItems>
    </Menu>
  );
}
