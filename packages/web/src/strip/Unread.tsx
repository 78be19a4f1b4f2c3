import { useUnread } from '../session/BuildSession.tsx';

/** Entries that cannot be read, each with what stands there; what nothing shows any more can be let go. */
export function Unread() {
  const { unread, markUnread } = useUnread();
  return (
    <div role="status" className="border-y border-line bg-short-lo px-4 py-1 text-[14px]">
      {unread.size === 1 ? 'One entry cannot be read' : `${unread.size} entries cannot be read`}: these
      figures stand at the last readable value.
      <ul className="inline">
        {[...unread].map(([field, text]) => (
          <li key={field} className="ml-3 inline">
            {field}: “{text}”{' '}
            <button
              type="button"
              className="push push-plain py-0 text-[14px]"
              onClick={() => markUnread(field, undefined)}
            >
              Let it go
            </button>
          </li>
        ))}
      </ul>
    </div>
  );
}
