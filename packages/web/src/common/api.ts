import type { Build, Part } from '@zubric/core/vehicle';
import type { StraightRunConditions, StraightRunReading } from '@zubric/core/trials';
import { call } from './call.ts';
import {
  builtShape,
  linesShape,
  logShape,
  savedShape,
  stateShape,
  type BuildLine,
  type LogEntry,
  type LogPhoto,
  type StoredBuild,
} from './shapes.ts';

export { ApiProblem } from './call.ts';
export type { BuildLine, JudgedLine, LogEntry, LogPhoto, StoredBuild } from './shapes.ts';

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

export interface SnapshotLine {
  readonly number: number;
  readonly name: string;
  readonly createdAt: string;
}

/** The server's doors, one function each. All throw ApiProblem. */
export const api = {
  state: () => call('/state', { shape: stateShape }),
  builds: (place: Place): Promise<readonly BuildLine[]> =>
    call(`/builds?place=${place}`, { shape: linesShape }).then((answer) => answer.builds),
  build: (id: string): Promise<StoredBuild> => call(`/builds/${id}`, { shape: builtShape }),
  /** As it is kept, whatever is wrong with it. */
  buildFile: (id: string) => call<unknown>(`/builds/${id}/file`),
  /** With its logbook, photographs, snapshots and trials. */
  wholeBuild: (id: string) => call<unknown>(`/builds/${id}/whole`),
  bringInWhole: (whole: Blob) =>
    call<StoredBuild>('/builds/whole', { method: 'POST', body: whole, shape: builtShape }),
  createBuild: (form: { readonly name: string; readonly template: string }) =>
    call<StoredBuild>('/builds', { method: 'POST', body: form }),
  bringIn: (document: Build, file: string) =>
    call<StoredBuild>('/builds', { method: 'POST', body: { document, file } }),
  createFrom: (document: Build) => call<StoredBuild>('/builds', { method: 'POST', body: { document } }),
  copyBuild: (id: string, name: string) =>
    call<StoredBuild>(`/builds/${id}/copies`, { method: 'POST', body: { name } }),
  putBuild: (id: string, place: Place) =>
    call<undefined>(`/builds/${id}/place`, { method: 'PUT', body: { place } }),
  saveBuild: (id: string, document: Build, version: number) =>
    call(`/builds/${id}`, { method: 'PUT', body: document, version, shape: savedShape }),
  log: (buildId: string, before?: string) =>
    call(`/builds/${buildId}/log${before === undefined ? '' : `?before=${before}`}`, { shape: logShape }),
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
