/** `npm run backup -- FILE`: everything that is kept, in one file, while it runs or stopped. */
import { existsSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { checkNode, ensurePackages, giveUp, postgresFolders } from './lib/setup.mjs';
import { ownFolder, stateFolder, takeLock, whatRuns } from './lib/state.mjs';

// Only this user reads what is written here.
process.umask(0o077);
const [, , name] = process.argv;
if (!name) giveUp('Say where the copy is to be: npm run backup -- FILE');
const file = resolve(process.env.INIT_CWD ?? '.', name);
if (existsSync(file)) giveUp(`${file} is there already: name another file, nothing is written over.`);
checkNode();
ensurePackages();
const { copyTo } = await import('./lib/copies.mjs');
const { startCluster } = await import('./lib/cluster.mjs');

const STATE = stateFolder();

async function copyOf(databaseUrl, bin) {
  await copyTo({ bin, databaseUrl, file });
  console.log(`Everything is copied into ${file}`);
}

const own = process.env.ZUBRIC_DATABASE_URL || undefined;
const running = whatRuns(STATE);
try {
  if (own ?? running?.database) {
    const [newest] = postgresFolders();
    if (!newest) giveUp('pg_dump is not on this machine: it comes with the postgresql package.');
    await copyOf(own ?? running.database, newest.bin);
  } else {
    if (running)
      giveUp('Zubric is just starting from this folder: try again when it has printed its address.');
    if (!existsSync(join(STATE, 'postgres'))) giveUp(`Nothing is kept in ${STATE} yet.`);
    const taken = takeLock(ownFolder(STATE), console.log);
    if (!taken.lock) giveUp('Zubric is just starting from this folder: try again in a moment.');
    const cluster = await startCluster(join(STATE, 'postgres'));
    try {
      await copyOf(cluster.url, cluster.bin);
    } finally {
      await cluster.stop();
      taken.lock.release();
    }
  }
} catch (error) {
  giveUp(`The copy could not be made: ${error.message}`);
}
