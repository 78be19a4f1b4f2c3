/** Holds docs/architecture.md against the dependency rules, the folders and the packages that are there. */
import { readFileSync, readdirSync } from 'node:fs';
import { createRequire } from 'node:module';
import { resolve } from 'node:path';
import { calculationsPage } from '../../../scripts/lib/calculations-page.ts';
import { asWritten } from '../../../scripts/lib/as-written.ts';
import { describe, expect, it } from 'vitest';

interface Rule {
  readonly name: string;
  readonly from: { readonly path?: string };
  readonly to: { readonly path?: string | readonly string[] };
}

const page = readFileSync('docs/architecture.md', 'utf8');
const { forbidden } = createRequire(import.meta.url)(resolve('.dependency-cruiser.cjs')) as {
  readonly forbidden: readonly Rule[];
};

/** The rooms in the order of a picture's chain. */
const drawn = (heading: string): readonly string[] => {
  const section = page.slice(page.indexOf(heading));
  const chain = /^ {2}\w+(?: --> \w+){3,}$/m.exec(section);
  if (!chain) throw new Error(`no chain under “${heading}”`);
  return chain[0].trim().split(' --> ');
};

/** The rooms in the order of the rules: each room's rule names those that come after it. */
const ruled = (name: string): readonly string[] => {
  const folder = (path: string): string => /src\/([^/]+)\//.exec(path)?.[1] ?? '';
  const rules = forbidden.filter((rule) => rule.name.startsWith(`${name}-order-`));
  const rooms = rules.map((rule) => folder(rule.from.path ?? ''));
  for (const [at, rule] of rules.entries())
    expect([rule.to.path].flat().map((path) => folder(path ?? ''))).toEqual([
      ...rooms.slice(at + 1),
      folder([rules.at(-1)?.to.path].flat()[0] ?? ''),
    ]);
  return [...rooms, folder([rules.at(-1)?.to.path].flat()[0] ?? '')];
};

const folders = (name: string): readonly string[] =>
  readdirSync(`packages/${name}/src`, { withFileTypes: true })
    .filter((entry) => entry.isDirectory())
    .map((entry) => entry.name);

describe('docs/api.md', () => {
  /** Each door as its file opens it: the method and the last part of its address. */
  const opened = readdirSync('packages/server/src', { recursive: true, encoding: 'utf8' })
    .filter((file) => file.endsWith('routes.ts'))
    .flatMap((file) =>
      [
        ...readFileSync(`packages/server/src/${file}`, 'utf8').matchAll(
          /routes\.(get|put|post|delete)\(\s*'([^']*)'/g,
        ),
      ].map(([, method = '', path = '']) => `${method.toUpperCase()} ${path.replace(/\/$/, '')} ${file}`),
    );
  const listed = [
    ...readFileSync('docs/api.md', 'utf8').matchAll(
      /^\| `(GET|PUT|POST|DELETE) (\/api\S+)` .*`([\w/-]+\.ts)` +\|$/gm,
    ),
  ];

  it('lists every door with the file that opens it, and no other', () => {
    expect(listed.length).toBe(opened.length);
    for (const [line, method = '', address = '', file = ''] of listed)
      expect(
        opened.some((door) => {
          const [verb, path, at] = door.split(/ (.*) /) as [string, string, string];
          return verb === method && at === file && address.endsWith(path);
        }),
        line,
      ).toBe(true);
  });
});

describe('docs/calculations.md', () => {
  it('is as `npm run schema` writes it', async () => {
    const page = await asWritten('docs/calculations.md', calculationsPage('.'));
    expect(readFileSync('docs/calculations.md', 'utf8')).toBe(page);
  });
});

describe('docs/architecture.md', () => {
  it.each([
    ['core', '## The rooms of the core', ['testing', 'types']],
    ['web', '## The rooms of the web', ['testing']],
  ])(
    'draws the rooms of %s in the order of the rules, and no other folder is there',
    (name, heading, beside) => {
      const rooms = drawn(heading);
      expect(ruled(name)).toEqual(rooms);
      expect([...folders(name)].sort()).toEqual([...rooms, ...beside].sort());
    },
  );

  it('says of each room what it is for', () => {
    for (const heading of ['## The rooms of the core', '## The rooms of the web'])
      for (const room of drawn(heading))
        expect(page).toMatch(new RegExp(`^ {2}${room}\\["${room}: .{8,}"\\]$`, 'm'));
  });

  it('lists each package that the application stands on, with its licence, and no other', () => {
    const listed = [...page.matchAll(/^\| (@?[a-z][\w./-]*) +\|[^|]+\| ([A-Za-z0-9.-]+) +\|/gm)].filter(
      ([, name]) => name !== 'package',
    );
    const stoodOn = ['.', 'packages/core', 'packages/cli', 'packages/server', 'packages/web'].flatMap(
      (at) => {
        const { dependencies = {} } = JSON.parse(readFileSync(`${at}/package.json`, 'utf8')) as {
          dependencies?: Record<string, string>;
        };
        return Object.keys(dependencies).filter((name) => !name.startsWith('@zubric/'));
      },
    );
    expect(listed.map(([, name]) => name).sort()).toEqual([...new Set(stoodOn)].sort());
    for (const [, name, licence] of listed) {
      const own = JSON.parse(readFileSync(`node_modules/${name}/package.json`, 'utf8')) as {
        license: string;
      };
      expect({ name, licence }).toEqual({ name, licence: own.license });
    }
  });
});
