import { nanoid } from 'nanoid';

const LENGTH = 16;

/** An id made here, so that what is sent twice is kept once. A page without TLS can make one too. */
export const newId = (): string => nanoid(LENGTH);
