import type { Company } from '@zubric/core/answers';
import { newBuild, type Build } from '@zubric/core/vehicle';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { MemoryRouter } from 'react-router';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { answering, Refusal } from '../testing/answers.ts';
import { UnitsProvider } from '../common/units.tsx';
import { BuildSession, useBuild } from './BuildSession.tsx';
import { useTakenOver, useToldOfChanges } from './company.ts';

const gull = newBuild('Gull');
const company = (version: number, records = 'a'): Company => ({ others: [], version, records, lock: null });

function Bench({ told }: { readonly told: Company }) {
  const { build, edit } = useBuild();
  useTakenOver(told);
  return (
    <>
      <output>{build.purpose}</output>
      <button type="button" onClick={() => edit((b: Build) => ({ ...b, purpose: 'mine' }))}>
        edit
      </button>
    </>
  );
}

/** A page that is told of the company again and again. */
function open(first: Company) {
  const queries = new QueryClient();
  const page = (told: Company) => (
    <QueryClientProvider client={queries}>
      <MemoryRouter>
        <UnitsProvider>
          <BuildSession stored={{ id: 'b', version: 1, updatedAt: '2026-12-01T10:00:00Z', document: gull }}>
            <Bench told={told} />
          </BuildSession>
        </UnitsProvider>
      </MemoryRouter>
    </QueryClientProvider>
  );
  const { rerender } = render(page(first));
  return { queries, tell: (told: Company) => rerender(page(told)) };
}

const theirs = {
  id: 'b',
  version: 2,
  updatedAt: '2026-12-01T10:00:05Z',
  document: { ...gull, purpose: 'theirs' },
};
const shown = () => screen.getByRole('status').textContent;

describe('what others save meanwhile', () => {
  it('is taken over where nothing is unsaved here', async () => {
    const asked = answering({ 'GET /api/builds/b': () => theirs });
    const { tell } = open(company(1));
    expect(asked).toEqual([]);
    tell(company(2));
    await waitFor(() => expect(shown()).toBe('theirs'));
    tell(company(2));
    expect(asked).toHaveLength(1);
  });

  it('is left where something is unsaved', async () => {
    const asked = answering({ 'GET /api/builds/b': () => theirs });
    const { tell } = open(company(1));
    fireEvent.click(screen.getByRole('button', { name: 'edit' }));
    tell(company(2));
    await act(() => Promise.resolve());
    expect(shown()).toBe('mine');
    expect(asked.filter(({ method }) => method === 'GET')).toEqual([]);
  });

  it('is asked for again where it could not be had', async () => {
    vi.useFakeTimers({ shouldAdvanceTime: true });
    let away = true;
    answering({ 'GET /api/builds/b': () => (away ? new Refusal(503, 'away') : theirs) });
    const { tell } = open(company(1));
    tell(company(2));
    await act(() => vi.advanceTimersByTimeAsync(1000));
    expect(shown()).toBe('');
    away = false;
    await act(() => vi.advanceTimersByTimeAsync(6000));
    expect(shown()).toBe('theirs');
  });

  it('in records is read again where they changed, and not at the first look', () => {
    answering({});
    const { queries, tell } = open(company(1, 'a'));
    const again = vi.spyOn(queries, 'invalidateQueries');
    tell(company(1, 'a'));
    expect(again).not.toHaveBeenCalled();
    tell(company(1, 'b'));
    expect(again.mock.calls.map(([filters]) => filters?.queryKey?.[0])).toEqual([
      'trial-sets',
      'log',
      'snapshots',
    ]);
  });
});

/** Streams that the page has open, as the browser would hold them. */
class Stream {
  static open: Stream[] = [];
  readonly heard = new Map<string, () => void>();
  readonly address: string;
  constructor(address: string) {
    this.address = address;
    Stream.open.push(this);
  }
  addEventListener(name: string, hears: () => void) {
    this.heard.set(name, hears);
  }
  close() {
    Stream.open = Stream.open.filter((one) => one !== this);
  }
}

describe('being told of changes', () => {
  const look = (state: 'visible' | 'hidden') => {
    vi.spyOn(document, 'visibilityState', 'get').mockReturnValue(state);
    document.dispatchEvent(new Event('visibilitychange'));
  };
  afterEach(() => {
    Stream.open = [];
  });

  it('asks at once, holds one stream while it is looked at, and none else', () => {
    vi.stubGlobal('EventSource', Stream);
    const queries = new QueryClient();
    const asked = vi.spyOn(queries, 'invalidateQueries');
    function Page() {
      useToldOfChanges('b 1');
      return null;
    }
    const { unmount } = render(
      <QueryClientProvider client={queries}>
        <Page />
      </QueryClientProvider>,
    );
    expect(Stream.open.map(({ address }) => address)).toEqual(['/api/builds/b%201/changes']);
    Stream.open[0]?.heard.get('changed')?.();
    expect(asked).toHaveBeenCalledWith({ queryKey: ['company', 'b 1'] });
    look('hidden');
    expect(Stream.open).toEqual([]);
    look('visible');
    expect(Stream.open).toHaveLength(1);
    unmount();
    expect(Stream.open).toEqual([]);
  });
});
