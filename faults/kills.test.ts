/** kill -9 in the midst of saves: of the server, of the database, of the start itself; and a database that hangs. */
import { setTimeout as pause } from 'node:timers/promises';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { install, newFolder, saving, until, type Installation } from './installation.ts';

const FULL = process.env.ZUBRIC_FAULTS === 'full';
const KILLS = FULL ? 8 : 2;

describe('killed in the midst of saves', () => {
  let zubric: Installation;
  beforeAll(async () => {
    zubric = await install(newFolder());
  });
  afterAll(async () => {
    await zubric.stop();
    zubric.remove();
  });

  /** Saves go on while something is killed a number of times: every confirmed one is kept. */
  async function through(kill: () => Promise<void> | void): Promise<void> {
    const saves = saving(zubric);
    await saves.begin();
    const running = saves.run();
    for (let n = 0; n < KILLS; n++) {
      const before = saves.confirmed();
      await until(() => {
        if (saves.confirmed() < before + 10) throw new Error(`only ${saves.confirmed()} saves`);
      });
      await kill();
    }
    const after = saves.confirmed();
    // It goes on by itself.
    await until(() => {
      if (saves.confirmed() < after + 10) throw new Error(`${saves.confirmed()} saves, ${zubric.said()}`);
    }, 90_000);
    saves.end();
    await running;
    const kept = await saves.kept();
    // One save a version; a save whose answer was lost may have been taken beside the confirmed ones.
    expect(kept.version).toBeGreaterThanOrEqual(1 + saves.confirmed());
    expect(kept.version).toBeLessThanOrEqual(1 + saves.confirmed() + saves.refused());
    expect(Number(kept.purpose.split(' ')[1])).toBeGreaterThanOrEqual(Number(kept.last.split(' ')[1]));
    expect(saves.confirmed()).toBeGreaterThanOrEqual(10 * (KILLS + 1));
  }

  /** What the application tells of it. */
  const told = async (): Promise<string> => (await zubric.ask('/state')).text();

  it('the server: it is started again, and every confirmed save is kept', async () => {
    await through(() => {
      process.kill(zubric.running().server, 'SIGKILL');
    });
    expect(zubric.said()).toContain('The server stopped. It is started again');
    expect(zubric.said()).toContain('The server runs again.');
    expect(await told()).toContain('The server had stopped and runs again since');
  });

  it('the database: it is started again, and every confirmed save is kept', async () => {
    await through(() => {
      process.kill(zubric.databasePid(), 'SIGKILL');
    });
    expect(zubric.said()).toContain('The database runs again.');
    expect(await told()).toContain('The database had stopped and runs again since');
  });

  it('the start with all that it keeps: another start finds everything, and says nothing is in its way', async () => {
    await through(async () => {
      const gone = new Promise((resolve) => zubric.child().once('exit', resolve));
      zubric.child().kill('SIGKILL');
      await gone;
      await zubric.again();
    });
    expect(zubric.said()).not.toContain('set-aside');
  });

  it('a database that hangs: a 503 with a time to come again within seconds, and it goes on after', async () => {
    const pid = zubric.databasePid();
    // Its helpers hang with it.
    const { execFileSync } = await import('node:child_process');
    const helpers = execFileSync('pgrep', ['-P', String(pid)], { encoding: 'utf8' })
      .split('\n')
      .filter((line) => line !== '')
      .map(Number);
    for (const each of [pid, ...helpers]) process.kill(each, 'SIGSTOP');
    try {
      const began = performance.now();
      const answer = await zubric.ask('/builds');
      expect(answer.status).toBe(503);
      expect(answer.headers.get('retry-after')).toBe('2');
      expect(answer.headers.get('content-type')).toContain('application/problem+json');
      expect(performance.now() - began).toBeLessThan(25_000);
    } finally {
      for (const each of [pid, ...helpers]) process.kill(each, 'SIGCONT');
    }
    await pause(500);
    await zubric.serves();
  });
});
