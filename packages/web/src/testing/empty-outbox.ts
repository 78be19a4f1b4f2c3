import { letGo, unsentNow } from '../offline/outbox.ts';

/** What a test recorded and could not send is not the next one's. */
export async function emptyOutbox(): Promise<void> {
  for (const { id } of unsentNow()) await letGo(id);
}
