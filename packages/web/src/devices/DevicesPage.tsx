import { DEVICE_ROLES, ROLE_WORDS, type Devices } from '@zubric/core/answers';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { api } from '../common/api.ts';
import { sayMoment } from '../common/days.ts';
import { Sideways } from '../common/Sideways.tsx';
import { useTitle } from '../common/use-title.ts';
import { Choice } from '../fields/Choice.tsx';
import { TextField } from '../fields/TextField.tsx';
import { Caution } from '../findings/Findings.tsx';
import { Header } from '../frame/Header.tsx';
import { LetIn } from './LetIn.tsx';

const LOOK_EVERY_MS = 2000;
const ROLES = DEVICE_ROLES.map((value) => ({ value, title: ROLE_WORDS[value].title }));

/** Who may come in from another device: at the machine that the builds are on. */
export function DevicesPage() {
  useTitle('Devices');
  const devices = useQuery({
    queryKey: ['devices'],
    queryFn: api.devices,
    refetchInterval: LOOK_EVERY_MS,
    staleTime: 0,
  });
  return (
    <>
      <Header />
      <main id="main" className="mx-auto grid max-w-5xl gap-4 px-4 py-5">
        <div>
          <h1>Who may come in from another device?</h1>
          <Answer devices={devices.data} />
        </div>
        {devices.isError && !devices.data && (
          <p role="alert" className="border border-short bg-short-lo px-4 py-3">
            {devices.error.message}
          </p>
        )}
        {devices.data && (
          <div className="grid items-start gap-4 lg:grid-cols-[minmax(0,1fr)_minmax(0,1fr)]">
            <LetIn devices={devices.data} />
            <Network devices={devices.data} />
          </div>
        )}
        {devices.data && <In devices={devices.data} />}
        {devices.data && devices.data.attempts.length > 0 && <Tried devices={devices.data} />}
        <p>
          <Link className="underline" to="/builds">
            Back to the builds
          </Link>
        </p>
      </main>
    </>
  );
}

function Answer({ devices }: { readonly devices: Devices | undefined }) {
  if (!devices) return null;
  const { door, devices: all } = devices;
  const count = all.length === 0 ? 'nobody' : all.length === 1 ? 'one device' : `${all.length} devices`;
  return (
    <p className="mt-0.5 text-[16px] text-soft">
      {door.open
        ? `Open to the local network at ${door.addresses.join(' and ')}: ${count} may come in.`
        : `Closed: only this machine reaches it${all.length > 0 ? `, and ${count} may come in once it is open` : ''}.`}
      {door.secure === null ? '' : ` Behind TLS it is at ${door.secure}.`}
    </p>
  );
}

/** What opening it means, and how to close it. */
function Network({ devices: { door } }: { readonly devices: Devices }) {
  const queries = useQueryClient();
  const turn = useMutation({
    mutationFn: (open: boolean) => api.openDoor(open),
    onSettled: () => queries.invalidateQueries({ queryKey: ['devices'] }),
  });
  return (
    <section className="sheet grid content-start gap-3 p-4" aria-labelledby="network">
      <h2 id="network">The way in</h2>
      <p>
        {door.open
          ? 'Phones in the same network reach it. It stays open over starts, until you close it.'
          : 'It is opened when you let a phone in. Devices that are let in already reach it then, too.'}
      </p>
      <p>
        <button
          type="button"
          className="push"
          disabled={turn.isPending}
          onClick={() => turn.mutate(!door.open)}
        >
          {door.open ? 'Close it' : 'Open it'}
        </button>
      </p>
      {turn.isError && (
        <p role="alert" className="text-short">
          {turn.error.message}
        </p>
      )}
      <Caution>
        Over the local network nothing is encrypted: whoever is in the same network can listen, and take over
        a device that is let in. Use it in a network that you trust, or put it behind TLS, as
        docs/operating.md says; only then can a phone begin without a network, too.
      </Caution>
    </section>
  );
}

/** Every device that may come in. */
function In({ devices: { devices } }: { readonly devices: Devices }) {
  if (devices.length === 0) return null;
  return (
    <section aria-labelledby="let-in-devices">
      <h2 id="let-in-devices">Let in</h2>
      <Sideways label="Devices that were let in">
        <table className="grid-table stacked">
          <thead>
            <tr>
              <th scope="col">Name</th>
              <th scope="col">May</th>
              <th scope="col">Let in</th>
              <th scope="col">Last seen</th>
              <th scope="col">
                <span className="sr-only">Send away</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {devices.map((device) => (
              <DeviceRow key={device.id} device={device} />
            ))}
          </tbody>
        </table>
      </Sideways>
    </section>
  );
}

function DeviceRow({ device }: { readonly device: Devices['devices'][number] }) {
  const queries = useQueryClient();
  const [sure, setSure] = useState(false);
  const again = () => queries.invalidateQueries({ queryKey: ['devices'] });
  const change = useMutation({
    mutationFn: (to: Partial<Pick<typeof device, 'name' | 'role'>>) =>
      api.changeDevice(device.id, { name: device.name, role: device.role, ...to }),
    onSettled: again,
  });
  const sendAway = useMutation({ mutationFn: () => api.sendAway(device.id), onSettled: again });
  const problem = change.error ?? sendAway.error;
  return (
    <tr>
      <th scope="row">
        <TextField
          label={`Name of ${device.name}`}
          hideLabel
          value={device.name}
          required="Give it a name."
          onChange={(name) => change.mutate({ name })}
        />
        {problem && (
          <p role="alert" className="text-short">
            {problem.message}
          </p>
        )}
      </th>
      <td data-title="May">
        <Choice
          label={`What ${device.name} may do`}
          hideLabel
          value={device.role}
          options={ROLES}
          onChange={(role) => change.mutate({ role })}
        />
      </td>
      <td data-title="Let in">{sayMoment(device.createdAt)}</td>
      <td data-title="Last seen">{sayMoment(device.seenAt)}</td>
      <td>
        {sure ? (
          <span className="inline-flex gap-2">
            <button type="button" className="push push-small" onClick={() => sendAway.mutate()}>
              Send {device.name} away
            </button>
            <button type="button" className="push push-small" onClick={() => setSure(false)}>
              Keep it
            </button>
          </span>
        ) : (
          <button type="button" className="push push-small" onClick={() => setSure(true)}>
            Send away
          </button>
        )}
      </td>
    </tr>
  );
}

const OUTCOMES: Readonly<Record<Devices['attempts'][number]['outcome'], string>> = {
  'let-in': 'let in',
  wrong: 'a wrong code',
  used: 'a code that was used before',
  expired: 'a code that was too old',
  'too-many': 'not looked at: too many wrong codes',
};

/** Codes that were shown, the latest first. */
function Tried({ devices: { attempts } }: { readonly devices: Devices }) {
  return (
    <section aria-labelledby="attempts">
      <h2 id="attempts">Codes that were shown</h2>
      <ul className="sheet divide-y divide-line">
        {attempts.map(({ at, address, outcome, name }, n) => (
          <li key={`${at} ${n}`} className={`px-3 py-1.5 ${outcome === 'too-many' ? 'text-short' : ''}`}>
            {sayMoment(at)}: “{name}” from {address}: {OUTCOMES[outcome]}
          </li>
        ))}
      </ul>
    </section>
  );
}
