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
        ...(body === undefined
          ? {}
          : { 'Content-Type': body instanceof Blob ? body.type : 'application/json' }),
        ...(version === undefined ? {} : { 'If-Match': `"${version}"` }),
      },
      body: body === undefined || body instanceof Blob ? body : JSON.stringify(body),
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
  readonly short: number;
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

/** Where a build lies: on the bench, set aside, or thrown away (and still to be had back). */
export type Place = 'bench' | 'archive' | 'bin';

export interface LogPhoto {
  readonly id: string;
  readonly caption: string;
  readonly createdAt: string;
}

export interface LogEntry {
  readonly id: string;
  readonly kind: 'begun' | 'change' | 'note' | 'snapshot';
  readonly title: string;
  readonly note: string;
  readonly changes: readonly string[];
  readonly margins: readonly string[];
  readonly snapshotNumber: number | null;
  readonly begunAt: string;
  readonly endedAt: string;
  readonly photos: readonly LogPhoto[];
}

export interface SnapshotLine {
  readonly number: number;
  readonly name: string;
  readonly createdAt: string;
}

/** The server's doors, one function each. All throw ApiProblem. */
export const api = {
  builds: (place: Place) =>
    call<{ builds: BuildLine[] }>(`/builds?place=${place}`).then((answer) => answer.builds),
  build: (id: string) => call<StoredBuild>(`/builds/${id}`),
  createBuild: (form: { readonly name: string; readonly template: string }) =>
    call<StoredBuild>('/builds', { method: 'POST', body: form }),
  bringIn: (document: Build, file: string) =>
    call<StoredBuild>('/builds', { method: 'POST', body: { document, file } }),
  copyBuild: (id: string, name: string) =>
    call<StoredBuild>(`/builds/${id}/copies`, { method: 'POST', body: { name } }),
  putBuild: (id: string, place: Place) =>
    call<undefined>(`/builds/${id}/place`, { method: 'PUT', body: { place } }),
  saveBuild: (id: string, document: Build, version: number) =>
    call<{ version: number }>(`/builds/${id}`, { method: 'PUT', body: document, version }),
  log: (buildId: string) =>
    call<{ entries: LogEntry[] }>(`/builds/${buildId}/log`).then((answer) => answer.entries),
  addNote: (buildId: string, note: string) =>
    call<LogEntry>(`/builds/${buildId}/log`, { method: 'POST', body: { note } }),
  annotate: (entryId: string, note: string) =>
    call<undefined>(`/log/${entryId}`, { method: 'PUT', body: { note } }),
  removeNote: (entryId: string) => call<undefined>(`/log/${entryId}`, { method: 'DELETE' }),
  addPhoto: (entryId: string, picture: Blob) =>
    call<LogPhoto>(`/log/${entryId}/photos`, { method: 'POST', body: picture }),
  captionPhoto: (photoId: string, caption: string) =>
    call<undefined>(`/photos/${photoId}`, { method: 'PUT', body: { caption } }),
  removePhoto: (photoId: string) => call<undefined>(`/photos/${photoId}`, { method: 'DELETE' }),
  snapshots: (buildId: string) =>
    call<{ snapshots: SnapshotLine[] }>(`/builds/${buildId}/snapshots`).then((answer) => answer.snapshots),
  snapshot: (buildId: string, number: number) =>
    call<SnapshotLine & { readonly document: Build }>(`/builds/${buildId}/snapshots/${number}`),
  takeSnapshot: (buildId: string, name: string) =>
    call<SnapshotLine>(`/builds/${buildId}/snapshots`, { method: 'POST', body: { name } }),
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
