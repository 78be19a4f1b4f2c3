/** Somewhere one can go. */
export interface Destination {
  readonly kind: 'station' | 'build' | 'finding' | 'page' | 'part' | 'sum' | 'word';
  readonly title: string;
  readonly more: string;
  /** What else it is found by, not shown. */
  readonly also?: string;
  readonly to: string;
}

const words = (text: string): string[] =>
  text
    .toLowerCase()
    .split(/\s+/)
    .filter((word) => word !== '');

/** How well a place answers: 0 its title begins so, 1 its title has all words, 2 they are beside it, 3 elsewhere; none if one is not. */
function rank(place: Destination, wanted: readonly string[]): number | undefined {
  const title = place.title.toLowerCase();
  const shown = `${title} ${place.more.toLowerCase()} ${place.kind}`;
  if (!wanted.every((word) => shown.includes(word))) {
    const all = `${shown} ${place.also ?? ''}`;
    return wanted.every((word) => all.includes(word)) ? 3 : undefined;
  }
  if (title.startsWith(wanted.join(' '))) return 0;
  return wanted.every((word) => title.includes(word)) ? 1 : 2;
}

/** The places that have all these words, the nearest first; all of them where nothing is asked. */
export function matching(places: readonly Destination[], text: string): Destination[] {
  const wanted = words(text);
  return places
    .flatMap((place, at) => {
      const found = rank(place, wanted);
      return found === undefined ? [] : [{ place, found, at }];
    })
    .sort((a, b) => a.found - b.found || a.at - b.at)
    .map(({ place }) => place);
}
