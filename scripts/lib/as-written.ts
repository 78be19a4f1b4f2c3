import { readFileSync } from 'node:fs';
import { format, type FormatOptions } from 'oxfmt';

/** A page as it stands on the disk once it is formatted. */
export async function asWritten(file: string, text: string): Promise<string> {
  const options = JSON.parse(readFileSync('.oxfmtrc.json', 'utf8')) as FormatOptions;
  return (await format(file, text, options)).code;
}
