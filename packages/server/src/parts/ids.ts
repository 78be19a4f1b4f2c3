import type { PartKind } from '@zubric/core/vehicle';
import { customAlphabet } from 'nanoid';

const LENGTH = 14;
const letters = customAlphabet('abcdefghijklmnopqrstuvwxyz0123456789', LENGTH);

/** An id for a part that brings none. */
export const newPartId = (kind: PartKind): string => `${kind}-${letters()}`;
