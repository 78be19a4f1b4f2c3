import { z } from 'zod';

/** An item of a list of the build: told apart by its id, called by its name. */
export const id = z.string().min(1).max(40);
/** What something is called. */
export const name = z.string().trim().min(1, 'give it a name').max(120).meta({ title: 'Name' });
