import type { ReactNode } from 'react';
import type { FallbackProps } from 'react-error-boundary';
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
    </main>
  );
}

export const NotFoundPage = () => (
  <main id="main">
    <Message
      title="There is nothing at this address"
      text="It may have been typed wrong, or what stood here was moved."
    />
  </main>
);

/** What is shown where a page itself failed. Edits are kept by the browser until the server has them. */
export function ErrorPage({ error }: Pick<FallbackProps, 'error'>) {
  const reason = error instanceof Error ? error.message : 'No reason was given.';
  return (
    <main id="main">
      <Message
        title="This page failed"
        text={`Your edits are kept. Load the page again; if it fails again, this is what to report: ${reason}`}
        retry={() => window.location.reload()}
      />
    </main>
  );
}
