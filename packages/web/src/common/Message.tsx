import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { useTitle } from './use-title.ts';

interface MessageProps {
  readonly title: string;
  readonly text: string;
  readonly retry?: () => void;
  readonly children?: ReactNode;
}

/** A page that says what went wrong and where to go on. */
export function Message({ title, text, retry, children }: MessageProps) {
  useTitle(title);
  return (
    <div className="p-10">
      <h1>{title}</h1>
      <p className="mt-2 max-w-[60ch]">{text}</p>
      <div className="mt-4 flex gap-3">
        {retry && (
          <button type="button" className="push push-main" onClick={retry}>
            Try again
          </button>
        )}
        {children}
        <Link to="/builds" className="push inline-flex items-center">
          To the builds
        </Link>
      </div>
    </div>
  );
}

/** Shown to a browser that did not come in by the printed address. */
export function NoKey() {
  useTitle('No key');
  return (
    <main id="main" className="p-10">
      <h1>This browser has no key to the builds here</h1>
      <p className="mt-2 max-w-[60ch]">
        Open the address that “npm start” printed: it ends in a key, and this browser keeps it. “npm start”
        prints it again when it is run a second time.
      </p>
      <p className="mt-2 max-w-[60ch]">
        On a phone: ask whoever sits at that machine to let it in, under “Devices”. What was recorded here and
        is not sent yet stays here until then.
      </p>
    </main>
  );
}
