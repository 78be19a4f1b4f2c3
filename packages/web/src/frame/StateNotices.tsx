import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api } from '../common/api.ts';

const LOOK_EVERY_MS = 30_000;
const MEGABYTE = 2 ** 20;

const useInstallation = () =>
  useQuery({ queryKey: ['state'], queryFn: api.state, refetchInterval: LOOK_EVERY_MS }).data;

/** Room that runs out on the disk, told before it has. */
function DiskNotice() {
  const disk = useInstallation()?.disk;
  if (!disk?.low) return null;
  const left = `${Math.round(disk.freeBytes / MEGABYTE)} MB`;
  return disk.full ? (
    <p role="alert" className="mb-3 border border-short bg-short-lo px-4 py-2">
      The disk is full ({left} left): nothing can be saved until there is room. What you type is kept in this
      browser.
    </p>
  ) : (
    <p role="status" className="mb-3 border border-edge bg-field px-4 py-2">
      The disk is nearly full: {left} left. Make room before it is.
    </p>
  );
}

/** What was seen in this window. */
const SEEN = 'zubric-notices-seen';
const seenBefore = (): readonly string[] => JSON.parse(sessionStorage.getItem(SEEN) ?? '[]') as string[];

/** What happened to the installation, at its start and since, until it is seen. */
function Notices() {
  const notices = useInstallation()?.notices ?? [];
  const [seen, setSeen] = useState(seenBefore);
  const unseen = notices.filter((notice) => !seen.includes(notice));
  if (unseen.length === 0) return null;
  const see = (): void => {
    sessionStorage.setItem(SEEN, JSON.stringify(notices));
    setSeen(notices);
  };
  return (
    <div role="status" className="my-3 flex items-start gap-3 border border-edge bg-field px-4 py-2">
      <ul className="min-w-0 flex-1">
        {unseen.map((notice) => (
          <li key={notice} className="break-words">
            {notice}
          </li>
        ))}
      </ul>
      <button type="button" className="push push-small" onClick={see}>
        Seen
      </button>
    </div>
  );
}

/** What a builder must know of the installation, on whatever page. */
export const StateNotices = () => (
  <>
    <DiskNotice />
    <Notices />
  </>
);
