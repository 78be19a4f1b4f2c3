import type { ChildProcess } from 'node:child_process';
import AxeBuilder from '@axe-core/playwright';
import { test as base, expect, type Page } from '@playwright/test';
import { startServer, stopServer } from '../scripts/lib/application.mjs';
import { freePort, throwAwayCluster, type ThrowAwayCluster } from '../scripts/lib/cluster.mjs';

/** The application as a builder runs it: real server, real database, built interface. */
export interface Application {
  readonly url: string;
  /** Where devices reach it, once it is opened to them. */
  readonly network: string;
  /** The same under a name, as over a network without TLS: the browser trusts it less. */
  readonly insecure: string;
  start(): Promise<void>;
  /** `kill` gives it no chance to finish anything. */
  stop(how?: 'stop' | 'kill'): Promise<void>;
  /** The database under it, which can be taken away for a while. */
  readonly database: Pick<ThrowAwayCluster, 'pause' | 'resume'>;
}

const NETWORK = '127.0.0.2';
export const INSECURE_NAME = 'bench.test';

/** An application on a database; `web` is another folder with the built interface. */
export async function makeApplication(database: ThrowAwayCluster, web?: string): Promise<Application> {
  const port = await freePort();
  let server: ChildProcess | undefined;
  return {
    url: `http://127.0.0.1:${port}`,
    network: `http://${NETWORK}:${port}`,
    insecure: `http://${INSECURE_NAME}:${port}`,
    database,
    async start() {
      server = await startServer('.', {
        ...{ databaseUrl: database.url, port, log: 'test-results/server.log' },
        ...{ network: NETWORK, hosts: `${INSECURE_NAME}:${port}`, web },
      });
    },
    async stop(how = 'stop') {
      if (server) await stopServer(server, how === 'kill' ? 'SIGKILL' : 'SIGTERM');
    },
  };
}

interface Workers {
  readonly application: Application;
}

interface Tests {
  /** A page on the running application, watched for errors of its own. */
  readonly bench: Page;
}

export const test = base.extend<Tests, Workers>({
  application: [
    // oxlint-disable-next-line no-empty-pattern -- Playwright asks for a pattern here.
    async ({}, use) => {
      const cluster = await throwAwayCluster();
      const application = await makeApplication(cluster);
      await application.start();
      await use(application);
      await application.stop();
      await cluster.stop();
    },
    { scope: 'worker', timeout: 120_000 },
  ],
  bench: async ({ application, browser }, use) => {
    const context = await browser.newContext({
      baseURL: application.url,
      viewport: { width: 1280, height: 800 },
    });
    const page = await context.newPage();
    const errors: string[] = [];
    page.on('pageerror', (error) => errors.push(error.message));
    page.on('console', (message) => {
      // A server that a test stops is told by the browser too; the page's own errors are what counts.
      if (message.type() === 'error' && !/Failed to load resource|net::ERR/.test(message.text()))
        errors.push(message.text());
    });
    await use(page);
    await context.close();
    expect(errors).toEqual([]);
  },
});

export { expect };

/** A build made by a door of the server: its id. */
async function made(page: Page, door: string, body: object): Promise<string> {
  await page.goto('/builds');
  return page.evaluate(
    async ([path, text]) => {
      const answer = await fetch(path, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: text,
      });
      return ((await answer.json()) as { id: string }).id;
    },
    [door, JSON.stringify(body)] as const,
  );
}

/** A build with a name, of a template that the server knows, opened at its Brief: where how it begins is not what is tried. */
export async function begin(page: Page, name: string, template = 'blank'): Promise<void> {
  await page.goto(`/builds/${await made(page, '/api/builds', { name, template })}/brief`);
}

/** A copy of a build of the demo, for a test that leaves something in it: its id. Tests of other files have the demo too. */
export const copyOf = (page: Page, id: string, name: string): Promise<string> =>
  made(page, `/api/builds/${id}/copies`, { name });

/** Waits until the header says that everything is saved. */
export const saved = (page: Page) => expect(page.getByRole('banner').getByRole('status')).toHaveText('saved');

/** What axe has against a page, best practice included; or against its contrast alone, for a second theme. */
export async function complaints(page: Page, what: 'all' | 'contrast' = 'all'): Promise<string[]> {
  // A line that stays over a scrolled page covers parts of it: looked at from the top, as it is opened.
  await page.evaluate(() => window.scrollTo(0, 0));
  const runOnly =
    what === 'contrast' ? ['color-contrast'] : ['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa', 'best-practice'];
  // In the page itself, as no view has frames, and without a list of all that passes: half the time.
  const { violations } = await new AxeBuilder({ page })
    .setLegacyMode(true)
    .options({ runOnly, resultTypes: ['violations'] })
    .analyze();
  return violations.map((v) => `${v.id}: ${v.nodes.map((n) => n.target.join(' ')).join(', ')}`);
}

/** Values and choices that are wider than the field they stand in, and words that their box does not show whole. */
export const cutValues = (page: Page): Promise<string[]> =>
  page.evaluate(() => {
    const ARROW = 22;
    const pen = document.createElement('canvas').getContext('2d');
    if (!pen) throw new Error('this browser draws nothing');
    const isShown = (element: Element): boolean => element.checkVisibility() && element.clientWidth > 4;
    const roomOf = (element: Element, style: CSSStyleDeclaration): number =>
      element.clientWidth - parseFloat(style.paddingLeft) - parseFloat(style.paddingRight);
    const cut: string[] = [];
    for (const field of document.querySelectorAll<HTMLInputElement | HTMLSelectElement>(
      'input:is([type=text], :not([type])), select',
    )) {
      const style = getComputedStyle(field);
      const isChoice = field instanceof HTMLSelectElement;
      const shown = isChoice ? (field.selectedOptions[0]?.text ?? '') : field.value;
      pen.font = style.font;
      const room = roomOf(field, style) - (isChoice ? ARROW : 0);
      if (isShown(field) && pen.measureText(shown).width > room + 1) cut.push(shown);
    }
    for (const box of document.querySelectorAll('main *, [data-block] *')) {
      const { overflowX } = getComputedStyle(box);
      const hides = (overflowX === 'hidden' || overflowX === 'clip') && !box.closest('svg, .sr-only');
      if (
        hides &&
        isShown(box) &&
        !box.matches('input, select, textarea') &&
        box.scrollWidth > box.clientWidth + 1
      )
        cut.push(box.textContent.trim());
    }
    return cut;
  });
