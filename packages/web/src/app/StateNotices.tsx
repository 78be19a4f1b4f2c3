import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api } from './api.ts';

const LOOK_EVERY_MS = 30_000;
const MEGABYTE = 2 ** 20;

/** What a builder must know of the installation: room that runs out, and what happened at its start. */
export function StateNotices() {
  const { data } = useQuery({ queryKey: ['state'], queryFn: api.state, refetchInterval: LOOK_EVERY_MS });
  const [read, setRead] = useState(false);
  if (!data) return null;
  const { disk, notices } = data;
  const left = disk ? `${Math.round(disk.freeBytes / MEGABYTE)} MB` : '';
  return (
    <>
      {disk?.full ? (
        <p role="alert" className="mt-3 border border-short bg-short-lo px-4 py-2">
          The disk is full ({left} left): nothing can be saved until there is room. What you type is kept in
          this browser.
        </p>
      ) : (
        disk?.low && (
          <p role="status" className="mt-3 border border-edge bg-field px-4 py-2">
            The disk is nearly full: {left} left. Make room before it is.
          </p>
        )
      )}
      {notices.length > 0 && !read && (
        <div role="status" className="mt-3 flex items-start gap-3 border border-edge bg-field px-4 py-2">
          <ul className="min-w-0">
            {notices.map((notice) => (
              <li key={notice} className="break-words">
                {notice}
              </li>
            ))}
          </ul>
          <button type="button" className="push push-small" onClick={() => setRead(true)}>
            Seen
          </button>
        </div>
      )}
    </>
  );
}
