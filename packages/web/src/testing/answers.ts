import { vi } from 'vitest';

/** What was asked of the server. */
export interface SeenRequest {
  readonly method: string;
  readonly path: string;
  readonly body: unknown;
  readonly version: string | null;
}

type Answer = (asked: SeenRequest, part: readonly string[]) => unknown;

/** An answer that refuses, with the server's title and whatever else it says. */
export class Refusal {
  readonly status: number;
  readonly title: string;
  constructor(status: number, title: string, more: object = {}) {
    Object.assign(this, more);
    this.status = status;
    this.title = title;
  }
}

/**
 * A server of a few doors, "GET /api/parts" to what it answers; `*` stands for one part of a path, handed on in order.
 * Any other door fails the call, as a server that is away would. Gives back all that was asked, in order.
 */
export function answering(doors: Readonly<Record<string, Answer>>): SeenRequest[] {
  const asked: SeenRequest[] = [];
  const known = Object.entries(doors).map(([door, answer]) => {
    const [method = 'GET', path = ''] = door.split(' ');
    const pattern = path.replaceAll('*', '([^/]+)');
    return { method, path: new RegExp(`^${pattern}$`), answer };
  });
  vi.stubGlobal('fetch', (path: string, init: RequestInit = {}) => {
    const call: SeenRequest = {
      method: init.method ?? 'GET',
      path,
      body: typeof init.body === 'string' ? (JSON.parse(init.body) as unknown) : undefined,
      version: new Headers(init.headers).get('If-Match'),
    };
    asked.push(call);
    const door = known.find((d) => d.method === call.method && d.path.test(path));
    if (!door) return Promise.reject(new Error(`no door ${call.method} ${path}`));
    const answer = door.answer(call, (door.path.exec(path) ?? []).slice(1));
    const refused = answer instanceof Refusal;
    return Promise.resolve(
      answer === undefined
        ? new Response(null, { status: 204 })
        : new Response(JSON.stringify(answer), {
            status: refused ? answer.status : 200,
            headers: { 'Content-Type': 'application/json' },
          }),
    );
  });
  return asked;
}
