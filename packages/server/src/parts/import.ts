import type { PartsImport } from '@zubric/core/answers';
import { UnreadableTable, partsFromCsv, type PartsMapping } from '@zubric/core/exchange';
import { partSchema, problemsOf, type Part } from '@zubric/core/vehicle';
import { isUtf8 } from 'node:buffer';
import { HttpProblem } from '../http/http-problem.ts';
import { newPartId } from './ids.ts';
import type { PartStore } from './store.ts';

/** The line of a table that heads its columns. */
const HEADING = 1;
/** A preview shows no more parts than this. */
const SHOWN = 20;

interface Read {
  readonly columns: PartsImport['columns'];
  readonly parts: readonly { readonly line: number; readonly part: Part }[];
  readonly bad: PartsImport['bad'];
}

const refused = (title: string): HttpProblem =>
  new HttpProblem({ status: 422, code: 'unreadable-table', title });

function fromCsv(bytes: unknown, mapping: PartsMapping): Read {
  if (!Buffer.isBuffer(bytes) || bytes.length === 0) throw refused('The file is empty.');
  if (!isUtf8(bytes))
    throw refused('The file is not UTF-8: save it as “CSV UTF-8” and send it again. Nothing of it is taken.');
  try {
    const { columns, parts, bad } = partsFromCsv(bytes.toString('utf8'), mapping);
    return {
      columns: columns.map((column) => ({ ...column })),
      parts,
      bad: bad.map(({ line, problems }) => ({ line, problems: [...problems] })),
    };
  } catch (error) {
    if (error instanceof UnreadableTable) throw refused(error.message);
    throw error;
  }
}

/** A list of parts, or `{parts: [...]}`; entries are counted from 1. */
function fromJson(json: unknown): Read {
  const list = Array.isArray(json) ? json : (json as { parts?: unknown } | null)?.parts;
  if (!Array.isArray(list)) throw refused('This is a list of parts, or an object with “parts”.');
  const parts: { line: number; part: Part }[] = [];
  const bad: PartsImport['bad'] = [];
  (list as readonly unknown[]).forEach((entry, n) => {
    const read = partSchema.safeParse({ id: 'new', ...(entry as object) });
    if (read.success) parts.push({ line: n + 1, part: read.data });
    else
      bad.push({
        line: n + 1,
        problems: problemsOf(read.error).map(({ path, message }) => `${path}: ${message}`),
      });
  });
  return { columns: [], parts, bad };
}

/** Parts of a file read, and kept unless it is a preview; good ones are taken, each other one is told. */
export async function importParts(
  store: PartStore,
  body: unknown,
  {
    isCsv,
    preview,
    mapping,
  }: { readonly isCsv: boolean; readonly preview: boolean; readonly mapping: PartsMapping },
): Promise<PartsImport> {
  const { columns, parts, bad } = isCsv ? fromCsv(body, mapping) : fromJson(body);
  // A table whose columns are not known yet is shown, so that it can be told what they are; it is not taken.
  const [first] = bad;
  if (isCsv && !preview && first?.line === HEADING) throw refused(first.problems.join(' '));
  const named = parts.map(({ line, part }) => ({
    line,
    part: part.id === 'new' ? { ...part, id: newPartId(part.kind) } : part,
  }));
  const seen = new Set<string>();
  const isFirst = ({ part: { id } }: (typeof named)[number]): boolean =>
    !seen.has(id) && seen.add(id).has(id);
  const kept = named.filter(isFirst);
  const firsts = new Set(kept);
  const twice = named.filter((row) => !firsts.has(row));
  const taken = new Set(
    preview
      ? await store.taken(kept.map(({ part }) => part.id))
      : await store.add(kept.map(({ part }) => part)),
  );
  const told = [
    ...bad,
    ...twice.map(({ line, part }) => ({ line, problems: [`id: "${part.id}" stands twice in the file`] })),
    ...kept
      .filter(({ part }) => taken.has(part.id))
      .map(({ line, part }) => ({ line, problems: [`id: there is a part "${part.id}" already`] })),
  ].sort((a, b) => a.line - b.line);
  const good = kept.filter(({ part }) => !taken.has(part.id));
  return {
    columns,
    good: good.length,
    bad: told,
    parts: preview ? good.slice(0, SHOWN).map(({ part }) => part) : [],
  };
}
