import type { Build, Part } from '@zubric/core/build';
import type { ProtocolName } from '@zubric/core/trials';
import { EntitySchema } from 'typeorm';

export interface BuildRow {
  id: string;
  name: string;
  document: Build;
  /** Counts the saves; a save names the one it started from. */
  version: number;
  createdAt: Date;
  updatedAt: Date;
}

export interface PartRow {
  id: string;
  kind: string;
  name: string;
  data: Part;
  createdAt: Date;
}

export interface TrialSetRow {
  id: string;
  buildId: string;
  protocol: ProtocolName;
  name: string;
  conditions: unknown;
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
  reading: unknown;
  recordedAt: Date;
}

/** What the server remembers of itself: whether the demo was loaded. */
export interface AppStateRow {
  key: string;
  value: unknown;
}

const text = { type: 'text' } as const;
const json = { type: 'jsonb' } as const;
const version = { type: 'integer', default: 1 } as const;
const created = { type: 'timestamptz', name: 'created_at', createDate: true } as const;

export const buildEntity = new EntitySchema<BuildRow>({
  name: 'build',
  columns: {
    id: { ...text, primary: true },
    name: text,
    document: json,
    version,
    createdAt: created,
    updatedAt: { type: 'timestamptz', name: 'updated_at', updateDate: true },
  },
});

export const partEntity = new EntitySchema<PartRow>({
  name: 'part',
  columns: { id: { ...text, primary: true }, kind: text, name: text, data: json, createdAt: created },
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
  },
});

export const appStateEntity = new EntitySchema<AppStateRow>({
  name: 'app_state',
  columns: { key: { ...text, primary: true }, value: json },
});

export const ENTITIES = [buildEntity, partEntity, trialSetEntity, trialEntity, appStateEntity];
