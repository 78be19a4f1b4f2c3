export const ROOT: string;
export function postgresFolders(): { readonly version: number; readonly bin: string }[];
