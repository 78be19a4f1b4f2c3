import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api } from '../common/api.ts';

const LOOK_EVERY_MS = 30_000;
const MEGABYTE = 2 ** 20;

const useInstallation = () =>
  useQuery({ queryKey: ['state'], queryFn: api.state, refetchInterval: LOOK_EVERY_MS }).data;

/** Room that runs out on the disk, told before it has. */
export function DiskNotice() {
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

/** What happened at the start of the installation, until it is seen. */
export function StartNotices() {
  const notices = useInstallation()?.notices ?? [];
  const [seen, setSeen] = useState(false);
  if (notices.length === 0 || seen) return null;
  return (
    <div role="status" className="mt-3 flex items-start gap-3 border border-edge bg-field px-4 py-2">
      <ul className="min-w-0">
        {notices.map((notice) => (
          <li key={notice} className="break-words">
            {notice}
          </li>
        ))}
      </ul>
      <button type="button" className="push push-small" onClick={() => setSeen(true)}>
        Seen
      </button>
    </div>
  );
}
