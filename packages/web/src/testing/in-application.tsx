import type { Company, Me } from '@zubric/core/answers';
import type { Build } from '@zubric/core/vehicle';
import { QueryClientProvider } from '@tanstack/react-query';
import { render } from '@testing-library/react';
import { vi } from 'vitest';
import { makeQueryClient } from '../common/query-client.ts';
import { Router } from '../shell/router.tsx';
import { AHEAD } from '../shell/station-pages.ts';
import { answering, Refusal, type SeenRequest } from './answers.ts';
import { plainBrowser } from './on-page.tsx';
import { workOfTheBench } from './worker-here.ts';

/** The builder at the machine that the builds are on. */
export const AT_HOME: Me = { own: true, id: 'own', name: '', role: 'everything' };

const AT = '2026-11-25T10:00:00Z';

/** What a server that keeps builds in memory answers; what a test says instead goes before it. */
interface Serving {
  readonly builds?: Readonly<Record<string, Build>>;
  readonly me?: Me;
  readonly company?: Partial<Company>;
  readonly doors?: Parameters<typeof answering>[0];
}

function serving({ builds = {}, me = AT_HOME, company = {}, doors = {} }: Serving) {
  const held = new Map(Object.entries(builds).map(([id, document]) => [id, { document, version: 1 }]));
  const stored = (id: string) => {
    const build = held.get(id);
    return build ? { id, ...build, updatedAt: AT } : new Refusal(404, 'There is no such build.');
  };
  const keep = (id: string, document: Build) => {
    const version = (held.get(id)?.version ?? 0) + 1;
    held.set(id, { document, version });
    return { id, version, updatedAt: AT };
  };
  return answering({
    // In this order they are looked through, and what is said last is said.
    ...doors,
    'GET /api/me': () => me,
    'GET /api/state': () => ({ disk: null, notices: [] }),
    'PUT /api/builds/*/company': (_, [id = '']) => ({
      ...{ others: [], records: 'as ever', lock: null, version: held.get(id)?.version ?? 1 },
      ...company,
    }),
    'GET /api/builds\\?place=bench': () => ({
      builds: [...held].map(([id, { document, version }]) => ({
        ...{ id, version, name: document.name, updatedAt: AT, purpose: document.purpose },
        ...{ readyBy: null, massKg: 12, duties: 1, stops: 0, short: 0, tight: 0 },
        ...{ shape: document, next: { text: 'Choose a motor', station: 'power' } },
      })),
    }),
    'POST /api/builds': ({ body }) => {
      const { document } = body as { document: Build };
      keep('made', document);
      return stored('made');
    },
    'GET /api/builds/*': (_, [id = '']) => stored(id),
    'PUT /api/builds/*': ({ body }, [id = '']) => keep(id, body as Build),
    'GET /api/parts': () => ({ parts: [] }),
    'GET /api/builds/*/trial-sets': () => ({ trialSets: [] }),
    'GET /api/builds/*/log': () => ({ entries: [], next: null }),
    'GET /api/builds/*/snapshots': () => ({ snapshots: [] }),
    ...doors,
  });
}

/** The whole application, opened at an address; gives what is asked of the server. */
export function openAt(address: string, server: Serving = {}): SeenRequest[] {
  plainBrowser();
  workOfTheBench();
  // The test browser lays nothing out, so that nothing is out of sight.
  Element.prototype.scrollIntoView ??= () => undefined;
  vi.stubGlobal('scrollTo', () => undefined);
  const asked = serving(server);
  history.replaceState(null, '', address);
  render(
    <QueryClientProvider client={makeQueryClient()}>
      <Router />
    </QueryClientProvider>,
  );
  return asked;
}

/** All that the application fetches ahead is at hand before it is opened: what came later would find no page any more. */
export const atHand = async (): Promise<void> => {
  await Promise.all(AHEAD.map((load) => load()));
};

/** The address that it has come to. */
export const address = (): string => location.pathname + location.search;
