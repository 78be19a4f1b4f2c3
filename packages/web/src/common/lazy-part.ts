import { lazy, type ComponentType, type LazyExoticComponent } from 'react';

/** Between two times that a piece is asked for, ms. */
const AGAIN_MS = 2000;

/** A piece of the application, asked for until it comes: while the server is away, only what needs it waits. */
export async function fetched<T>(load: () => Promise<T>): Promise<T> {
  for (;;) {
    try {
      return await load();
    } catch {
      await new Promise((resolve) => setTimeout(resolve, AGAIN_MS));
    }
  }
}

/**
 * A part of a page that is fetched when it is first drawn. Where it cannot be had, its place stays as it is while it
 * waits, and nothing else of the page is lost with it.
 */
export const lazyPart = <P extends object>(
  load: () => Promise<ComponentType<P>>,
): LazyExoticComponent<ComponentType<P>> => lazy(async () => ({ default: await fetched(load) }));
