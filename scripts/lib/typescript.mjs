/**
 * `node --import ./scripts/lib/typescript.mjs`: Node takes TypeScript itself, each name bound straight to what it names. A
 * runner of tests that takes modules one by one looks a name up at every use: sums that loop took half as long again.
 * Not by tsx, as the server is started: that marks every function with its name when it is made, which costs as much.
 */
import { register } from 'node:module';

register('./typescript-hooks.mjs', import.meta.url);
process.setSourceMapsEnabled(true);
