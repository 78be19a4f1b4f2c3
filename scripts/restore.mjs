/**
 * `npm run restore -- FILE`: brings back everything from a copy. Zubric must be stopped; what was there is set aside
 * first and can be had back.
 */
import { existsSync, readdirSync, renameSync, rmdirSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { checkNode, ensureDebian, ensurePackages, giveUp, postgresFolders } from './lib/setup.mjs';
import { ownFolder, setAside, stateFolder, takeLock } from './lib/state.mjs';

process.umask(0o077);
const [, , name] = process.argv;
if (!name) giveUp('Say which copy is to be brought back: npm run restore -- FILE');
const file = resolve(process.env.INIT_CWD ?? '.', name);
if (!existsSync(file)) giveUp(`There is no file ${file}.`);
if (process.env.ZUBRIC_DATABASE_URL)
  giveUp(
    'ZUBRIC_DATABASE_URL names a database of your own: bring the copy back with its own pg_restore, into an empty database.',
  );
checkNode();
ensureDebian(['postgresql']);
ensurePackages();
const { bringBack, isCopy } = await import('./lib/copies.mjs');
const { homeOf, startCluster } = await import('./lib/cluster.mjs');

const [newest] = postgresFolders();
if (!(await isCopy({ bin: newest.bin, file })))
  giveUp(`${file} is no copy that can be brought back, or one of a newer PostgreSQL. Nothing was changed.`);

const STATE = ownFolder(stateFolder());
const taken = takeLock(STATE, console.log);
if (!taken.lock)
  giveUp('Zubric is running from this folder: stop it first (Ctrl-C), then bring the copy back.');

// The copy is brought into a cluster of its own, which takes its place only when it is whole.
const place = homeOf(join(STATE, 'postgres'));
const fresh = homeOf(join(STATE, 'postgres.restoring'));
const halfDone = () => {
  if (readdirSync(fresh).length > 0)
    console.log(setAside(fresh, 'A copy that was half brought back was found'));
};
try {
  halfDone();
  const cluster = await startCluster(join(STATE, 'postgres.restoring'));
  try {
    await bringBack({ bin: cluster.bin, databaseUrl: cluster.url, file });
  } finally {
    await cluster.stop();
  }
  if (readdirSync(place).length > 0) console.log(setAside(place, 'What was kept here until now was moved'));
  else rmdirSync(place);
  renameSync(fresh, place);
  console.log(`Everything is back as it was in ${file}. Start Zubric with: npm start`);
} catch (error) {
  halfDone();
  giveUp(`The copy could not be brought back; what was kept here is as it was.\n${error.message}`);
} finally {
  taken.lock.release();
}
