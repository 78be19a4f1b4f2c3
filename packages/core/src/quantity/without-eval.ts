import { z } from 'zod';

/** Zod may make code at run time for speed; a strict content security policy allows none. Imported before any schema. */
z.config({ jitless: true });
