import { useGuidance } from './guidance.ts';
import { KEYS } from '../common/keys.ts';
import { Panel } from '../common/Panel.tsx';

/** Every key, and the way back to the guidance that was put away. */
export function KeysList({ onClose }: { readonly onClose: () => void }) {
  const { putAway, showAll } = useGuidance();
  return (
    <Panel title="Keys" onClose={onClose}>
      <dl className="grid grid-cols-[max-content_1fr] gap-x-5 gap-y-1.5">
        {KEYS.map(({ keys, what }) => (
          <div key={keys} className="col-span-2 grid grid-cols-subgrid">
            <dt className="font-semibold">{keys}</dt>
            <dd>{what}</dd>
          </div>
        ))}
      </dl>
      <div className="mt-4 flex gap-3">
        <button type="button" className="push push-main" onClick={onClose}>
          Close
        </button>
        {putAway.length > 0 && (
          <button
            type="button"
            className="push"
            onClick={() => {
              showAll();
              onClose();
            }}
          >
            Show the guidance again
          </button>
        )}
      </div>
    </Panel>
  );
}
