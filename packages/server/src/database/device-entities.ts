import type { ATTEMPT_OUTCOMES, DeviceRole } from '@zubric/core/answers';
import { EntitySchema } from 'typeorm';
import { created, ofBuild, stamped, text } from './columns.ts';

/** A device that was let in; of its key only the hash is kept. */
export interface DeviceRow {
  id: string;
  name: string;
  role: DeviceRole;
  keyHash: Buffer;
  createdAt: Date;
  seenAt: Date;
  /** When it was sent away; null while it may come in. */
  sentAwayAt: Date | null;
}

/** A code that lets one device in; of the code itself only the hash is kept. */
export interface PairingCodeRow {
  codeHash: Buffer;
  role: DeviceRole;
  createdAt: Date;
  expiresAt: Date;
  /** Whom it let in. */
  deviceId: string | null;
}

/** A code that was shown to the door. */
export interface PairingAttemptRow {
  id: string;
  at: Date;
  address: string;
  outcome: (typeof ATTEMPT_OUTCOMES)[number];
  name: string;
}

/** Who is on a build; the machine itself has an empty id. */
export interface PresenceRow {
  deviceId: string;
  buildId: string;
  station: string;
  seenAt: Date;
}

export const deviceEntity = new EntitySchema<DeviceRow>({
  name: 'device',
  columns: {
    id: { ...text, primary: true },
    name: text,
    role: text,
    keyHash: { type: 'bytea', name: 'key_hash', unique: true },
    createdAt: created,
    seenAt: stamped('seen_at'),
    sentAwayAt: { type: 'timestamptz', name: 'sent_away_at', nullable: true },
  },
});

export const pairingCodeEntity = new EntitySchema<PairingCodeRow>({
  name: 'pairing_code',
  columns: {
    codeHash: { type: 'bytea', name: 'code_hash', primary: true },
    role: text,
    createdAt: created,
    expiresAt: { type: 'timestamptz', name: 'expires_at' },
    deviceId: { ...text, name: 'device_id', nullable: true },
  },
});

export const pairingAttemptEntity = new EntitySchema<PairingAttemptRow>({
  name: 'pairing_attempt',
  columns: {
    id: { type: 'bigint', primary: true, generated: 'increment' },
    at: stamped('at'),
    address: text,
    outcome: text,
    name: text,
  },
});

export const presenceEntity = new EntitySchema<PresenceRow>({
  name: 'presence',
  columns: {
    deviceId: { ...text, name: 'device_id', primary: true },
    buildId: { ...ofBuild, primary: true },
    station: text,
    seenAt: stamped('seen_at'),
  },
});
