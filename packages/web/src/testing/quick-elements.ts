import * as React from 'react';

/**
 * React in development notes with every element where it was made, for the traces of its warnings: over a quarter of the
 * time of a page's tests. It leaves off by itself after so many in a row; here it takes them as made.
 */
const internals = (React as Record<string, unknown>)[
  '__CLIENT_INTERNALS_DO_NOT_USE_OR_WARN_USERS_THEY_CANNOT_UPGRADE'
] as { recentlyCreatedOwnerStacks?: number } | undefined;

if (internals && 'recentlyCreatedOwnerStacks' in internals)
  Object.defineProperty(internals, 'recentlyCreatedOwnerStacks', {
    get: () => Number.MAX_SAFE_INTEGER,
    set(_: number) {
      // It counts on, and begins anew each second: not here.
    },
  });
