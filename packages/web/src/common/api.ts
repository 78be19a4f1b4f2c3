import {
  buildLinesSchema,
  companySchema,
  devicesSchema,
  groupTrialSetsSchema,
  meSchema,
  pairingCodeSchema,
  logPageSchema,
  meterAnswerSchema,
  partAnswerSchema,
  partsImportSchema,
  partsSchema,
  partUsesSchema,
  savedSchema,
  snapshotLineSchema,
  snapshotLinesSchema,
  snapshotSchema,
  stateSchema,
  storedBuildSchema,
  trialSetsSchema,
  type BuildLine,
  type MeterAnswer,
  type BuildPlace,
  type DeviceRole,
} from '@zubric/core/answers';
import type { PartsMapping } from '@zubric/core/exchange';
import type { TrialConditions } from '@zubric/core/protocols';
import type { Build, PartInput } from '@zubric/core/vehicle';
import { z } from 'zod';
import { call, versionedCall } from './call.ts';

export { ApiProblem } from './call.ts';

type WithoutId<P> = P extends unknown ? Omit<P, 'id'> : never;
/** A part that has no id yet. */
export type NewPart = WithoutId<PartInput>;

export interface TrialSetForm {
  readonly name: string;
  readonly conditions: TrialConditions;
}

/** How a table of parts is brought in: shown first, or kept; and what it is told to be. */
interface PartsAsked {
  readonly preview: boolean;
  readonly mapping?: PartsMapping;
}

function importQuery(preview: boolean, { kind, columns }: PartsMapping = {}): string {
  const asked = new URLSearchParams({
    ...(preview ? { preview: '1' } : {}),
    ...(kind === undefined ? {} : { kind }),
    ...(columns === undefined ? {} : { columns: JSON.stringify(columns) }),
  });
  return asked.size === 0 ? '' : `?${asked.toString()}`;
}

/** A document as it is kept, whatever is wrong with it. */
const anything = z.unknown();

/** The server's doors, one function each. All throw ApiProblem. */
export const api = {
  me: () => call('/me', { shape: meSchema }),
  pair: (code: string, name: string) =>
    call('/pair', { method: 'POST', body: { code, name }, shape: meSchema }),
  devices: () => call('/devices', { shape: devicesSchema }),
  openDoor: (open: boolean) => call('/devices/door', { method: 'PUT', body: { open } }),
  pairingCode: (role: DeviceRole) =>
    call('/devices/codes', { method: 'POST', body: { role }, shape: pairingCodeSchema }),
  changeDevice: (id: string, to: { readonly name: string; readonly role: DeviceRole }) =>
    call(`/devices/${id}`, { method: 'PUT', body: to }),
  sendAway: (id: string) => call(`/devices/${id}`, { method: 'DELETE' }),
  company: (buildId: string, station: string) =>
    call(`/builds/${buildId}/company`, { method: 'PUT', body: { station }, shape: companySchema }),
  lock: (buildId: string, event: string | null) =>
    call(`/builds/${buildId}/lock`, { method: 'PUT', body: { event } }),
  state: () => call('/state', { shape: stateSchema }),
  builds: (place: BuildPlace): Promise<readonly BuildLine[]> =>
    call(`/builds?place=${place}`, { shape: buildLinesSchema }).then((answer) => answer.builds),
  build: (id: string) => call(`/builds/${id}`, { shape: storedBuildSchema }),
  /** As it is kept, whatever is wrong with it. */
  buildFile: (id: string) => call(`/builds/${id}/file`, { shape: anything }),
  /** With its logbook, photographs, snapshots and trials. */
  wholeBuild: (id: string) => call(`/builds/${id}/whole`, { shape: anything }),
  bringInWhole: (whole: Blob) =>
    call('/builds/whole', { method: 'POST', body: whole, shape: storedBuildSchema }),
  begin: (document: Build) =>
    call('/builds', { method: 'POST', body: { document, begun: true }, shape: storedBuildSchema }),
  bringIn: (document: Build, file: string) =>
    call('/builds', { method: 'POST', body: { document, file }, shape: storedBuildSchema }),
  createFrom: (document: Build) =>
    call('/builds', { method: 'POST', body: { document }, shape: storedBuildSchema }),
  copyBuild: (id: string, name: string) =>
    call(`/builds/${id}/copies`, { method: 'POST', body: { name }, shape: storedBuildSchema }),
  putBuild: (id: string, place: BuildPlace) =>
    call(`/builds/${id}/place`, { method: 'PUT', body: { place } }),
  saveBuild: (id: string, document: Build, version: number) =>
    call(`/builds/${id}`, { method: 'PUT', body: document, version, shape: savedSchema }),
  log: (buildId: string, before?: string) =>
    call(`/builds/${buildId}/log${before === undefined ? '' : `?before=${before}`}`, {
      shape: logPageSchema,
    }),
  annotate: (entryId: string, note: string) => call(`/log/${entryId}`, { method: 'PUT', body: { note } }),
  removeNote: (entryId: string) => call(`/log/${entryId}`, { method: 'DELETE' }),
  captionPhoto: (photoId: string, caption: string) =>
    call(`/photos/${photoId}`, { method: 'PUT', body: { caption } }),
  removePhoto: (photoId: string) => call(`/photos/${photoId}`, { method: 'DELETE' }),
  snapshots: (buildId: string) =>
    call(`/builds/${buildId}/snapshots`, { shape: snapshotLinesSchema }).then((answer) => answer.snapshots),
  snapshot: (buildId: string, number: number) =>
    call(`/builds/${buildId}/snapshots/${number}`, { shape: snapshotSchema }),
  takeSnapshot: (buildId: string, name: string) =>
    call(`/builds/${buildId}/snapshots`, { method: 'POST', body: { name }, shape: snapshotLineSchema }),
  renameSnapshot: (buildId: string, number: number, name: string) =>
    call(`/builds/${buildId}/snapshots/${number}`, { method: 'PUT', body: { name } }),
  parts: () => call('/parts', { shape: partsSchema }).then((answer) => answer.parts),
  partsAside: () => call('/parts?place=aside', { shape: partsSchema }).then((answer) => answer.parts),
  part: (id: string) => versionedCall(`/parts/${id}`, { shape: partAnswerSchema }),
  putPartPhoto: (id: string, picture: Blob) => call(`/parts/${id}/photo`, { method: 'PUT', body: picture }),
  removePartPhoto: (id: string) => call(`/parts/${id}/photo`, { method: 'DELETE' }),
  partUses: (id: string) =>
    call(`/parts/${id}/builds`, { shape: partUsesSchema }).then((answer) => answer.builds),
  /** One without an id is given one. */
  createPart: (part: NewPart) => call('/parts', { method: 'POST', body: part, shape: partAnswerSchema }),
  /** A table of parts; a preview keeps nothing. */
  importParts: (table: Blob, { preview, mapping }: PartsAsked) =>
    call(`/parts/import${importQuery(preview, mapping)}`, {
      method: 'POST',
      body: table,
      shape: partsImportSchema,
    }),
  savePart: (part: PartInput, version: number) =>
    call(`/parts/${part.id}`, { method: 'PUT', body: part, version, shape: partAnswerSchema }),
  putPart: (id: string, place: 'shelf' | 'aside', version: number) =>
    call(`/parts/${id}/place`, { method: 'PUT', body: { place }, version }),
  meter: () => call('/meter', { shape: meterAnswerSchema }),
  setMeter: (change: Partial<Omit<MeterAnswer, 'motors'>>) =>
    call('/meter', { method: 'PUT', body: change, shape: meterAnswerSchema }),
  /** Of every build on the bench, the sets that belong to a class or a club. */
  groupTrialSets: () =>
    call('/trial-sets', { shape: groupTrialSetsSchema }).then((answer) => answer.trialSets),
  trialSets: (buildId: string) =>
    call(`/builds/${buildId}/trial-sets`, { shape: trialSetsSchema }).then((answer) => answer.trialSets),
  changeTrialSet: (id: string, version: number, form: TrialSetForm) =>
    call(`/trial-sets/${id}`, { method: 'PUT', body: form, version, shape: savedSchema }),
};
