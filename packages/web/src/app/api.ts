import type { Build, Part, Problem } from '@zubric/core/build';
import type { LinkId, Verdict } from '@zubric/core/evaluate';
import type { StraightRunConditions, StraightRunReading } from '@zubric/core/trials';

/** What the server refused, as it said it. `status` is 0 where it did not answer at all. */
export class ApiProblem extends Error {
  readonly status: number;
  readonly problems: readonly Problem[];
  readonly details: Readonly<Record<string, unknown>>;

  constructor(status: number, title: string, details: Readonly<Record<string, unknown>> = {}) {
    super(title);
    this.name = 'ApiProblem';
    this.status = status;
    this.details = details;
    this.problems = Array.isArray(details.problems) ? (details.problems as Problem[]) : [];
  }

  /** Whether trying again later may help. */
  get passing(): boolean {
    return this.status === 0 || this.status === 503;
  }
}

interface Call {
  readonly method?: 'GET' | 'POST' | 'PUT' | 'DELETE';
  readonly body?: unknown;
  readonly version?: number;
}

async function call<T>(path: string, { method = 'GET', body, version }: Call = {}): Promise<T> {
  let response: Response;
  try {
    response = await fetch(`/api${path}`, {
      method,
      headers: {
        ...(body === undefined ? {} : { 'Content-Type': 'application/json' }),
        ...(version === undefined ? {} : { 'If-Match': `"${version}"` }),
      },
      body: body === undefined ? undefined : JSON.stringify(body),
    });
  } catch {
    throw new ApiProblem(0, 'The server does not answer. Is Zubric still running?');
  }
  const answer: unknown = response.status === 204 ? undefined : await response.json().catch(() => ({}));
  if (response.ok) return answer as T;
  const details = (answer ?? {}) as Record<string, unknown>;
  throw new ApiProblem(
    response.status,
    String(details.title ?? `The server said ${response.status}.`),
    details,
  );
}

export interface BuildLine {
  readonly id: string;
  readonly name: string;
  readonly purpose: string;
  readonly readyBy: string | null;
  readonly updatedAt: string;
  readonly massKg: number;
  readonly duties: number;
  readonly stops: number;
  readonly tight: number;
  readonly worst?: {
    readonly link: LinkId;
    readonly title: string;
    readonly duty: string | null;
    readonly ratio: number;
    readonly rule: number;
    readonly verdict: Verdict;
  };
}

export interface StoredBuild {
  readonly id: string;
  readonly version: number;
  readonly updatedAt: string;
  readonly document: Build;
}

export interface StoredTrial {
  readonly id: string;
  readonly ordinal: number;
  readonly reading: StraightRunReading;
  readonly recordedAt: string;
}

export interface StoredTrialSet {
  readonly id: string;
  readonly protocol: 'straight-run';
  readonly name: string;
  readonly conditions: StraightRunConditions;
  readonly invented: boolean;
  readonly version: number;
  readonly createdAt: string;
  readonly trials: readonly StoredTrial[];
}

export interface TrialSetForm {
  readonly name: string;
  readonly conditions: StraightRunConditions;
}

/** The server's doors, one function each. All throw ApiProblem. */
export const api = {
  builds: () => call<{ builds: BuildLine[] }>('/builds').then((answer) => answer.builds),
  build: (id: string) => call<StoredBuild>(`/builds/${id}`),
  createBuild: (name: string) => call<StoredBuild>('/builds', { method: 'POST', body: { name } }),
  saveBuild: (id: string, document: Build, version: number) =>
    call<{ version: number }>(`/builds/${id}`, { method: 'PUT', body: document, version }),
  parts: () => call<{ parts: Part[] }>('/parts').then((answer) => answer.parts),
  trialSets: (buildId: string) =>
    call<{ trialSets: StoredTrialSet[] }>(`/builds/${buildId}/trial-sets`).then((answer) => answer.trialSets),
  createTrialSet: (buildId: string, form: TrialSetForm) =>
    call<StoredTrialSet>(`/builds/${buildId}/trial-sets`, {
      method: 'POST',
      body: { protocol: 'straight-run', ...form },
    }),
  changeTrialSet: (id: string, version: number, form: TrialSetForm) =>
    call<{ version: number }>(`/trial-sets/${id}`, { method: 'PUT', body: form, version }),
  recordTrial: (setId: string, trialId: string, reading: StraightRunReading) =>
    call<StoredTrial>(`/trial-sets/${setId}/trials/${trialId}`, { method: 'PUT', body: { reading } }),
  removeTrial: (setId: string, trialId: string) =>
    call<undefined>(`/trial-sets/${setId}/trials/${trialId}`, { method: 'DELETE' }),
};
