import type { Door } from './door.ts';
import { DOORS } from './doors.ts';

const MARK = /(<!-- doors -->\n)[^]*?(<!-- \/doors -->)/;

const row = ({ method, path, says, file, ownMachine }: Door): string =>
  `| \`${method.toUpperCase()} /api${path}\` | ${says}${ownMachine ? '; this machine only' : ''} | \`${file}\` |`;

/**
 * docs/api.md with its table of doors as it is now.
 *
 * @param page as it stands
 */
export const doorsPage = (page: string): string =>
  page.replace(
    MARK,
    (_, open: string, close: string) =>
      `${open}\n| door | what | file |\n| --- | --- | --- |\n${DOORS.map(row).join('\n')}\n\n${close}`,
  );
