import { useState } from 'react';
import { sayMoment } from '../common/days.ts';
import { Panel } from '../common/Panel.tsx';
import { letGo, sendAgain, type Unsent as UnsentItem } from './outbox.ts';
import { useUnsent } from './use-outbox.ts';

const WORDS: Readonly<Record<UnsentItem['kind'], string>> = {
  step: 'A step marked',
  set: 'A set of trials begun',
  run: 'A run recorded',
  'run-removed': 'A run taken out',
  note: 'A note',
  photo: 'A photograph',
};

/** How much of what was recorded on this device the server does not have yet; opened it says what. */
export function UnsentList() {
  const unsent = useUnsent();
  const [open, setOpen] = useState(false);
  if (unsent.length === 0) return null;
  const refused = unsent.filter((item) => item.refused !== undefined).length;
  return (
    <>
      <button
        type="button"
        className="bg-short px-2 py-0.5 text-[14px] font-semibold text-sheet"
        onClick={() => setOpen(true)}
      >
        {refused > 0 ? `${refused} cannot be sent` : `${unsent.length} not sent yet`}
      </button>
      {open && (
        <Panel title="Recorded here, and not sent yet" onClose={() => setOpen(false)}>
          <p>
            They are kept on this device and sent by themselves, in this order, when the server answers again.
          </p>
          <ul className="mt-2 divide-y divide-line">
            {unsent.map((item) => (
              <li key={item.id} className="py-1.5">
                {WORDS[item.kind]}, {sayMoment(new Date(item.at).toISOString())}
                {item.refused !== undefined && (
                  <span className="block text-short">
                    The server will not have it: {item.refused}{' '}
                    <button type="button" className="push push-small" onClick={() => void letGo(item.id)}>
                      Let it go
                    </button>
                  </span>
                )}
              </li>
            ))}
          </ul>
          <button type="button" className="push mt-3" onClick={() => void sendAgain()}>
            Send now
          </button>
        </Panel>
      )}
    </>
  );
}
