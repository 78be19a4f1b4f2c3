export const ROOT: string;
export function postgresFolders(): { readonly version: number; readonly bin: string }[];
/** Builds the interface where what it is made of has changed, and gives the folder that holds it. */
export function ensureWeb(): string;
