import type { FallbackProps } from 'react-error-boundary';
import { Message } from '../common/Message.tsx';

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
