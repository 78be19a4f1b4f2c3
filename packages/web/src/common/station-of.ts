import { MENDED_AT, type Block } from '@zubric/core/judge';
import type { StationPath } from './stations.ts';

/** Where a block of the strip is mended. */
export const stationOf = (block: Block): StationPath => MENDED_AT[block];
