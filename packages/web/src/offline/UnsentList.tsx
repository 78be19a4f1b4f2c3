import { sayMoment } from '../common/days.ts';
import { Panel } from '../common/Panel.tsx';
import { letGo, sendAgain, type Unsent as UnsentItem } from './outbox.ts';

const WORDS: Readonly<Record<UnsentItem['kind'], string>> = {
  step: 'A step marked',
  set: 'A set of trials begun',
  run: 'A run recorded',
  'run-removed': 'A run taken out',
  note: 'A note',
  photo: 'A photograph',
};

interface Props {
  readonly unsent: readonly UnsentItem[];
  readonly onClose: () => void;
}

/** What was recorded on this device and is not sent yet, one by one. */
export const UnsentList = ({ unsent, onClose }: Props) => (
  <Panel title="Recorded here, and not sent yet" onClose={onClose}>
    <p>They are kept on this device and sent by themselves, in this order, when the server answers again.</p>
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
);
