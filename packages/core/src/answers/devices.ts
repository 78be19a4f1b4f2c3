import { z } from 'zod';

/** What a device that was let in may do: look, record trials and steps, or everything but let others in. */
export const DEVICE_ROLES = ['look', 'record', 'everything'] as const;
export type DeviceRole = (typeof DEVICE_ROLES)[number];

/** What a role is called, and what it may. */
export const ROLE_WORDS: Readonly<Record<DeviceRole, { readonly title: string; readonly may: string }>> = {
  look: { title: 'look', may: 'sees every build, and changes nothing' },
  record: { title: 'record', may: 'marks steps, records trials, notes and photographs' },
  everything: { title: 'everything', may: 'changes builds and parts too; it cannot let others in' },
};

const instant = z.iso.datetime();
const role = z.enum(DEVICE_ROLES);

/** Who asks: the machine that the builds are on (`own`), or a device by its name and role. */
export const meSchema = z.object({
  own: z.boolean(),
  id: z.string(),
  name: z.string(),
  role,
});
export type Me = Readonly<z.output<typeof meSchema>>;

/** How it went with a code that was shown to the door. */
export const ATTEMPT_OUTCOMES = ['let-in', 'wrong', 'used', 'expired', 'too-many'] as const;

/** The door to the local network, and who came through it. */
export const devicesSchema = z.object({
  door: z.object({
    open: z.boolean(),
    /** Where it is reached from other machines; empty while it is closed. */
    addresses: z.array(z.string()),
    /** An address behind TLS that somebody set up for it. */
    secure: z.string().nullable(),
  }),
  devices: z.array(z.object({ id: z.string(), name: z.string(), role, createdAt: instant, seenAt: instant })),
  /** The latest first. */
  attempts: z.array(
    z.object({
      at: instant,
      address: z.string(),
      outcome: z.enum(ATTEMPT_OUTCOMES),
      name: z.string(),
    }),
  ),
});
export type Devices = Readonly<z.output<typeof devicesSchema>>;

/** A code that lets one device in, once. */
export const pairingCodeSchema = z.object({
  code: z.string(),
  role,
  expiresAt: instant,
  /** The addresses that a phone opens, with the code in them. */
  links: z.array(z.string()),
});
export type PairingCode = Readonly<z.output<typeof pairingCodeSchema>>;

/** A build that is locked for an event: until when nothing of it is changed but what is recorded. */
export const lockSchema = z.object({ at: instant, event: z.string(), by: z.string() });
export type Lock = Readonly<z.output<typeof lockSchema>>;

/** Who else is on a build now, and how far it has come. */
export const companySchema = z.object({
  others: z.array(z.object({ name: z.string(), station: z.string() })),
  version: z.int(),
  /** Another word for every state of its trials and its logbook. */
  records: z.string(),
  lock: lockSchema.nullable(),
});
export type Company = Readonly<z.output<typeof companySchema>>;
