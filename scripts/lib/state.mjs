/** The folder in which all of an installation stands: one start at a time in it, and nothing in it is ever erased. */
import { randomBytes } from 'node:crypto';
import {
  chmodSync,
  linkSync,
  lstatSync,
  mkdirSync,
  readFileSync,
  renameSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import { basename, join } from 'node:path';
import { ROOT } from './setup.mjs';

/** Where builds, logbook, copies and log stand, unless ZUBRIC_STATE says otherwise. */
export const stateFolder = () => process.env.ZUBRIC_STATE ?? join(ROOT, '.zubric');

/** Only this user: folders 0700, files 0600. */
const OWN_FOLDER = 0o700;
const OWN_FILE = 0o600;

/** Makes a folder that only this user can enter. */
export function ownFolder(folder) {
  mkdirSync(folder, { recursive: true, mode: OWN_FOLDER });
  chmodSync(folder, OWN_FOLDER);
  return folder;
}

const kindOf = (path) => {
  try {
    const found = lstatSync(path);
    return found.isFile() ? 'file' : found.isDirectory() ? 'folder' : 'other';
  } catch (error) {
    if (error.code === 'ENOENT') return undefined;
    throw error;
  }
};

const dated = () => new Date().toISOString().slice(0, 19).replaceAll(':', '-');

/**
 * Moves what cannot be used out of the way, under its own name with the date, and gives the sentence that tells it.
 *
 * @param {string} path
 * @param {string} why begins a sentence: "The lock of a start could not be read"
 */
export function setAside(path, why) {
  const to = `${path}-set-aside-${dated()}-${randomBytes(2).toString('hex')}`;
  renameSync(path, to);
  return `${why}. Nothing was erased: it stands as ${basename(to)} beside its old place.`;
}

/** Writes a file whole or not at all; only this user can read it. */
export function writeWhole(path, text) {
  const half = `${path}.${process.pid}-${randomBytes(3).toString('hex')}`;
  writeFileSync(half, text, { mode: OWN_FILE, flush: true });
  renameSync(half, path);
}

/** When a process began, in the kernel's ticks: a process number alone may be another's by now. */
function beganAt(pid) {
  try {
    const stat = readFileSync(`/proc/${pid}/stat`, 'utf8');
    // The name of the command stands in brackets and may hold blanks.
    return stat.slice(stat.lastIndexOf(')') + 2).split(' ')[19];
  } catch {
    return undefined;
  }
}

const LOCK = 'running.json';

function readLock(path) {
  try {
    const text = readFileSync(path, 'utf8');
    const held = JSON.parse(text);
    return Number.isInteger(held?.pid) ? { text, held } : { text };
  } catch (error) {
    if (error.code !== undefined && error.code !== 'EISDIR') return undefined;
    return { text: readFileSync(path, 'utf8') };
  }
}

/** Whether the process that wrote a lock still lives. */
const isHeld = ({ pid, began }) => {
  const now = beganAt(pid);
  return now !== undefined && (began === undefined || began === now);
};

/**
 * Takes the lock of a state folder, or gives what holds it. Atomic: of any number of starts at once one has it. What a
 * dead start left is taken over; what is no lock is set aside and told.
 *
 * @returns {{ lock: { update: (more: object) => void, release: () => void } } | { heldBy: object }}
 */
export function takeLock(folder, told) {
  const path = join(folder, LOCK);
  const mine = { pid: process.pid, began: beganAt(process.pid) };
  const prepared = `${path}.${process.pid}`;
  writeFileSync(prepared, JSON.stringify(mine), { mode: OWN_FILE });
  try {
    for (;;) {
      try {
        linkSync(prepared, path);
        return { lock: ownLock(path, mine) };
      } catch (error) {
        if (error.code !== 'EEXIST') throw error;
      }
      if (kindOf(path) !== 'file') {
        if (kindOf(path) !== undefined) told(setAside(path, `There was no file where ${LOCK} stands`));
        continue;
      }
      const found = readLock(path);
      if (found?.held && isHeld(found.held)) return { heldBy: found.held };
      if (found) clearLock(path, found, told);
    }
  } finally {
    rmSync(prepared, { force: true });
  }
}

/** Takes a dead lock away, but only that one: another start may have put its own there meanwhile. */
function clearLock(path, { text, held }, told) {
  const away = `${path}.old-${process.pid}`;
  try {
    renameSync(path, away);
  } catch (error) {
    if (error.code === 'ENOENT') return;
    throw error;
  }
  if (readFileSync(away, 'utf8') !== text) {
    linkSync(away, path);
    rmSync(away);
  } else if (held) rmSync(away);
  else told(setAside(away, `${LOCK} could not be read`));
}

const ownLock = (path, mine) => ({
  update: (more) => writeWhole(path, JSON.stringify({ ...mine, ...more })),
  release: () => {
    if (readLock(path)?.held?.pid === process.pid) rmSync(path, { force: true });
  },
});

/** What runs from a state folder now, if anything does. */
export function whatRuns(folder) {
  const found = readLock(join(folder, LOCK));
  return found?.held && isHeld(found.held) ? found.held : undefined;
}

/** The secret of an installation: whoever can read this file may use it. Made once. */
export function tokenFile(folder) {
  const path = join(folder, 'token');
  if (kindOf(path) !== 'file' || !/^[0-9a-f]{48}\s*$/.test(readFileSync(path, 'utf8')))
    writeWhole(path, `${randomBytes(24).toString('hex')}\n`);
  chmodSync(path, OWN_FILE);
  return path;
}
