import { createHash } from 'node:crypto';
import type { ATTEMPT_OUTCOMES, DeviceRole } from '@zubric/core/answers';
import { customAlphabet, nanoid } from 'nanoid';
import { IsNull, type EntityManager } from 'typeorm';
import {
  deviceEntity,
  pairingAttemptEntity,
  pairingCodeEntity,
  type DeviceRow,
  type PairingAttemptRow,
  type PairingCodeRow,
} from '../database/device-entities.ts';

type Outcome = (typeof ATTEMPT_OUTCOMES)[number];

/** No letter or digit of a code is taken for another; so many make 39 bits. */
const newCode = customAlphabet('23456789ABCDEFGHJKMNPQRSTVWXYZ', 8);
const KEY_LENGTH = 40;
const ID_LENGTH = 12;
const CODE_LIVES = '2 minutes';
/** So many wrong codes within the time are looked at, from one address and from all; after that none is. */
const WINDOW = '10 minutes';
const MOST_FROM_ONE = 5;
const MOST_FROM_ALL = 50;
const ATTEMPTS_SHOWN = 20;
/** And so many that were held back are noted within it. */
const MOST_HELD_NOTED = 100;
/** A device that asks again within this has not to be noted as seen anew. */
const SEEN_EVERY_MS = 60_000;

const hashOf = (secret: string): Buffer => createHash('sha256').update(secret).digest();
/** As a person types a code. */
const readCode = (typed: string): string => typed.toUpperCase().replace(/[\s-]/g, '');

export type LetIn =
  | { readonly outcome: 'let-in'; readonly device: DeviceRow; readonly key: string }
  | { readonly outcome: Exclude<Outcome, 'let-in'> };

/** Devices that were let in, and the codes that let them in. */
export function deviceStore(database: EntityManager) {
  const devices = () => database.getRepository(deviceEntity);
  return {
    /** Whose key it is; nobody's where it was sent away. */
    async byKey(key: string): Promise<DeviceRow | null> {
      const device = await devices().findOneBy({ keyHash: hashOf(key), sentAwayAt: IsNull() });
      if (device && Date.now() - device.seenAt.getTime() > SEEN_EVERY_MS)
        await devices().update({ id: device.id }, { seenAt: () => 'now()' });
      return device;
    },

    list: (): Promise<DeviceRow[]> =>
      devices().find({ where: { sentAwayAt: IsNull() }, order: { createdAt: 'ASC', id: 'ASC' } }),

    attempts: (): Promise<PairingAttemptRow[]> =>
      database.getRepository(pairingAttemptEntity).find({ order: { id: 'DESC' }, take: ATTEMPTS_SHOWN }),

    /** Codes that were guessed at so often that no more were looked at, in the last day. */
    async warnings(): Promise<string[]> {
      const rows = await database.query<{ address: string; tries: number }[]>(
        `SELECT address, count(*)::int AS tries FROM pairing_attempt
         WHERE outcome = 'too-many' AND at > now() - interval '1 day' GROUP BY address ORDER BY address`,
      );
      return rows.map(
        ({ address, tries }) =>
          `Somebody at ${address} guessed at codes that let devices in, and was held back ${tries} times. Close the way in under “Devices” if that was none of yours.`,
      );
    },

    /** Gives a device another name or role; false where there is none. */
    async change(id: string, to: { readonly name: string; readonly role: DeviceRole }): Promise<boolean> {
      return (await devices().update({ id, sentAwayAt: IsNull() }, to)).affected === 1;
    },

    /** Its key opens nothing any more; what it recorded keeps its name. */
    async sendAway(id: string): Promise<boolean> {
      const { affected } = await devices().update(
        { id, sentAwayAt: IsNull() },
        { sentAwayAt: () => 'now()' },
      );
      return affected === 1;
    },

    /** A code that lets one device in, in that role; those of before let nobody in any more. */
    async makeCode(role: DeviceRole): Promise<PairingCodeRow & { readonly code: string }> {
      const code = newCode();
      await database.query("DELETE FROM pairing_attempt WHERE at < now() - interval '30 days'");
      await database.query('UPDATE pairing_code SET expires_at = now() WHERE expires_at > now()');
      const codes = database.getRepository(pairingCodeEntity);
      await codes.insert({
        codeHash: hashOf(code),
        role,
        expiresAt: () => `now() + interval '${CODE_LIVES}'`,
        deviceId: null,
      });
      return { ...(await codes.findOneByOrFail({ codeHash: hashOf(code) })), code };
    },

    letIn: (typed: string, name: string, address: string): Promise<LetIn> =>
      database.transaction((manager) => letIn(manager, { typed, name, address })),
  };
}

interface Shown {
  readonly typed: string;
  readonly name: string;
  readonly address: string;
}

/** Lets a device in by a code, once; every try is noted, and too many from an address are not looked at. */
async function letIn(manager: EntityManager, { typed, name, address }: Shown): Promise<LetIn> {
  // One at a time: nobody guesses faster by guessing at once.
  await manager.query("SELECT pg_advisory_xact_lock(hashtext('pairing'))");
  const code = readCode(typed);
  const found = await outcomeOf(manager, code, address);
  if (found.said !== 'too-many' || (await heldBack(manager)) < MOST_HELD_NOTED)
    await manager.getRepository(pairingAttemptEntity).insert({ address, outcome: found.said, name });
  if (found.said !== 'let-in') return { outcome: found.said };
  const key = nanoid(KEY_LENGTH);
  const id = nanoid(ID_LENGTH);
  const devices = manager.getRepository(deviceEntity);
  await devices.insert({ id, name: await freeName(manager, name), role: found.role, keyHash: hashOf(key) });
  await manager.getRepository(pairingCodeEntity).update({ codeHash: hashOf(code) }, { deviceId: id });
  return { outcome: 'let-in', key, device: await devices.findOneByOrFail({ id }) };
}

/** How many were held back and noted of late: who goes on guessing does not fill the disk. */
async function heldBack(manager: EntityManager): Promise<number> {
  const [row = { held: 0 }] = await manager.query<{ held: number }[]>(
    `SELECT count(*)::int AS held FROM pairing_attempt
     WHERE outcome = 'too-many' AND at > now() - interval '${WINDOW}'`,
  );
  return row.held;
}

/** What comes of a code now. */
async function outcomeOf(
  manager: EntityManager,
  code: string,
  address: string,
): Promise<
  { readonly said: 'let-in'; readonly role: DeviceRole } | { readonly said: Exclude<Outcome, 'let-in'> }
> {
  const [wrong = { here: 0, all: 0 }] = await manager.query<{ here: number; all: number }[]>(
    `SELECT count(*) FILTER (WHERE address = $1)::int AS here, count(*)::int AS all FROM pairing_attempt
     WHERE outcome IN ('wrong', 'used', 'expired') AND at > now() - interval '${WINDOW}'`,
    [address],
  );
  if (wrong.here >= MOST_FROM_ONE || wrong.all >= MOST_FROM_ALL) return { said: 'too-many' };
  const [row] = await manager.query<{ role: DeviceRole; used: boolean; live: boolean }[]>(
    `SELECT role, device_id IS NOT NULL AS used, expires_at > now() AS live
     FROM pairing_code WHERE code_hash = $1`,
    [hashOf(code)],
  );
  if (!row) return { said: 'wrong' };
  if (row.used) return { said: 'used' };
  return row.live ? { said: 'let-in', role: row.role } : { said: 'expired' };
}

/** A name that no device that may come in has: the logbook tells whose edit it was by it. */
async function freeName(manager: EntityManager, name: string): Promise<string> {
  const taken = new Set(
    (await manager.getRepository(deviceEntity).findBy({ sentAwayAt: IsNull() })).map((device) => device.name),
  );
  let free = name;
  for (let n = 2; taken.has(free); n++) free = `${name} ${n}`;
  return free;
}

export type DeviceStore = ReturnType<typeof deviceStore>;
