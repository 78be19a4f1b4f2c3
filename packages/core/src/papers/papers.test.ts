import { readFileSync } from 'node:fs';
import { fromMarkdown } from 'mdast-util-from-markdown';
import { gfmTableFromMarkdown } from 'mdast-util-gfm-table';
import type { Root, RootContent, Table } from 'mdast';
import { gfmTable } from 'micromark-extension-gfm-table';
import { PDFDocument } from 'pdf-lib';
import { describe, expect, it } from 'vitest';
import { evaluate } from '../judge/index.ts';
import { trialSetsInFile } from '../protocols/index.ts';
import { typed } from '../quantity/index.ts';
import { demoBuilds } from '../testing/demo-builds.ts';
import type { Build } from '../vehicle/index.ts';
import { markdownOf } from './to-markdown.ts';
import { pdfOf } from './to-pdf.ts';
import { reportPaper } from './report-paper.ts';
import type { Paper } from './paper.ts';

const builds = demoBuilds();
const puffin = builds['puffin'] as Build;
const plain = (node: RootContent | Root): string =>
  'value' in node ? node.value : 'children' in node ? node.children.map(plain).join('') : '';
/** What a reader of others makes of it (mdast-util-from-markdown, from the registry). */
const readBack = (text: string): Root =>
  fromMarkdown(text, { extensions: [gfmTable()], mdastExtensions: [gfmTableFromMarkdown()] });
const tablesIn = (root: Root): string[][][] =>
  root.children
    .filter((node): node is Table => node.type === 'table')
    .map(({ children }) => children.map((row) => row.children.map(plain)));

describe('the report as a paper', () => {
  it('has each job, each margin and each finding, as the report has them', () => {
    for (const build of Object.values(builds)) {
      const report = evaluate(build);
      const { blocks } = reportPaper(build, { system: 'metric' });
      const tables = blocks.flatMap((block) => (block.kind === 'table' ? [block] : []));
      const of = (head: string) => tables.find(({ heads }) => heads[0] === head)?.rows ?? [];
      expect(of('Job').map(([name]) => name)).toEqual(build.duties.map(({ name }) => name));
      expect(of('Link')).toHaveLength(report.governing.length);
      const items = blocks.flatMap((block) => (block.kind === 'list' ? block.items : []));
      expect(items.filter((item) => /^(stop|short|tight|note): /.test(item))).toHaveLength(
        report.findings.length,
      );
      for (const { heads, rows } of tables)
        expect(rows.every((row) => row.length === heads.length)).toBe(true);
    }
  });

  it('is in the builder’s units', () => {
    const said = (system: 'metric' | 'imperial') => JSON.stringify(reportPaper(puffin, { system }));
    expect(said('metric')).toContain('58\u00a0kg');
    expect(said('imperial')).toContain('128\u00a0lb');
  });

  it('tells its trials beside what was foretold', () => {
    const trialSets = trialSetsInFile
      .parse([
        {
          protocol: 'distance',
          name: 'Wheel on the quay',
          conditions: { commanded: typed(10, 'm'), diameter: typed(0.4, 'mm') },
          trials: [9.8, 9.81, 9.79, 9.8, 9.8].map((m) => ({
            reading: { distance: typed(m, 'm', 'measured') },
          })),
        },
      ])
      .map((set, n) => ({ ...set, id: String(n) }));
    const rows = tablesIn(readBack(markdownOf(reportPaper(puffin, { system: 'metric', trialSets }))));
    const row = rows.flat().find(([name]) => name === 'Wheel on the quay');
    expect(row?.[2]).toBe('5');
    expect(row?.[4]?.replaceAll('\u00a0', ' ')).toMatch(/392 mm, predicted 400 mm/);
  });
});

describe('a paper as Markdown', () => {
  it('reads back as it was, whatever its names hold', () => {
    const nasty = [
      'a | b',
      '**not bold** _nor this_',
      '# no heading',
      '<b>&amp;</b>',
      '[link](x)',
      '- item',
      '1. one',
      '`code`',
      '\\',
      'two\nlines',
    ];
    const paper: Paper = {
      title: 'A | cart #1',
      blocks: [
        ...nasty.map((text) => ({ kind: 'text' as const, text })),
        { kind: 'list', items: nasty },
        { kind: 'table', heads: ['Name', 'Mass'], rows: nasty.map((name) => [name, '1 kg']), numbers: [1] },
      ],
    };
    const root = readBack(markdownOf(paper));
    const said = nasty.map((text) => text.replace('\n', ' '));
    expect(plain(root.children[0] as RootContent)).toBe('A | cart #1');
    expect(root.children.slice(1, nasty.length + 1).map(plain)).toEqual(said);
    const list = root.children.find((node) => node.type === 'list');
    expect(list?.children.map(plain)).toEqual(said);
    const [table] = tablesIn(root);
    expect(table).toEqual([['Name', 'Mass'], ...said.map((name) => [name, '1 kg'])]);
    expect(root.children.find((node) => node.type === 'table')?.align).toEqual(['left', 'right']);
  });

  it('has the tables of every build of the club, no row lost', () => {
    for (const build of Object.values(builds)) {
      const paper = reportPaper(build, { system: 'metric' });
      const tables = paper.blocks.flatMap((block) =>
        block.kind === 'table' ? [[block.heads, ...block.rows]] : [],
      );
      expect(tablesIn(readBack(markdownOf(paper)))).toEqual(tables);
    }
  });
});

describe('a paper as a PDF', () => {
  const font = (name: string) =>
    new Uint8Array(readFileSync(`node_modules/pdfmake/fonts/Roboto/Roboto-${name}.ttf`));
  const fonts = { regular: font('Regular'), bold: font('Medium') };

  it('opens in a reader of others, on the paper asked for, over as many pages as it needs', async () => {
    const paper = reportPaper(puffin, { system: 'metric' });
    const [a4, letter] = await Promise.all([pdfOf(paper, fonts, 'A4'), pdfOf(paper, fonts, 'Letter')]);
    const [one, other] = await Promise.all([PDFDocument.load(a4), PDFDocument.load(letter)]);
    expect(one.getTitle()).toBe('Puffin');
    const millimetres = (pdf: PDFDocument) => {
      const { width, height } = pdf.getPage(0).getSize();
      return [width, height].map((points) => Math.round((points / 72) * 254) / 10);
    };
    expect(millimetres(one)).toEqual([210, 297]);
    expect(millimetres(other)).toEqual([215.9, 279.4]);
    expect(one.getPageCount()).toBeGreaterThan(1);
  });

  it('holds a long table over several pages', async () => {
    const rows = Array.from({ length: 200 }, (_, n) => [`Row ${n}`, String(n)]);
    const bytes = await pdfOf(
      { title: 'Жук', blocks: [{ kind: 'table', heads: ['Name', 'Number'], rows, numbers: [1] }] },
      fonts,
      'A4',
    );
    expect((await PDFDocument.load(bytes)).getPageCount()).toBeGreaterThanOrEqual(4);
  });
});
