import {
  addDrive,
  DRIVE_KINDS,
  driveOf,
  withoutDrive,
  type Drive,
  type DriveKind,
} from '@zubric/core/vehicle';
import { useState } from 'react';
import { useBuild } from '../session/BuildSession.tsx';
import { DrivePurpose } from './DrivePurpose.tsx';

const DOES: Readonly<Record<Drive['does'], string>> = {
  propels: 'moves it',
  steers: 'steers',
  works: 'works',
};

const KINDS = Object.entries(DRIVE_KINDS) as [DriveKind, string][];

/** Which drive the station is about, what that one is for, and another one. */
export function DriveBar() {
  const { whole, build, edit, lookAtDrive } = useBuild();
  const looked = driveOf(build);
  const [asked, setAsked] = useState(false);
  const [open, setOpen] = useState(false);
  const several = whole.drives.length > 1;
  const add = (kind: DriveKind): void => {
    const { driveId } = addDrive(whole, kind);
    edit((b) => addDrive(b, kind).build);
    lookAtDrive(driveId);
    setAsked(false);
    setOpen(true);
  };
  const propelling = whole.drives.filter(({ does }) => does === 'propels');
  const mayGo = several && (looked.does !== 'propels' || propelling.length > 1);
  return (
    <section aria-label="Drives" className="grid gap-2">
      <div className="flex flex-wrap items-center gap-2">
        {several && (
          <div className="flex flex-wrap gap-1" role="group" aria-label="Drive that is looked at">
            {whole.drives.map(({ id, name, does }) => (
              <button
                key={id}
                type="button"
                aria-pressed={id === looked.id}
                className={`border border-line px-3 py-1 text-[15px] ${id === looked.id ? 'bg-ink text-sheet' : 'bg-sheet hover:bg-mech-lo'}`}
                onClick={() => lookAtDrive(id)}
              >
                <b className="font-semibold">{name}</b>{' '}
                <span className={id === looked.id ? 'text-line' : 'text-soft'}>{DOES[does]}</span>
              </button>
            ))}
          </div>
        )}
        {(several || looked.does !== 'propels') && (
          <button
            type="button"
            className="push push-small"
            aria-expanded={open}
            onClick={() => setOpen((was) => !was)}
          >
            What it is for
          </button>
        )}
        <button
          type="button"
          className="push push-small"
          aria-expanded={asked}
          disabled={whole.drives.length >= 8}
          onClick={() => setAsked((was) => !was)}
        >
          Add a drive
        </button>
      </div>
      {asked && <Kinds onAdd={add} />}
      {open && (several || looked.does !== 'propels') && (
        <DrivePurpose
          {...(mayGo
            ? {
                onRemove: () => {
                  const left = whole.drives.find(({ id }) => id !== looked.id);
                  edit((b) => withoutDrive(b, looked.id));
                  if (left) lookAtDrive(left.id);
                },
              }
            : {})}
        />
      )}
    </section>
  );
}

/** Drives that can be added. */
const Kinds = ({ onAdd }: { readonly onAdd: (kind: DriveKind) => void }) => (
  <ul className="flex flex-wrap gap-2" aria-label="Drives that can be added">
    {KINDS.map(([kind, title]) => (
      <li key={kind}>
        <button type="button" className="push push-small" onClick={() => onAdd(kind)}>
          {title}
        </button>
      </li>
    ))}
  </ul>
);
