import {
  DEVICE_ROLES,
  ROLE_WORDS,
  type DeviceRole,
  type Devices,
  type PairingCode,
} from '@zubric/core/answers';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { api } from '../common/api.ts';
import { Choice } from '../fields/Choice.tsx';
import { codePicture } from './code-picture.ts';

const ROLES = DEVICE_ROLES.map((value) => ({
  value,
  title: `${ROLE_WORDS[value].title}: ${ROLE_WORDS[value].may}`,
}));

interface Props {
  readonly devices: Devices;
}

/** Opens the way in and shows a code for one phone. */
export function LetIn({ devices }: Props) {
  const queries = useQueryClient();
  const [role, setRole] = useState<DeviceRole>('record');
  const [shown, setShown] = useState<PairingCode & { readonly known: readonly string[] }>();
  const letIn = useMutation({
    mutationFn: async () => {
      if (!devices.door.open && devices.door.secure === null) await api.openDoor(true);
      return api.pairingCode(role);
    },
    onSuccess: (code) => setShown({ ...code, known: devices.devices.map(({ id }) => id) }),
    onSettled: () => queries.invalidateQueries({ queryKey: ['devices'] }),
  });
  const came = shown && devices.devices.find(({ id }) => !shown.known.includes(id));
  return (
    <section className="sheet grid content-start gap-3 p-4" aria-labelledby="let-in">
      <h2 id="let-in">Let a phone in</h2>
      <Choice label="What it may do" value={role} options={ROLES} onChange={setRole} />
      <p>
        <button
          type="button"
          className="push push-main"
          disabled={letIn.isPending}
          onClick={() => letIn.mutate()}
        >
          {shown ? 'Show another code' : 'Let a phone in'}
        </button>
      </p>
      {letIn.isError && (
        <p role="alert" className="text-short">
          {letIn.error.message}
        </p>
      )}
      {came ? (
        <p role="status" className="border border-edge bg-field px-3 py-2">
          <b className="font-semibold">{came.name}</b> is in: it may {ROLE_WORDS[came.role].title}.
        </p>
      ) : (
        shown && <Code key={shown.code} code={shown} onOver={() => setShown(undefined)} />
      )}
    </section>
  );
}

const secondsLeft = (expiresAt: string): number =>
  Math.max(0, Math.ceil((Date.parse(expiresAt) - Date.now()) / 1000));

/** The code as a picture and as letters, until its time is over. */
function Code({ code, onOver }: { readonly code: PairingCode; readonly onOver: () => void }) {
  const [left, setLeft] = useState(() => secondsLeft(code.expiresAt));
  const [at, setAt] = useState(0);
  useEffect(() => {
    const timer = setInterval(() => setLeft(secondsLeft(code.expiresAt)), 1000);
    return () => clearInterval(timer);
  }, [code]);
  const link = code.links[at] ?? code.links[0];
  if (link === undefined) return null;
  if (left === 0)
    return (
      <p role="status">
        The time of this code is over.{' '}
        <button type="button" className="push push-small" onClick={onOver}>
          Put it away
        </button>
      </p>
    );
  const { size, path } = codePicture(link);
  return (
    <div className="grid gap-3 sm:grid-cols-[auto_minmax(0,1fr)]">
      <svg
        viewBox={`0 0 ${size} ${size}`}
        className="w-56 max-w-full bg-white"
        role="img"
        aria-label={`Code to scan: opens ${link}`}
        shapeRendering="crispEdges"
      >
        <path d={path} fill="#000" />
      </svg>
      <div className="grid content-start gap-2">
        <p>Point the phone’s camera at the picture, in the same network. It opens this address:</p>
        <p className="font-semibold break-all">{link.split('#')[0]}</p>
        <p>
          Or open it by hand and type{' '}
          <b className="font-narrow text-[22px]">{code.code.replace(/^(.{4})/, '$1 ')}</b>
        </p>
        {code.links.length > 1 && (
          <p>
            This machine has {code.links.length} addresses.{' '}
            <button
              type="button"
              className="push push-small"
              onClick={() => setAt((at + 1) % code.links.length)}
            >
              Another address
            </button>
          </p>
        )}
        <p role="timer">
          It lets one device in, for {Math.floor(left / 60)}:{String(left % 60).padStart(2, '0')} more.
        </p>
      </div>
    </div>
  );
}
