import { readFileSync } from 'node:fs';
import type { Devices, PairingCode } from '@zubric/core/answers';
import { QueryClientProvider } from '@tanstack/react-query';
import { fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import jsQR from 'jsqr';
import { MemoryRouter, Route, Routes } from 'react-router';
import { describe, expect, it, vi } from 'vitest';
import { makeQueryClient } from '../common/query-client.ts';
import { UnitsProvider } from '../common/units.tsx';
import { codePicture } from './code-picture.ts';
import { DevicesPage } from './DevicesPage.tsx';
import { PairPage } from './PairPage.tsx';

const OWN = { own: true, id: '', name: '', role: 'everything' };
const LINK = 'http://192.0.2.5:4817/pair#7K3WQ9ZH';

/** A server with a door, devices and codes, as far as the pages see it. */
function server(start: Devices) {
  let state = start;
  const asked: string[] = [];
  vi.stubGlobal('fetch', (path: string, { method = 'GET', body }: RequestInit = {}) => {
    const sent = typeof body === 'string' ? (JSON.parse(body) as Record<string, unknown>) : {};
    asked.push(`${method} ${path}${typeof body === 'string' ? ` ${body}` : ''}`);
    const answer = (json: unknown, status = 200) =>
      Promise.resolve(new Response(status === 204 ? null : JSON.stringify(json), { status }));
    if (path === '/api/me') return answer(OWN);
    if (path === '/api/devices') return answer(state);
    if (path === '/api/devices/door') {
      state = {
        ...state,
        door: {
          ...state.door,
          open: sent.open === true,
          addresses: sent.open === true ? ['192.0.2.5:4817'] : [],
        },
      };
      return answer(undefined, 204);
    }
    if (path === '/api/devices/codes')
      return answer({
        code: '7K3WQ9ZH',
        role: sent.role as 'record',
        expiresAt: new Date(Date.now() + 120_000).toISOString(),
        links: [LINK, 'http://198.51.100.4:4817/pair#7K3WQ9ZH'],
      } satisfies PairingCode);
    if (path === '/api/pair')
      return sent.code === '7K3WQ9ZH'
        ? answer({ own: false, id: 'd', name: sent.name, role: 'record' }, 201)
        : answer({ title: 'This is not the code. Look at the screen again.' }, 403);
    if (method === 'DELETE') {
      state = { ...state, devices: state.devices.filter(({ id }) => !path.endsWith(id)) };
      return answer(undefined, 204);
    }
    return answer(undefined, 204);
  });
  return {
    asked,
    comes: (device: Devices['devices'][number]) =>
      (state = { ...state, devices: [...state.devices, device] }),
  };
}

const CLOSED: Devices = { door: { open: false, addresses: [], secure: null }, devices: [], attempts: [] };
const device = (name: string): Devices['devices'][number] => ({
  ...{ id: name.toLowerCase(), name, role: 'record' },
  ...{ createdAt: '2026-12-01T10:00:00.000Z', seenAt: '2026-12-01T10:05:00.000Z' },
});

const show = (address: string): void =>
  void render(
    <QueryClientProvider client={makeQueryClient()}>
      <MemoryRouter initialEntries={[address]}>
        <UnitsProvider>
          <Routes>
            <Route path="/devices" element={<DevicesPage />} />
            <Route path="/pair" element={<PairPage />} />
            <Route path="/builds" element={<h1>Builds</h1>} />
          </Routes>
        </UnitsProvider>
      </MemoryRouter>
    </QueryClientProvider>,
  );

describe('letting a phone in', () => {
  it('opens the way, shows a code as a picture and in letters, and says who came', async () => {
    const { asked, comes } = server(CLOSED);
    show('/devices');
    expect(await screen.findByText(/Closed: only this machine reaches it/)).toBeDefined();
    fireEvent.click(screen.getByRole('button', { name: 'Let a phone in' }));
    expect(await screen.findByRole('img', { name: `Code to scan: opens ${LINK}` })).toBeDefined();
    expect(asked).toContain('PUT /api/devices/door {"open":true}');
    expect(asked).toContain('POST /api/devices/codes {"role":"record"}');
    expect(screen.getByText('7K3W Q9ZH')).toBeDefined();
    expect(screen.getByRole('timer').textContent).toMatch(/for (2:00|1:5\d) more/);
    fireEvent.click(screen.getByRole('button', { name: 'Another address' }));
    expect(screen.getByRole('img', { name: /198\.51\.100\.4/ })).toBeDefined();
    comes(device('Group 3'));
    expect(await screen.findByText(/is in: it may record/, {}, { timeout: 5000 })).toBeDefined();
    expect(screen.queryByRole('img', { name: /Code to scan/ })).toBeNull();
  });

  it('says plainly that the network is not encrypted, and where to read on', async () => {
    server(CLOSED);
    show('/devices');
    expect((await screen.findByText(/nothing is encrypted/)).textContent).toMatch(
      /behind TLS, as docs\/operating\.md/,
    );
    expect(readFileSync('docs/operating.md', 'utf8')).toMatch(/TLS/);
  });

  it('gives names and roles, sends away once that is meant, and lists what was tried', async () => {
    const { asked } = server({
      door: { open: true, addresses: ['192.0.2.5:4817'], secure: 'https://zubric.club.example' },
      devices: [device('Anna'), device('Ben')],
      attempts: [{ at: '2026-12-01T10:00:00.000Z', address: '192.0.2.9', outcome: 'too-many', name: 'x' }],
    });
    show('/devices');
    fireEvent.change(await screen.findByLabelText('What Anna may do'), { target: { value: 'everything' } });
    await waitFor(() => expect(asked).toContain('PUT /api/devices/anna {"name":"Anna","role":"everything"}'));
    expect(
      screen.getByText(/2 devices may come in. Behind TLS it is at https:\/\/zubric.club.example/),
    ).toBeDefined();
    expect(screen.getByText(/from 192\.0\.2\.9: not looked at: too many wrong codes/)).toBeDefined();
    const row = screen.getByLabelText('Name of Ben').closest('tr') as HTMLElement;
    fireEvent.click(within(row).getByRole('button', { name: 'Send away' }));
    expect(asked.some((line) => line.startsWith('DELETE'))).toBe(false);
    fireEvent.click(within(row).getByRole('button', { name: 'Send Ben away' }));
    await waitFor(() => expect(screen.queryByLabelText('Name of Ben')).toBeNull());
    fireEvent.click(screen.getByRole('button', { name: 'Close it' }));
    await waitFor(() => expect(asked).toContain('PUT /api/devices/door {"open":false}'));
  });
});

describe('coming in', () => {
  it('takes the code of the address, asks for a name, and says what the device may', async () => {
    const { asked } = server(CLOSED);
    show('/pair#7K3WQ9ZH');
    fireEvent.click(screen.getByRole('button', { name: 'Come in' }));
    expect((await screen.findByRole('alert')).textContent).toBe('Give the device a name.');
    expect(asked).toEqual([]);
    fireEvent.change(screen.getByLabelText(/What is this device called/), { target: { value: 'Group 3' } });
    fireEvent.click(screen.getByRole('button', { name: 'Come in' }));
    expect(await screen.findByRole('heading', { name: 'Group 3 is in' })).toBeDefined();
    expect(screen.getByText(/It marks steps, records trials, notes and photographs/)).toBeDefined();
    fireEvent.click(screen.getByRole('button', { name: 'To the builds' }));
    expect(screen.getByRole('heading', { name: 'Builds' })).toBeDefined();
  });

  it('tells a wrong code, and keeps what was typed', async () => {
    server(CLOSED);
    show('/pair');
    fireEvent.change(screen.getByLabelText(/What is this device called/), { target: { value: 'Ben' } });
    fireEvent.change(screen.getByLabelText(/Code, as the bench shows it/), { target: { value: 'nearly' } });
    fireEvent.click(screen.getByRole('button', { name: 'Come in' }));
    expect((await screen.findByRole('alert')).textContent).toMatch(/This is not the code/);
    expect(screen.getByLabelText<HTMLInputElement>(/What is this device called/).value).toBe('Ben');
  });
});

describe('the picture of a code', () => {
  /** Drawn as a screen draws the path, so many dots a square. */
  function dots({ size, path }: ReturnType<typeof codePicture>, scale: number): Uint8ClampedArray {
    const side = size * scale;
    const picture = new Uint8ClampedArray(side * side * 4).fill(255);
    for (const [, x = '', y = ''] of path.matchAll(/M(\d+) (\d+)h1v1h-1z/g))
      for (let dy = 0; dy < scale; dy++)
        for (let dx = 0; dx < scale; dx++) {
          const at = 4 * ((Number(y) * scale + dy) * side + Number(x) * scale + dx);
          picture.fill(0, at, at + 3);
        }
    return picture;
  }

  it.each([LINK, 'https://zubric.a-club-with-a-rather-long-name.example/pair#7K3WQ9ZH'])(
    'of %s is read by another library',
    (text) => {
      const picture = codePicture(text);
      const scale = 4;
      const read = jsQR(dots(picture, scale), picture.size * scale, picture.size * scale);
      expect(read?.data).toBe(text);
      // The standard asks for a border of four light squares (ISO/IEC 18004, from memory).
      expect(picture.path).not.toMatch(/M([0-3]) |M\d+ ([0-3])h/);
    },
  );
});
