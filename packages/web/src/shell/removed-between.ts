import type { Build } from '@zubric/core/vehicle';

type Named = Readonly<Record<string, unknown>>;

/** Everything in a document that has an id, by where it is, with what it is called. */
function itemsOf(x: unknown, at = '', items = new Map<string, string>()): Map<string, string> {
  if (Array.isArray(x)) {
    for (const item of x as unknown[]) {
      const { id, name, kind } = (item ?? {}) as Named;
      const place = typeof id === 'string' ? `${at}/${id}` : at;
      const called = name ?? kind;
      // What only points at a part is chosen, not made.
      if (typeof id === 'string' && typeof called === 'string') items.set(place, called);
      itemsOf(item, place, items);
    }
  } else if (typeof x === 'object' && x !== null) {
    for (const [key, child] of Object.entries(x)) itemsOf(child, `${at}.${key}`, items);
  }
  return items;
}

/** What was in one build and is not in the next; what hung on it goes without saying. */
export function removedBetween(before: Build, after: Build): string | undefined {
  // Parts come and go with what is chosen, axles with the layout: that is no loss.
  const { parts: _before, layout: stood, ...was } = before;
  const { parts: _after, layout: stands, ...is } = after;
  const axles = stood.kind === stands.kind ? removedFrom({ layout: stood }, { layout: stands }) : undefined;
  return axles ?? removedFrom(was, is);
}

function removedFrom(was: unknown, is: unknown): string | undefined {
  const now = itemsOf(is);
  for (const [place, name] of itemsOf(was)) if (!now.has(place)) return name;
  return undefined;
}
