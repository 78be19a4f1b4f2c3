import type { Build, Part } from '@zubric/core/vehicle';
import type { ENTRY_KINDS } from '@zubric/core/answers';
import type { ProtocolName, TrialConditions, TrialReading } from '@zubric/core/protocols';
import { EntitySchema } from 'typeorm';
import { created, ofBuild, stamped, text } from './columns.ts';
import { deviceEntity, pairingAttemptEntity, pairingCodeEntity, presenceEntity } from './device-entities.ts';

export interface BuildRow {
  id: string;
  name: string;
  document: Build;
  /** Counts the saves; a save names the one it started from. */
  version: number;
  createdAt: Date;
  updatedAt: Date;
  /** When it was set aside, and when it was thrown away; null while it is neither. */
  archivedAt: Date | null;
  deletedAt: Date | null;
  /** When it was locked, for which event and by whom; null while it is not. */
  lockedAt: Date | null;
  lockedFor: string;
  lockedBy: string;
}

/** A build as it stood; never changed. */
export interface SnapshotRow {
  buildId: string;
  /** Counts the snapshots of a build, from 1. */
  number: number;
  name: string;
  document: Build;
  createdAt: Date;
}

export type LogKind = (typeof ENTRY_KINDS)[number];

/** An entry of the logbook. */
export interface LogEntryRow {
  id: string;
  buildId: string;
  kind: LogKind;
  /** The name of the device it came from; empty for the machine itself. */
  byName: string;
  title: string;
  /** The builder's own words. */
  note: string;
  /** What changed, and which margins moved, a line each. */
  changes: string[];
  margins: string[];
  /** The build before the first change of this entry. */
  before: Build | null;
  snapshotNumber: number | null;
  /** Of which set of trials it tells. */
  trialSetId: string | null;
  begunAt: Date;
  endedAt: Date;
  /** Where it stands in the order in which entries were written. */
  seq: string;
  /** Whether the words of a change are worked out; of everything else there is nothing to work out. */
  settled: boolean;
}

export interface PhotoRow {
  id: string;
  logEntryId: string;
  type: string;
  caption: string;
  bytes: Buffer;
  createdAt: Date;
}

export interface PartRow {
  id: string;
  kind: string;
  name: string;
  data: Part;
  /** Counts the saves; a save names the one it started from. */
  version: number;
  createdAt: Date;
  updatedAt: Date;
  /** When it was set aside; null while it lies on the shelf. */
  setAsideAt: Date | null;
}

export interface PartPhotoRow {
  partId: string;
  type: string;
  bytes: Buffer;
}

export interface TrialSetRow {
  id: string;
  buildId: string;
  protocol: ProtocolName;
  name: string;
  conditions: TrialConditions;
  /** Made up for the demo. */
  invented: boolean;
  version: number;
  createdAt: Date;
}

export interface TrialRow {
  id: string;
  trialSetId: string;
  /** The order in which the runs of a set were recorded, from 1. */
  ordinal: number;
  reading: TrialReading;
  recordedAt: Date;
  /** The name of the device it came from; empty for the machine itself. */
  byName: string;
}

/** What the server remembers of itself: whether the demo was loaded. */
export interface AppStateRow {
  key: string;
  value: unknown;
}

const json = { type: 'jsonb' } as const;
const version = { type: 'integer', default: 1 } as const;

export const buildEntity = new EntitySchema<BuildRow>({
  name: 'build',
  columns: {
    id: { ...text, primary: true },
    name: text,
    document: json,
    version,
    createdAt: created,
    updatedAt: { type: 'timestamptz', name: 'updated_at', updateDate: true },
    archivedAt: { type: 'timestamptz', name: 'archived_at', nullable: true },
    deletedAt: { type: 'timestamptz', name: 'deleted_at', nullable: true },
    lockedAt: { type: 'timestamptz', name: 'locked_at', nullable: true },
    lockedFor: { ...text, name: 'locked_for', default: '' },
    lockedBy: { ...text, name: 'locked_by', default: '' },
  },
});

const byName = { ...text, name: 'by_name', default: '' } as const;

export const snapshotEntity = new EntitySchema<SnapshotRow>({
  name: 'build_snapshot',
  columns: {
    buildId: { ...ofBuild, primary: true },
    number: { type: 'integer', primary: true },
    name: text,
    document: json,
    createdAt: created,
  },
});

export const logEntryEntity = new EntitySchema<LogEntryRow>({
  name: 'log_entry',
  columns: {
    id: { ...text, primary: true },
    buildId: ofBuild,
    kind: text,
    byName,
    title: { ...text, default: '' },
    note: { ...text, default: '' },
    changes: { ...json, default: [] },
    margins: { ...json, default: [] },
    before: { ...json, nullable: true },
    snapshotNumber: { type: 'integer', name: 'snapshot_number', nullable: true },
    trialSetId: { type: 'text', name: 'trial_set_id', nullable: true },
    begunAt: stamped('begun_at'),
    endedAt: stamped('ended_at'),
    seq: { type: 'bigint', default: () => "nextval('log_entry_seq')" },
    settled: { type: 'boolean', default: true },
  },
});

export const photoEntity = new EntitySchema<PhotoRow>({
  name: 'photo',
  columns: {
    id: { ...text, primary: true },
    logEntryId: { ...text, name: 'log_entry_id' },
    type: text,
    caption: { ...text, default: '' },
    bytes: { type: 'bytea', select: false },
    createdAt: created,
  },
});

export const partEntity = new EntitySchema<PartRow>({
  name: 'part',
  columns: {
    id: { ...text, primary: true },
    kind: text,
    name: text,
    data: json,
    version,
    createdAt: created,
    updatedAt: { type: 'timestamptz', name: 'updated_at', updateDate: true },
    setAsideAt: { type: 'timestamptz', name: 'set_aside_at', nullable: true },
  },
});

export const partPhotoEntity = new EntitySchema<PartPhotoRow>({
  name: 'part_photo',
  columns: {
    partId: { ...text, name: 'part_id', primary: true },
    type: text,
    bytes: { type: 'bytea' },
  },
});

export const trialSetEntity = new EntitySchema<TrialSetRow>({
  name: 'trial_set',
  columns: {
    id: { ...text, primary: true },
    buildId: { ...text, name: 'build_id' },
    protocol: text,
    name: text,
    conditions: json,
    invented: { type: 'boolean', default: false },
    version,
    createdAt: created,
  },
});

export const trialEntity = new EntitySchema<TrialRow>({
  name: 'trial',
  columns: {
    id: { ...text, primary: true },
    trialSetId: { ...text, name: 'trial_set_id', primary: true },
    ordinal: { type: 'integer' },
    reading: json,
    recordedAt: { type: 'timestamptz', name: 'recorded_at', createDate: true },
    byName,
  },
});

export const appStateEntity = new EntitySchema<AppStateRow>({
  name: 'app_state',
  columns: { key: { ...text, primary: true }, value: json },
});

export const ENTITIES = [
  buildEntity,
  snapshotEntity,
  logEntryEntity,
  photoEntity,
  partEntity,
  partPhotoEntity,
  trialSetEntity,
  trialEntity,
  appStateEntity,
  deviceEntity,
  pairingCodeEntity,
  pairingAttemptEntity,
  presenceEntity,
];
